using Kostel.Core.Grammar;
using Kostel.Core.Study.Facts;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Statements;

/// <summary>What a lecture states.</summary>
/// <param name="All">In order.</param>
/// <param name="IllFormed">The places of sentences that the grammar has no place for.</param>
public sealed record LectureStatements(IReadOnlyList<Statement> All, IReadOnlySet<int> IllFormed);

/// <summary>
/// Divides what a lecture says into statements: without what only leads in, and one for each clause where clauses stand side by side. A run of words is kept as it was said,
/// so that each statement can be played; a condition, a denial or a number is never cut off from what it belongs to.
/// </summary>
public static class StatementFinder
{
    private const int Shortest = 4, Longest = 40, MostBefore = 2, LongestBefore = 42, WordsToASlip = 6;

    private static readonly HashSet<string> Scopes = ["if", "unless", "until", "when", "while", "because", "since", "although", "though", "after", "before", "whether", "than", "or", "nor", "not", "except", "either", "neither"];

    /// <summary>The statements of a lecture in order. Of a long lecture the grammar of the worthiest sentences only is read (<see cref="ReadingBudget"/>).</summary>
    /// <param name="sentences">All of the lecture, in order.</param>
    /// <param name="chapters">The lecture's chapters; none is allowed.</param>
    /// <param name="grammar">Tells where clauses begin.</param>
    /// <param name="weights">By which sentences are worth knowing.</param>
    /// <param name="divides">Clauses that stand side by side become statements of their own.</param>
    public static LectureStatements Of(IReadOnlyList<Sentence> sentences, IReadOnlyList<Chapter> chapters, IGrammar grammar, double[]? weights = null, bool divides = true)
    {
        var isHeard = sentences.Any(s => s.WeakestConfidence < 1);
        var worth = FactWorth.Of(sentences, chapters, weights ?? FactWeights.Learned);
        var trimmed = sentences.Select(Trimmed).ToList();
        var read = Read(grammar, trimmed, worth);
        var run = isHeard ? RunTogether(grammar, sentences, read, worth) : [];
        var spliced = trimmed.Select((s, i) => run.GetValueOrDefault(i) is { } apart ? apart : divides && s is not null && read[i] is { IsWhole: false } ? CommaSplices.Of(s) : []).ToList();
        var readSpliced = Trees(grammar, ReadingBudget.OfParts.Take(Enumerable.Range(0, spliced.Count).OrderByDescending(i => worth[i]).SelectMany(i => spliced[i])));
        var parts = trimmed.Select((s, i) => run.ContainsKey(i) ? spliced[i] : s is null ? [] : spliced[i].Count > 1 && spliced[i].Exists(p => readSpliced.GetValueOrDefault(p) is { IsWhole: true }) ? spliced[i] : divides && read[i] is { } tree ? Divided(s, tree) : [s]).ToList();
        var readParts = Trees(grammar, parts.SelectMany((p, i) => p.Where(s => !ReferenceEquals(s, trimmed[i]) && !readSpliced.ContainsKey(s))));
        var statements = new List<Statement>();
        for (var i = 0; i < sentences.Count; i++)
        {
            foreach (var part in parts[i])
            {
                var tree = ReferenceEquals(part, trimmed[i]) ? read[i] : readSpliced.GetValueOrDefault(part) ?? readParts.GetValueOrDefault(part);
                if (part.Words.Count >= Shortest && Needed(part, i, StandingAlone.PointsOutside(part, tree)) is { } before)
                {
                    statements.Add(new Statement(part, before, tree, i, worth[i], IsIllFormed(tree, part, isHeard), before.Count == 0 ? Evidence.Of(part) : Evidence.Of(Between(before[0], part, i))));
                }
            }
        }

        return new LectureStatements(statements, Enumerable.Range(0, sentences.Count).Where(i => trimmed[i] is { } whole && IsIllFormed(read[i], whole, isHeard)).ToHashSet());

        // The sentences from the first words to the last, without what lies before and behind these.
        List<Sentence> Between(Sentence first, Sentence last, int at)
        {
            var run = sentences.Take(at + 1).SkipWhile(s => s.EndMs <= first.StartMs && s != first).ToList();
            if (run.Count == 0)
            {
                return [last];
            }

            run[0] = run[0] with { Words = run[0].Words.SkipWhile(w => w.StartMs < first.StartMs).ToList() };
            run[^1] = run[^1] with { Words = run[^1].Words.TakeWhile(w => w.StartMs < last.EndMs).ToList() };

            // Words of no length, as running speech has them at its end, lie neither before nor behind.
            run.RemoveAll(s => s.Words.Count == 0);
            return run.Count > 0 ? run : [last];
        }

        // What it leans on: the clause before in its sentence, and sentences before that until one stands alone; null where there is none, or too much.
        List<Sentence>? Needed(Sentence part, int i, bool pointsOutside)
        {
            var before = new List<Sentence>();
            for (var (first, from) = (part, i); Statement.Leans(first) || (pointsOutside && before.Count == 0); first = before[0])
            {
                var start = trimmed[from] is { } whole && whole.FirstWord < first.FirstWord && whole.PassageId == first.PassageId ? Closed(whole, first.FirstWord - whole.FirstWord) : null;
                if (start is null)
                {
                    from--;
                    start = from >= 0 ? trimmed[from] : null;
                }

                if (start is null || start.Words.Count < Shortest || before.Count == MostBefore || start.Words.Count + before.Sum(b => b.Words.Count) > LongestBefore || IsFirstOfChapter(from + 1, i))
                {
                    return null;
                }

                before.Insert(0, start);
            }

            return before;
        }

        // Behind a heading "it" is as a rule what the heading names, which no sentence before says.
        bool IsFirstOfChapter(int from, int to) => chapters.Any(c => from <= to && c.StartMs > sentences[Math.Max(0, from - 1)].StartMs && c.StartMs <= sentences[to].StartMs && from > 0);
    }

