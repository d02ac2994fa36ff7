using Kostel.Core.Grammar;

namespace Kostel.Core.Study.Statements;

/// <summary>A run of words of a sentence.</summary>
/// <param name="First">The place of the first.</param>
/// <param name="End">The place after the last.</param>
internal readonly record struct WordRun(int First, int End)
{
    public int Count => End - First;
}

/// <summary>Who does what in a sentence.</summary>
/// <param name="Subject">The words before the verb that say of what something is stated.</param>
/// <param name="Complements">The phrases behind the verb: objects, and what prepositions lead to.</param>
internal sealed record MainClause(WordRun Subject, IReadOnlyList<WordRun> Complements)
{
    private const int LongestSubject = 12;

    /// <summary>The main clause, or null where there is no plain one: a question, a call, two side by side.</summary>
    public static MainClause? Of(SentenceGrammar grammar)
    {
        if (!grammar.IsWhole)
        {
            return null;
        }

        var clause = grammar.Root;
        while (!clause.Parts.Any(p => p.Label == "VP") && clause.Parts.Where(p => p.Label == "S").ToList() is [var only])
        {
            clause = only;
        }

        var verb = clause.Parts.FirstOrDefault(p => p.Label == "VP" && p.First >= 0);
        if (verb is null || clause.Parts.Any(p => p.Label == "S" && p.First > verb.First))
        {
            return null;
        }

        var before = clause.Parts.TakeWhile(p => p != verb).Where(p => p.First >= 0).SkipWhile(p => p.Label is "PP" or "SBAR" or "ADVP" or "S").ToList();
        if (before.Count == 0 || !verb.Leaves().Any(l => l.IsVerb) || before[0].Leaves().First() is { Tag: "r" or "p" } || verb.First - before[0].First > LongestSubject)
        {
            return null;
        }

        var inner = verb;
        while (inner.Parts.LastOrDefault(p => p.Label == "VP") is { } deeper && inner.Parts.All(p => p == deeper || p.Label is "" or "ADVP"))
        {
            inner = deeper;
        }

        return new MainClause(new WordRun(before[0].First, verb.First), inner.Parts.Where(p => p.First >= 0).SelectMany(Phrases).Distinct().ToList());
    }

    /// <summary>Every noun phrase, also where no plain main clause is to be made out.</summary>
    public static IEnumerable<WordRun> Things(SentenceGrammar grammar) => grammar.Root.All().Where(IsThing).Select(p => new WordRun(p.First, p.End));

    private static bool IsThing(Constituent part) => part.Label == "NP" && part.First >= 0 && !part.All().Any(i => i.Label is "VP" or "SBAR" || i.IsVerb);

    /// <summary>A noun phrase, and the shorter one that it begins with; of a prepositional phrase what the preposition leads to.</summary>
    private static IEnumerable<WordRun> Phrases(Constituent part)
    {
        if (part.Label == "NP")
        {
            if (IsThing(part))
            {
                yield return new WordRun(part.First, part.End);
            }

            if (part.Parts.FirstOrDefault(p => p.First >= 0) is { Label: "NP" } head && head.Count < part.Count && head.First == part.First && IsThing(head))
            {
                yield return new WordRun(head.First, head.End);
            }
        }
        else if (part.Label == "PP")
        {
            foreach (var inner in part.Parts.Where(p => p.First >= 0 && p.Label is "NP" or "PP").SelectMany(Phrases))
            {
                yield return inner;
            }
        }
    }
}
