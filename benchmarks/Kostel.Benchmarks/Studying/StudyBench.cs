using System.Globalization;
using Kostel.Benchmarks.Asking;
using Kostel.Core.Chapters;
using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Facts;
using Kostel.Core.Study.Quizzes;
using Kostel.Core.Study.Summaries;
using Kostel.Core.Text;

namespace Kostel.Benchmarks.Studying;

/// <summary>How many key facts stand in what is made of a text: a summary of 12 % of its words, 20 cards, 12 questions. What is learned is learned from the other texts.</summary>
internal static class StudyBench
{
    private const double SummaryShare = 0.12;
    private const int Cards = 20, Questions = 12, Top = 15;

    public static void Run(string list, string folder, WordKnowledge known, string? how)
    {
        var texts = StudyText.ReadAll(list, folder, new ChapterFinder(() => known));
        if (how == "learn")
        {
            Console.WriteLine(string.Join(", ", Learn(texts).Select(w => w.ToString("0.###", CultureInfo.InvariantCulture))));
            return;
        }

        foreach (var half in texts.GroupBy(t => t.IsKnown))
        {
            var old = half.Average(t => { var s = t.Sentences; var imp = new Importance(s); return Among(t, s.Select(imp.Of).ToArray()); });
            var learned = half.Average(t => Among(t, FactWorth.Of(t.Sentences, t.Transcript.Chapters, Learn(texts.FindAll(o => o != t)))));
            var chance = half.Average(t => t.Facts.SelectMany(f => f.Lines).Distinct().Count() / (double)t.Sentences.Count);
            Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"of the {Top} worthiest sentences state a key fact, {(half.Key ? "known" : "unseen")} texts: {100 * learned:0} % as learned, {100 * old:0} % by the words alone, {100 * chance:0} % of all sentences"));
        }

        foreach (var share in new[] { 0.12, 0.25, 0.4 })
        {
            foreach (var half in texts.GroupBy(t => t.IsKnown))
            {
                var facts = (double)half.Sum(t => t.Facts.Count);
                var own = half.Sum(t => t.Covered(Summarizer.Summarize(t.Transcript, (int)(share * t.Sentences.Sum(s => s.Words.Count)), Learn(texts.FindAll(o => o != t))).SelectMany(p => p.Lines)));
                var plain = half.Sum(t => t.Covered(ByWordsAlone(t, (int)(share * t.Sentences.Sum(s => s.Words.Count)))));
                Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"summary of {100 * share:0} % of the words, {(half.Key ? "known" : "unseen")} texts: {100 * own / facts:0.0} % of the facts; by the words alone {100 * plain / facts:0.0} %"));
            }
        }

        Console.WriteLine("\n| text | | facts | in a summary of 12 % | in 20 cards | in 12 questions |\n|---|---|---|---|---|---|");
        var rows = texts.ConvertAll(t => (Text: t, Summary: Summary(t, Learn(texts.FindAll(o => o != t)), how), Cards: CardMaker.Make(t.Transcript, Cards), Quiz: QuizMaker.Make(t.Transcript, Questions)));
        foreach (var (text, summary, cards, quiz) in rows)
        {
            Console.WriteLine($"| {text.Name} | {(text.IsKnown ? "known" : "unseen")} | {text.Facts.Count} | {summary} | {text.Covered(cards.Select(c => c.Source))} of {cards.Count} cards | {text.Covered(quiz.Select(q => q.Source))} of {quiz.Count} |");
        }

        foreach (var half in rows.GroupBy(r => r.Text.IsKnown))
        {
            var facts = (double)half.Sum(r => r.Text.Facts.Count);
            Console.WriteLine(string.Create(
                CultureInfo.InvariantCulture,
                $"| **{(half.Key ? "known" : "unseen")}** | | {facts} | {100 * half.Sum(r => r.Summary) / facts:0.0} % | {100 * half.Sum(r => r.Text.Covered(r.Cards.Select(c => c.Source))) / facts:0.0} % | {100 * half.Sum(r => r.Text.Covered(r.Quiz.Select(q => q.Source))) / facts:0.0} % |"));
        }
    }

    /// <summary>The sentences that stand alone and have the heaviest words, for comparison.</summary>
    private static List<Kostel.Core.Transcripts.Evidence> ByWordsAlone(StudyText text, int words)
    {
        var importance = new Importance(text.Sentences);
        var chosen = new List<Kostel.Core.Transcripts.Evidence>();
        foreach (var sentence in text.Sentences.Where(QuotableSentence.IsSelfContained).OrderByDescending(importance.Of))
        {
            if (sentence.Words.Count <= words)
            {
                chosen.Add(Kostel.Core.Transcripts.Evidence.Of(sentence));
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

    private static int Summary(StudyText text, double[] weights, string? how)
    {
        var words = (int)(SummaryShare * text.Sentences.Sum(s => s.Words.Count));
        var summary = Summarizer.Summarize(text.Transcript, words, weights);
        if (how == "each" && text.IsKnown)
        {
            Console.WriteLine($"\n{text.Name}: {summary.Sum(p => p.Lines.Sum(l => l.Quote.Split(' ').Length))} of {words} words\n{string.Join('\n', summary.SelectMany(p => p.Lines).Select(l => "    " + l.Quote))}\n");
        }

        return text.Covered(summary.SelectMany(p => p.Lines));
    }

    private static double[] Learn(List<StudyText> texts) => AnswerLearning.Logistic(texts.SelectMany(t =>
    {
        var facts = t.Facts.SelectMany(f => f.Lines).ToHashSet();
        return FactFeatures.Of(t.Sentences, t.Transcript.Chapters).Select((f, i) => (f, facts.Contains(i)));
    }).ToList());
}