    /// <summary>The words of a sentence before a place, without the "and" that leads on.</summary>
    private static Sentence? Closed(Sentence whole, int to)
    {
        while (to > 0 && Tokens.Of(whole.Words[to - 1].Text) is ["and" or "but" or "so"] or [])
        {
            to--;
        }

        return to < Shortest - 1 ? null : LeadIns.Without(whole, 0, to);
    }

    /// <summary>Of what a recogniser wrote every word has to have its place; of many a long sentence that a person wrote down as it was spoken one or two have none.</summary>
    private static bool IsIllFormed(SentenceGrammar? grammar, Sentence sentence, bool isHeard) =>
        grammar is { Skipped: > 0 } && (isHeard || grammar.Skipped > 1 + (sentence.Words.Count / WordsToASlip));

    /// <summary>A statement without what only leads in; null for a question or what was not heard well.</summary>
    private static Sentence? Trimmed(Sentence sentence)
    {
        if (sentence.Words.Count is < Shortest or > Longest || !sentence.Text.EndsWith('.') || !QuotableSentence.IsHeardWell(sentence))
        {
            return null;
        }

        var (from, to) = LeadIns.Around(sentence.Words);
        return IsOnlyReason(sentence, from) ? null : Clauses.Part(sentence, from, to);
    }

    /// <summary>"Because then the chain is slack.": the answer to a question, which states nothing without it.</summary>
    private static bool IsOnlyReason(Sentence sentence, int from) => Tokens.Of(sentence.Words[from].Text) is ["because"] && !Asides.Without(sentence.Text).Contains(',');

    private static Dictionary<Sentence, SentenceGrammar?> Trees(IGrammar grammar, IEnumerable<Sentence> parts)
    {
        var all = parts.ToList();
        var read = grammar.Read(all.ConvertAll(p => p.Text));
        var trees = new Dictionary<Sentence, SentenceGrammar?>(ReferenceEqualityComparer.Instance);
        for (var i = 0; i < all.Count; i++)
        {
            trees[all[i]] = read[i];
        }

        return trees;
    }

