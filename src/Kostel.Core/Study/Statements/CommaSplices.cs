using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Statements;

/// <summary>
/// People who speak put one sentence behind the other with no more than a short pause, which is written as a comma: "Two yellows mean that the one after the next is at red, that's an early warning."
/// A condition stays with what it is a condition of.
/// </summary>
internal static class CommaSplices
{
    private const int Shortest = 4;

    /// <summary>With these behind a comma a new sentence begins.</summary>
    private static readonly HashSet<string> Openers =
    [
        "it", "it's", "that's", "there's", "they", "they're", "you", "you're", "you've", "we", "we're", "we've", "he", "she", "he's", "she's", "i", "i'm", "i've", "this", "these", "that", "here's", "there",
    ];

    private static readonly HashSet<string> Ties = ["and", "but", "so"];

    /// <summary>A part that begins with one of these belongs to the next one.</summary>
    private static readonly HashSet<string> Subordinators =
        ["if", "when", "because", "while", "although", "though", "as", "since", "unless", "until", "where", "whenever", "once", "after", "before", "whatever", "whoever", "in", "at", "on", "with", "without", "by", "for", "from", "to", "under", "over", "during", "whether"];

    /// <summary>The sentences that it is made of; none where it is one.</summary>
    public static List<Sentence> Of(Sentence sentence)
    {
        var words = sentence.Words;
        var plain = words.Select(w => Tokens.Of(w.Text) is [var first, ..] ? first : "").ToList();
        var (parts, from) = (new List<Sentence>(), 0);
        for (var at = Shortest; at <= words.Count - Shortest; at++)
        {
            if (words[at - 1].Text[^1] is ',' or ';' or ':' && Begins(plain, at) && at - from >= Shortest && !BelongsToNext(plain, from, at) && !IsPickedOut(plain, from, at))
            {
                parts.Add(LeadIns.Without(sentence, from, at));
                from = at + (Ties.Contains(plain[at]) ? 1 : 0);
            }
        }

        return parts.Count == 0 ? [] : [.. parts, LeadIns.Without(sentence, from, words.Count)];
    }

    /// <summary>Whether a word behind a comma begins a sentence of its own.</summary>
    public static bool Opens(string word) => Openers.Contains(word);

    private static bool Begins(List<string> plain, int at) => Openers.Contains(Ties.Contains(plain[at]) && at + 1 < plain.Count ? plain[at + 1] : plain[at]);

    /// <summary>"It is the ditches, more than the stones, that made them last": one statement, of what is picked out.</summary>
    private static bool IsPickedOut(List<string> plain, int from, int at) => plain[at] is "that" && plain[from] is "it" && plain[from + 1] is "is" or "was" || plain[at] is "that" && plain[from] is "it's";

    /// <summary>"If it snaps, …", "the longer the loop, …".</summary>
    private static bool BelongsToNext(List<string> plain, int from, int to) =>
        Subordinators.Contains(plain[from]) || (plain[from] is "the" && from + 1 < plain.Count && (plain[from + 1].EndsWith("er", StringComparison.Ordinal) || plain[from + 1] is "more" or "less" or "moment"))
        || Enumerable.Range(from, to - from).Any(i => plain[i] is "if" or "when" or "unless" or "either" or "neither" or "whether" && i > from && !plain.Skip(from).Take(i - from).Any(StandingAlone.Carries));
}
