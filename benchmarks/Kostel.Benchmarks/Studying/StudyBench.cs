using System.Globalization;
using Kostel.Benchmarks.Asking;
using Kostel.Core.Chapters;
using Kostel.Core.Grammar;
using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Facts;
using Kostel.Core.Study.Quizzes;
using Kostel.Core.Study.Statements;
using Kostel.Core.Study.Summaries;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;
using Kostel.Grammar;

namespace Kostel.Benchmarks.Studying;

/// <summary>How many key facts stand in what is made of a text: a summary of 12 % of its words, 20 cards, 12 questions. What is learned is learned from the other texts.</summary>
internal static class StudyBench
{
    private const double SummaryShare = 0.12, MiddleShare = 0.25;
    private const int Cards = 20, Questions = 12, Top = 15;

    public static void Run(string list, string folder, WordKnowledge known, string? how, string? transcripts = null)
    {
        var texts = StudyText.ReadAll(list, folder, new ChapterFinder(() => known));
        var more = StudyText.ReadMarked(Path.Combine(Path.GetDirectoryName(list)!, "worth.tsv"), folder, new ChapterFinder(() => known));
        if (how == "set")
        {
            StudySetBench.Run(texts);
            return;
        }

        using var grammar = new GrammarProcess();
        if (how is "gaps" or "endings")
        {
            GapBench.Learn(Path.Combine(Path.GetDirectoryName(list)!, how + ".tsv"), folder, grammar, new ChapterFinder(() => known), known, how == "endings");
            return;
        }

        if (how == "tojudge")
        {
            GapBench.ToJudge(Directory.EnumerateFiles(folder, "*.txt", SearchOption.AllDirectories).Order(StringComparer.Ordinal), grammar, new ChapterFinder(() => known), known);
            return;
        }

        if (how == "askable")
        {
            GapBench.Print(Directory.EnumerateFiles(folder, "*.txt", SearchOption.AllDirectories).Order(StringComparer.Ordinal), grammar, new ChapterFinder(() => known), known);
            return;
        }

        if (how == "learn")
        {
            Console.WriteLine(string.Join(", ", Learn(texts, more).Select(w => w.ToString("0.###", CultureInfo.InvariantCulture))));
            return;
        }

        if (how == "spoken")
        {
            var learned = Folds(texts).SelectMany(f => Learn(f.Others, more) is var weights ? f.Own.Select(t => (t.Name, weights)) : []).ToDictionary(p => p.Name, p => p.weights);
            SpokenStudyBench.Run(texts, transcripts!, t => learned[t.Name], new ChapterFinder(() => known), grammar, known);
            return;
        }

        var grounds = Folds(texts).SelectMany(f => Learn(f.Others, more) is var weights ? f.Own.Select(t => (Text: t, Weights: weights)) : [])
            .ToDictionary(p => p.Text, p => (Ground: new StudyGround(p.Text.Transcript, grammar, p.Weights, known), p.Weights));
        foreach (var half in texts.GroupBy(t => t.IsKnown))
        {
            var old = half.Average(t => { var s = t.Sentences; var imp = new Importance(s); return Among(t, s.Select(imp.Of).ToArray()); });
            var now = half.Average(t => Among(t, FactWorth.Of(t.Sentences, t.Transcript.Chapters, grounds[t].Weights)));
            var chance = half.Average(t => t.Facts.SelectMany(f => f.Lines).Distinct().Count() / (double)t.Sentences.Count);
            Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"of the {Top} worthiest sentences state a key fact, {Half(half.Key)} texts: {100 * now:0} % as learned, {100 * old:0} % by the words alone, {100 * chance:0} % of all sentences"));
        }

        foreach (var share in new[] { SummaryShare, MiddleShare, 0.4 })
        {
            foreach (var half in texts.GroupBy(t => t.IsKnown))
            {
                var facts = (double)half.Sum(t => t.Facts.Count);
                var own = half.Sum(t => t.Covered(Texts(Summary(t, share, grounds[t].Ground))));
                var plain = half.Sum(t => t.Covered(Texts(ByWordsAlone(t, Room(t, share)))));
                var most = half.Sum(t => MostThereIs(t, Room(t, share), grounds[t].Ground.Whole.All));
                Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"summary of {100 * share:0} % of the words, {Half(half.Key)} texts: {100 * own / facts:0.0} % of the facts; by the words alone {100 * plain / facts:0.0} %; whoever knows them finds room for {100 * most / facts:0.0} %"));
            }
        }

        Console.WriteLine("\n| text | | facts | in a summary of 12 % | in 20 cards | in 12 questions |\n|---|---|---|---|---|---|");
        var rows = texts.ConvertAll(t => (Text: t, Summary: Shown(t, Summary(t, SummaryShare, grounds[t].Ground), how), Cards: CardMaker.Make(grounds[t].Ground, Cards), Quiz: QuizMaker.Make(grounds[t].Ground, Questions)));
        foreach (var (text, summary, cards, quiz) in rows)
        {
            Print(text, cards, quiz, how);
            Console.WriteLine($"| {text.Name} | {(text.IsKnown ? "known" : "unseen")} | {text.Facts.Count} | {summary} | {text.Covered(Texts(cards))} of {cards.Count} cards | {text.Covered(Texts(quiz))} of {quiz.Count} |");
        }

        foreach (var half in rows.GroupBy(r => r.Text.IsKnown))
        {
            var facts = (double)half.Sum(r => r.Text.Facts.Count);
            Console.WriteLine(string.Create(
                CultureInfo.InvariantCulture,
                $"| **{(half.Key ? "known" : "unseen")}** | | {facts} | {100 * half.Sum(r => r.Summary) / facts:0.0} % | {100 * half.Sum(r => r.Text.Covered(Texts(r.Cards))) / facts:0.0} % | {100 * half.Sum(r => r.Text.Covered(Texts(r.Quiz))) / facts:0.0} % |"));
        }
    }

    /// <summary>A summary of 12 % and one of 25 %, cards and a quiz, with the places that they rest on.</summary>
    public static IReadOnlyList<List<(Evidence Source, string Text)>> Make(StudyText text, StudyGround ground) =>
        [Texts(Summary(text, SummaryShare, ground)), Texts(Summary(text, MiddleShare, ground)), Texts(CardMaker.Make(ground, Cards)), Texts(QuizMaker.Make(ground, Questions))];

    private static List<(Evidence, string)> Texts(IEnumerable<Evidence> lines) => lines.Select(l => (l, l.Quote)).ToList();

    private static List<(Evidence, string)> Texts(IEnumerable<CardDraft> cards) => cards.Select(c => (c.Source, $"{c.Content.Front} {c.Content.Back}")).ToList();

    private static List<(Evidence, string)> Texts(IEnumerable<QuestionDraft> quiz) => quiz.SelectMany(q => (q.Content.Places.Count > 0 ? q.Content.Places : [q.Source]).Select(p => (p, string.Join(' ', Shown(q.Content))))).ToList();

    /// <summary>The question with what is right, without what is not.</summary>
    private static IEnumerable<string> Shown(QuestionContent asks) => asks switch
    {
        ChoiceQuestion or SeveralQuestion => asks.Solution.Chosen.Select(c => asks.Shown[c]).Prepend(asks.Stem),
        _ => asks.Texts,
    };

    private static void Print(StudyText text, IReadOnlyList<CardDraft> cards, IReadOnlyList<QuestionDraft> quiz, string? how)
    {
        if (!text.IsKnown || how is not ("cards" or "quiz"))
        {
            return;
        }

        foreach (var line in how == "cards" ? cards.Select(c => $"    {c.Content.Front}  =>  {c.Content.Back}") : quiz.Select(q => $"    {q.Content.Kind}: {string.Join(" | ", q.Content.Texts)}   ({string.Join(',', q.Content.Solution.Chosen)})"))
        {
            Console.WriteLine(line);
        }

        var made = how == "cards" ? Texts(cards) : Texts(quiz);
        Console.WriteLine(string.Join('\n', text.Facts.Where(f => !text.IsCovered(f, made)).Select(f => "    missed: " + f.Says)));
    }

    /// <summary>The sentences that stand alone and have the heaviest words, for comparison.</summary>
    private static List<Evidence> ByWordsAlone(StudyText text, int words)
    {
        var importance = new Importance(text.Sentences);
        var chosen = new List<Evidence>();
        foreach (var sentence in text.Sentences.Where(QuotableSentence.IsSelfContained).OrderByDescending(importance.Of))
        {
            if (sentence.Words.Count <= words)
            {
                chosen.Add(Evidence.Of(sentence));
                words -= sentence.Words.Count;
            }
        }

        return chosen;
    }

    private static double Among(StudyText text, double[] worth)
    {
        var facts = text.Facts.SelectMany(f => f.Lines).ToHashSet();
        return Enumerable.Range(0, worth.Length).OrderByDescending(i => worth[i]).Take(Top).Count(facts.Contains) / (double)Top;
    }

    private static int Room(StudyText text, double share) => (int)(share * text.Sentences.Sum(s => s.Words.Count));

    private static string Half(bool isKnown) => isKnown ? "known" : "unseen";

    private static List<Evidence> Summary(StudyText text, double share, StudyGround ground) =>
        Summarizer.Summarize(ground, Room(text, share)).SelectMany(p => p.Lines).ToList();

    private static int Shown(StudyText text, List<Evidence> summary, string? how)
    {
        if (how == "each" && text.IsKnown)
        {
            Console.WriteLine($"\n{text.Name}: {summary.Sum(l => l.Quote.Split(' ').Length)} of {Room(text, SummaryShare)} words\n{string.Join('\n', summary.Select(l => "    " + l.Quote))}\n");
        }

        return text.Covered(Texts(summary));
    }

    /// <summary>How many facts would be covered by somebody who knows them, choosing greedily what covers most for its words.</summary>
    private static int MostThereIs(StudyText text, int room, IReadOnlyList<Statement> lines)
    {
        var chosen = new List<Statement>();
        while (lines.Where(l => l.WordCount <= room && !chosen.Exists(c => c.Sentence == l.Sentence)).MaxBy(Gain) is { } best && Gain(best) > 0)
        {
            chosen.Add(best);
            room -= best.WordCount;
        }

        return Of([]);
        double Gain(Statement line) => (Of([line]) - Of([])) / (double)line.WordCount;
        int Of(List<Statement> more) => text.Covered(Texts(chosen.Concat(more).Select(l => l.Source)));
    }

    /// <summary>By which sentences are worth knowing, from texts whose key facts are known and from others of which the sentences that are worth it were chosen.</summary>
    private static double[] Learn(List<StudyText> texts, List<MarkedText> more) => Ridge.Logistic(
        texts.Select(t => new MarkedText(t.Sentences, t.Transcript.Chapters, [.. t.Facts.SelectMany(f => f.Lines)])).Concat(more)
            .SelectMany(t => FactFeatures.Of(t.Sentences, t.Chapters).Select((f, i) => (f, t.Worth.Contains(i)))).ToList(), Penalty);

    private const int FoldCount = 5;
    private const double Penalty = 5;

    private static IEnumerable<(List<StudyText> Own, List<StudyText> Others)> Folds(List<StudyText> texts) =>
        Enumerable.Range(0, FoldCount).Select(f => (texts.Where((_, i) => i % FoldCount == f).ToList(), texts.Where((_, i) => i % FoldCount != f).ToList()));
}