    /// <summary>Sentences that a recogniser ran together, by their places: those of their parts that were heard well, each without what only leads in.</summary>
    private static Dictionary<int, List<Sentence>> RunTogether(IGrammar grammar, IReadOnlyList<Sentence> sentences, SentenceGrammar?[] read, double[] worth)
    {
        var doubtful = Enumerable.Range(0, sentences.Count).Where(i => read[i] is not { IsWhole: true } && sentences[i].Text.EndsWith('.')).OrderByDescending(i => worth[i]).ToList();
        var candidates = doubtful.ToDictionary(i => i, i => RunOns.Candidates(sentences[i]));
        var trees = Trees(grammar, ReadingBudget.OfParts.Take(candidates.Values.SelectMany(c => c)));
        return doubtful
            .Select(i => (At: i, Parts: RunOns.Divided(sentences[i], candidates[i].ToDictionary(c => (c.FirstWord - sentences[i].FirstWord, c.FirstWord - sentences[i].FirstWord + c.Words.Count), c => trees.GetValueOrDefault(c)))))
            .Where(r => r.Parts.Count > 1)
            .ToDictionary(r => r.At, r => r.Parts.Select(Trimmed).OfType<Sentence>().ToList());
    }

    private static SentenceGrammar?[] Read(IGrammar grammar, List<Sentence?> sentences, double[] worth)
    {
        var chosen = ReadingBudget.OfSentences.Take(Enumerable.Range(0, sentences.Count).Where(i => sentences[i] is not null).OrderByDescending(i => worth[i]), i => sentences[i]!.Words.Count);
        var read = grammar.Read(chosen.ConvertAll(i => sentences[i]!.Text));
        var all = new SentenceGrammar?[sentences.Count];
        for (var k = 0; k < chosen.Count; k++)
        {
            all[chosen[k]] = read[k];
        }

        return all;
    }

    /// <summary>Clauses that stand side by side, each with a subject and a verb of its own; the whole where one depends on the other.</summary>
    private static List<Sentence> Divided(Sentence sentence, SentenceGrammar grammar)
    {
        var clauses = grammar.Root.Parts.Where(p => p.Label == "S" && p.First >= 0).OrderBy(p => p.First).ToList();
        if (!grammar.IsWhole || clauses.Count < 2 || !sentence.Words.Take(clauses[0].First).All(w => Tokens.Of(w.Text) is ["and" or "but" or "so" or "then"]) || Tokens.Of(sentence.Text).Any(Scopes.Contains) || !clauses.TrueForAll(IsFull))
        {
            return [sentence];
        }

        var parts = new List<Sentence>();
        for (var i = 0; i < clauses.Count; i++)
        {
            var end = i + 1 < clauses.Count ? clauses[i + 1].First : sentence.Words.Count;
            var from = clauses[i].First;
            while (end - 1 > from && Tokens.Of(sentence.Words[end - 1].Text) is ["and" or "but" or "so"] or [])
            {
                end--;
            }

            while (from < end - 1 && Tokens.Of(sentence.Words[from].Text) is ["and" or "but" or "so"])
            {
                from++;
            }

            if ((i + 1 < clauses.Count && Tokens.Of(sentence.Words[end - 1].Text) is ["then"]) || (i > 0 && Tokens.Of(sentence.Words[from].Text) is ["then"]))
            {
                // What comes of the clause before is not so without it.
                return [sentence];
            }

            parts.Add(Clauses.Part(sentence, from, end));
        }

        return parts.TrueForAll(p => p.Words.Count >= Shortest) ? parts : [sentence];
    }

    /// <summary>It begins with its subject, and a verb follows.</summary>
    private static bool IsFull(Constituent clause)
    {
        var held = clause.Parts.Where(p => p.First >= 0 && p.Tag is not ("ij" or "j-c")).ToList();
        return held.FindIndex(p => p.Label == "NP") is >= 0 and var subject && held.FindIndex(p => p.Label == "VP") > subject && held.Take(subject).All(p => p.Label.Length == 0);
    }
}
