using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Statements;

/// <summary>
/// How much the grammar reads of a lecture, so that an hour's takes seconds. What a sentence costs grows with the cube of its words (as the parser's own paper says of its search; measured, a sentence
/// of 12 words takes 9 ms, one of 27 words 50 to 170): one of a long lecture that is very long is read last, and the budget is of cubed words, not of time, so that the same lecture always gives the same.
/// </summary>
/// <param name="Cost">Cubed words in all.</param>
internal sealed record ReadingBudget(double Cost)
{
    /// <summary>Sentences above this give few cards and cost a third of the time.</summary>
    private const int VeryLong = 24;

    private const int Most = 260;

    /// <summary>For the sentences as they were said.</summary>
    public static readonly ReadingBudget OfSentences = new(800_000);

    /// <summary>For what they may be made up of.</summary>
    public static readonly ReadingBudget OfParts = new(200_000);

    /// <summary>The first that it is enough for, the very long ones behind the others.</summary>
    /// <param name="all">The worthiest first.</param>
    /// <param name="words">How many words each has.</param>
    public List<T> Take<T>(IEnumerable<T> all, Func<T, int> words)
    {
        var (spent, taken) = (0.0, new List<T>());
        foreach (var one in all.OrderBy(a => words(a) > VeryLong))
        {
            spent += Math.Pow(words(one), 3);
            if (spent > Cost || taken.Count == Most)
            {
                break;
            }

            taken.Add(one);
        }

        return taken;
    }

    /// <summary>The first sentences that it is enough for.</summary>
    public List<Sentence> Take(IEnumerable<Sentence> all) => Take(all, s => s.Words.Count);
}
