using Kostel.Core.Text;
using Kostel.Core.Transcripts.Edits;

namespace Kostel.Core.Transcripts.Reading;

/// <summary>A place where a phrase stands, with the words around it.</summary>
/// <param name="Place">What would be replaced, and what by.</param>
/// <param name="Before">A few words before it…</param>
/// <param name="After">…and after it.</param>
public sealed record Occurrence(WordReplacement Place, int StartMs, int EndMs, string Before, string After);

/// <summary>Finds whole words in a transcript, whatever their capitals and punctuation, and says what they would become.</summary>
public static class PhraseSearch
{
    private const int WordsAround = 6;

    /// <summary>All places, in order, none overlapping.</summary>
    /// <param name="phrase">One or several words.</param>
    /// <param name="replacement">What to write instead; a place's capital and punctuation are kept. Empty: the words are left out.</param>
    public static IReadOnlyList<Occurrence> Find(Transcript transcript, string phrase, string replacement)
    {
        var wanted = Words(phrase).Select(WordDiff.Key).ToList();
        var found = new List<Occurrence>();
        if (wanted.Count == 0)
        {
            return found;
        }

        foreach (var passage in transcript.Passages)
        {
            for (var i = 0; i + wanted.Count <= passage.Words.Count; i++)
            {
                if (wanted.Select((key, k) => WordDiff.Key(passage.Words[i + k].Text) == key).All(same => same))
                {
                    found.Add(At(passage, i, wanted.Count, phrase, replacement));
                    i += wanted.Count - 1;
                }
            }
        }

        return found;
    }

    /// <summary>The same in any text, for what was made from a transcript.</summary>
    public static string Replace(string text, string phrase, string replacement)
    {
        var words = Words(text);
        var wanted = Words(phrase).Select(WordDiff.Key).ToList();
        var result = new List<string>();
        for (var i = 0; i < words.Length; i++)
        {
            if (wanted.Count > 0 && i + wanted.Count <= words.Length && wanted.Select((key, k) => WordDiff.Key(words[i + k]) == key).All(same => same))
            {
                var written = Written(words.Skip(i).Take(wanted.Count).ToList(), phrase, replacement);
                result.AddRange(Words(written));
                i += wanted.Count - 1;
            }
            else
            {
                result.Add(words[i]);
            }
        }

        return result.SequenceEqual(words) ? text : string.Join(' ', result);
    }

    private static Occurrence At(Passage passage, int first, int count, string phrase, string replacement)
    {
        var own = passage.Words.Skip(first).Take(count).ToList();
        var texts = own.ConvertAll(w => w.Text);
        return new Occurrence(
            new WordReplacement(passage.Id, first, count, string.Join(' ', texts), Written(texts, phrase, replacement)),
            own[0].StartMs,
            own[^1].EndMs,
            string.Join(' ', passage.Words.Take(first).TakeLast(WordsAround).Select(w => w.Text)),
            string.Join(' ', passage.Words.Skip(first + count).Take(WordsAround).Select(w => w.Text)));
    }

    private static string Written(List<string> texts, string phrase, string replacement)
    {
        var lead = string.Concat(texts[0].TakeWhile(c => !char.IsLetterOrDigit(c)));
        var tail = string.Concat(texts[^1].Reverse().TakeWhile(c => !char.IsLetterOrDigit(c)).Reverse());
        var bare = string.Join(' ', Words(replacement));
        if (bare.Length == 0)
        {
            return "";
        }

        var phraseStart = phrase.FirstOrDefault(char.IsLetterOrDigit);
        var foundStart = texts[0].FirstOrDefault(char.IsLetterOrDigit);
        if (char.IsUpper(foundStart) && !char.IsUpper(phraseStart))
        {
            bare = char.ToUpperInvariant(bare[0]) + bare[1..];
        }

        return (char.IsLetterOrDigit(bare[0]) ? lead : "") + bare + (char.IsLetterOrDigit(bare[^1]) ? tail : "");
    }

    private static string[] Words(string text) => text.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries);
}
