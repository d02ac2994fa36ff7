using Kostel.Core.Grammar;
using Kostel.Core.Study.Facts;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Statements;

/// <summary>
/// A recogniser writes a comma where a speaker closed a sentence: "the baseline is the low water mark, where a coast is cut up by bays, straight lines may be drawn". Where the grammar reads what stands
/// behind a comma as a whole sentence with a subject and a verb of its own, a sentence begins there. Nothing is divided beside a condition: of "the toll is halved, if the river is in flood, the clerk decides" only the speaker knows what it is a condition of.
/// </summary>
internal static class RunOns
{
    private const int Shortest = 5, Longest = 34, MostCommas = 6, LongestRun = 90;

    /// <summary>With these a clause goes on with what was said before it.</summary>
    private static readonly HashSet<string> GoesOn = ["which", "who", "whose", "whom", "that", "so", "than", "or", "nor", "except", "like", "such", "including", "without", "whereas", "otherwise", "then", "for", "to", "not", "especially", "even"];

    /// <summary>What begins with one of these is told of what stands before it, or of what comes behind its comma.</summary>
    private static readonly HashSet<string> Conditions = ["if", "when", "whenever", "while", "because", "although", "though", "unless", "since", "as", "once", "until", "after", "before", "suppose", "provided", "where"];

    /// <summary>The runs of words behind a comma, up to another one or the end, that could be sentences; none of a sentence without a comma, or with a great many.</summary>
    public static IReadOnlyList<Sentence> Candidates(Sentence sentence)
    {
        var bounds = Bounds(sentence);

        // "If A, B, C": whether C is so in any case nobody can tell.
        return bounds.Count is 0 or > MostCommas || sentence.Words.Count > LongestRun || Conditions.Contains(Plain(sentence, 0))
            ? []
            : [.. bounds.SelectMany((from, i) => bounds.Skip(i + 1).Append(sentence.Words.Count).Where(to => CanBegin(sentence, from) && to - from is >= Shortest and <= Longest).Select(to => Clauses.Part(sentence, from, to)))];
    }

    /// <summary>The sentences that it was run together from; none where it is one.</summary>
    /// <param name="sentence">As it was written.</param>
    /// <param name="grammarOf">What each of its <see cref="Candidates"/> is made of, by its first word and the place behind its last one, from the sentence's own beginning.</param>
    public static List<Sentence> Divided(Sentence sentence, IReadOnlyDictionary<(int From, int To), SentenceGrammar?> grammarOf)
    {
        var (bounds, end) = (Bounds(sentence), sentence.Words.Count);
        var next = new Dictionary<int, int>();
        foreach (var from in Enumerable.Reverse(bounds))
        {
            // The longest run that is a sentence, with sentences behind it up to the end.
            foreach (var to in Enumerable.Reverse(bounds.Where(b => b > from).Append(end)).Where(to => (to == end || next.ContainsKey(to)) && grammarOf.GetValueOrDefault((from, to)) is { IsWhole: true } grammar && MainClause.Of(grammar) is not null))
            {
                next.TryAdd(from, to);
            }
        }

        var first = bounds.Where(b => b >= Shortest && next.ContainsKey(b)).DefaultIfEmpty(-1).First();
        var parts = new List<Sentence>();
        if (first < 0)
        {
            return parts;
        }

        parts.Add(Clauses.Part(sentence, 0, first));
        for (var at = first; at < end; at = next[at])
        {
            parts.Add(Clauses.Part(sentence, at, next[at]));
        }

        return parts;
    }

    private static List<int> Bounds(Sentence sentence) => [.. Enumerable.Range(1, Math.Max(0, sentence.Words.Count - 1)).Where(i => sentence.Words[i - 1].Text[^1] is ',' or ';' || Sentences.ClosesSentence(sentence.Words[i - 1].Text))];

    private static bool CanBegin(Sentence sentence, int at) =>
        Opening(sentence, at) is var own && !GoesOn.Contains(own) && (own == Place || !Conditions.Contains(own)) && !Conditions.Contains(Opening(sentence, Bounds(sentence).LastOrDefault(b => b < at)));

    /// <summary>"Where a coast is cut up by bays, straight lines may be drawn": with a place a new sentence begins as a rule.</summary>
    private const string Place = "where";

    /// <summary>The first word from a place on, past the one that only ties.</summary>
    private static string Opening(Sentence sentence, int at) => Plain(sentence, at) is "and" or "but" && at + 1 < sentence.Words.Count ? Plain(sentence, at + 1) : Plain(sentence, at);

    private static string Plain(Sentence sentence, int at) => Tokens.Of(sentence.Words[at].Text) is [var first, ..] ? first : "";
}
