using System.Buffers;
using Kostel.Core.Retrieval;
using Kostel.Core.Text;

namespace Kostel.Core.Answers;

/// <summary>
/// A question without what people say around one: sentences that ask nothing, where the one that asks can be understood without them; what leads up to it
/// ("I need to know why …", "For the test: what …"); greetings and thanks.
/// </summary>
internal static class BareQuestion
{
    private static readonly SearchValues<char> SentenceEnds = SearchValues.Create(".?!\n");

    /// <summary>Nobody leads up to a question more often.</summary>
    private const int MostColons = 4;

    /// <summary>Words that begin a question by themselves.</summary>
    internal static readonly HashSet<string> Asking = ["what", "why", "how", "when", "where", "who", "whom", "whose", "which", "whats", "whys", "hows", "whos", "wheres", "whens"];

    /// <summary>Verbs that begin one that is answered by yes or no.</summary>
    private static readonly HashSet<string> Auxiliaries =
        ["is", "are", "was", "were", "do", "does", "did", "can", "could", "should", "may", "must", "will", "would", "has", "have", "had", "isn", "aren", "don", "doesn", "didn", "wasn", "weren"];

    /// <summary>Behind these, and a word or two for a person, stands what somebody wants to know.</summary>
    private static readonly HashSet<string> Reporting =
    [
        .. """
        ask asked asking asks check clue describe explain explained explaining explains figure find forgot forgotten idea know knew knows learn out remember said say says see sure tell telling told
        understand understood wonder wondered wondering
        """.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries),
    ];

    private static readonly HashSet<string> Persons = ["me", "us", "you", "him", "her", "them", "about", "of", "to", "exactly", "please", "again"];

    private static readonly HashSet<string> Courtesies = ["hi", "hello", "hey", "please", "pls", "plz", "thanks", "thank", "thx", "cheers", "sorry", "ok", "okay", "so"];

    /// <summary>What the sentence before may have named.</summary>
    private static readonly HashSet<string> Pointing = ["it", "its", "they", "them", "their", "he", "she", "him", "her", "his", "this", "these", "those", "one", "ones"];

    /// <summary>"How long does it take": nothing is pointed at.</summary>
    private static readonly HashSet<string> Impersonal = ["take", "cost", "mean", "matter", "rain", "happen", "help", "make", "possible", "necessary", "worth", "important", "true", "dangerous", "safe"];

    /// <summary>The part of a text that asks; all of it where nothing else stands around.</summary>
    public static string Of(string text)
    {
        var words = FoldedWord.Of(text);
        if (words.Count == 0)
        {
            return text;
        }

        var (first, last) = AskingSentences(text, words);
        first = BehindWhatLeadsUp(text, words, first, last);
        while (first < last && Courtesies.Contains(words[first].Text))
        {
            first++;
        }

        while (last > first && Courtesies.Contains(words[last].Text))
        {
            last--;
        }

        return text[words[first].Start..End(text, words, last)];
    }

    /// <summary>From the first sentence that asks to the last, where it can be understood by itself; else everything.</summary>
    private static (int First, int Last) AskingSentences(string text, IReadOnlyList<FoldedWord> words)
    {
        var starts = Enumerable.Range(0, words.Count).Where(i => i == 0 || Between(text, words, i).IndexOfAny(SentenceEnds) >= 0).ToList();
        var sentences = starts.Select((from, n) => (From: from, To: (n + 1 < starts.Count ? starts[n + 1] : words.Count) - 1)).ToList();
        var asking = sentences.FindAll(s => Asks(text, words, s.From, s.To));
        return asking.Count > 0 && IsUnderstood(words, asking[0].From, asking[0].To) ? (asking[0].From, asking[^1].To) : (0, words.Count - 1);
    }

    private static bool Asks(string text, IReadOnlyList<FoldedWord> words, int from, int to)
    {
        var behind = words[to].Start + words[to].Length;
        return text.AsSpan(behind, (to + 1 < words.Count ? words[to + 1].Start : text.Length) - behind).Contains('?') || Begins(words[from].Text)
            || (Courtesies.Contains(words[from].Text) && from < to && Begins(words[from + 1].Text));
    }

    private static bool Begins(string word) => Asking.Contains(word) || Auxiliaries.Contains(word);

    /// <summary>Whether a sentence names what it asks about.</summary>
    private static bool IsUnderstood(IReadOnlyList<FoldedWord> words, int from, int to)
    {
        var own = Enumerable.Range(from, to - from + 1).Select(i => words[i].Text).ToList();
        var points = own.Where((w, i) => Pointing.Contains(w) && !(w == "it" && own.Skip(i + 1).Take(2).Any(Impersonal.Contains)));
        return AskedWords.Of(own).Any(w => !w.IsPlain) && !points.Any();
    }

    /// <summary>Behind a colon at which the question begins, or at the word that asks behind "tell me".</summary>
    private static int BehindWhatLeadsUp(string text, IReadOnlyList<FoldedWord> words, int first, int last)
    {
        var colon = Enumerable.Range(first + 1, last - first).Reverse().Where(i => Begins(words[i].Text) && Between(text, words, i).Contains(':')).Take(MostColons)
            .FirstOrDefault(i => IsUnderstood(words, i, last), -1);
        if (colon > 0)
        {
            return colon;
        }

        for (var i = first + 1; i < last && !Asking.Contains(words[i - 1].Text); i++)
        {
            if (Asking.Contains(words[i].Text) && IsReported(words, first, i))
            {
                return i;
            }
        }

        return first;
    }

    private static bool IsReported(IReadOnlyList<FoldedWord> words, int first, int at)
    {
        for (at--; at > first && Persons.Contains(words[at].Text); at--)
        {
        }

        return Reporting.Contains(words[at].Text);
    }

    /// <summary>What stands before a word and behind the one before it.</summary>
    internal static ReadOnlySpan<char> Between(string text, IReadOnlyList<FoldedWord> words, int i)
    {
        var from = words[i - 1].Start + words[i - 1].Length;
        return text.AsSpan(from, words[i].Start - from);
    }

    /// <summary>Behind a word, with the sign that ends the question.</summary>
    private static int End(string text, IReadOnlyList<FoldedWord> words, int last)
    {
        var end = words[last].Start + words[last].Length;
        while (end < text.Length && !char.IsWhiteSpace(text[end]) && !char.IsLetterOrDigit(text[end]))
        {
            end++;
        }

        return end;
    }
}
