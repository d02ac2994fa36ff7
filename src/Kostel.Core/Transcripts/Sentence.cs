namespace Kostel.Core.Transcripts;

/// <summary>A sentence of a passage: the smallest thing that is quoted, and that an answer, a card or a summary rests on.</summary>
/// <param name="PassageId">The passage that holds it.</param>
/// <param name="FirstWord">Index of its first word in the passage.</param>
public sealed record Sentence(string PassageId, int FirstWord, IReadOnlyList<Word> Words)
{
    /// <summary>Start of the first word, in milliseconds.</summary>
    public int StartMs => Words[0].StartMs;

    /// <summary>End of the last word, in milliseconds.</summary>
    public int EndMs => Words[^1].EndMs;

    /// <summary>The words joined by single spaces.</summary>
    public string Text => string.Join(' ', Words.Select(w => w.Text));

    /// <summary>The least certain word's confidence; 1 for no words.</summary>
    public double WeakestConfidence => Words.Count == 0 ? 1 : Words.Min(w => w.Confidence);
}

/// <summary>Divides passages into sentences by their punctuation.</summary>
public static class Sentences
{
    private static readonly HashSet<string> Abbreviations = new(StringComparer.OrdinalIgnoreCase)
    {
        "mr.", "mrs.", "ms.", "dr.", "prof.", "st.", "e.g.", "i.e.", "etc.", "vs.", "no.", "approx.", "fig.", "cf.",
    };

    /// <summary>The sentences of all passages, in order. A passage's last words are a sentence even without a full stop.</summary>
    public static IReadOnlyList<Sentence> Of(IEnumerable<Passage> passages) => passages.SelectMany(Of).ToList();

    /// <summary>The sentences of one passage, in order; together they hold each of its words once.</summary>
    public static IEnumerable<Sentence> Of(Passage passage)
    {
        var first = 0;
        for (var i = 0; i < passage.Words.Count; i++)
        {
            if (i == passage.Words.Count - 1 || Ends(passage.Words, i))
            {
                yield return new Sentence(passage.Id, first, passage.Words.Skip(first).Take(i - first + 1).ToList());
                first = i + 1;
            }
        }
    }

    /// <summary>Whether a written word closes a sentence: it ends in a full stop, question or exclamation mark (quotes and
    /// brackets after it aside) and is no common abbreviation, no initial and no number in a list.</summary>
    public static bool ClosesSentence(string word)
    {
        var bare = word.TrimEnd('"', '\'', ')', ']', '”', '’');
        return bare.Length > 0 && bare[^1] is '.' or '?' or '!' or '…'
            && !Abbreviations.Contains(bare) && !IsInitial(bare);
    }

    private static bool Ends(IReadOnlyList<Word> words, int i) =>
        ClosesSentence(words[i].Text) && (i + 1 >= words.Count || !char.IsLower(words[i + 1].Text[0])) && !GoesOn(words, i + 1);

    /// <summary>"Is called …": a pause was taken for the end of the sentence.</summary>
    private static bool GoesOn(IReadOnlyList<Word> words, int next) =>
        next + 1 < words.Count && words[next].Text is "Is" or "Are" && words[next + 1].Text == "called";

    private static bool IsInitial(string word) => word.Length == 2 && word[1] == '.' && char.IsUpper(word[0]) && word[0] != 'I';
}
