using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study;

/// <summary>What the transcript says today where a piece of study material was taken from.</summary>
/// <param name="PassageId">The passage that holds the moment now; null if there is none.</param>
/// <param name="NowText">The words that are spoken in its seconds.</param>
/// <param name="Holds">Whether they are still the words that were quoted.</param>
public sealed record SourceState(string? PassageId, string NowText, bool Holds);

/// <summary>Checks whether what was quoted is still what the transcript says at that second. The seconds themselves never change.</summary>
public sealed class SourceCheck
{
    /// <summary>By so much a new transcription may place the same words otherwise.</summary>
    private const int SlackMs = 1_000;

    private readonly List<(Word Word, string PassageId, string Key)> words;

    /// <summary>A check against a transcript.</summary>
    public SourceCheck(Transcript transcript) =>
        words = transcript.Passages.SelectMany(p => p.Words.Select(w => (w, p.Id, WordDiff.Key(w.Text)))).ToList();

    /// <summary>The state of a span that quotes these words. Case and punctuation do not count.</summary>
    public SourceState Of(int startMs, int endMs, string quote)
    {
        var inside = Range(startMs, endMs);
        var wanted = quote.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries).Select(WordDiff.Key).ToList();
        var passage = inside.Count > 0 ? inside[0].PassageId : Nearest(startMs);
        var holds = wanted.SequenceEqual(inside.Select(w => w.Key)) || StandsIn(Range(startMs - SlackMs, endMs + SlackMs), wanted);
        return new SourceState(passage, string.Join(' ', inside.Select(w => w.Word.Text)), holds);
    }

    /// <summary>The state of a source.</summary>
    public SourceState Of(Evidence source) => Of(source.StartMs, source.EndMs, source.Quote);

    private static bool StandsIn(List<(Word Word, string PassageId, string Key)> around, List<string> wanted) =>
        wanted.Count > 0 && Enumerable.Range(0, Math.Max(0, around.Count - wanted.Count + 1))
            .Any(i => Enumerable.Range(0, wanted.Count).All(k => around[i + k].Key == wanted[k]));

    /// <summary>The words whose middle lies in a span.</summary>
    private List<(Word Word, string PassageId, string Key)> Range(int fromMs, int toMs)
    {
        const int LongestWordMs = 10_000;
        var found = new List<(Word, string, string)>();
        for (var i = FirstFrom(fromMs - LongestWordMs); i < words.Count && words[i].Word.StartMs < toMs; i++)
        {
            var middle = (words[i].Word.StartMs + words[i].Word.EndMs) / 2;
            if (middle >= fromMs && middle <= toMs)
            {
                found.Add(words[i]);
            }
        }

        return found;
    }

    private string? Nearest(int ms) => words.Count == 0 ? null : words[Math.Clamp(FirstFrom(ms), 0, words.Count - 1)].PassageId;

    private int FirstFrom(int ms)
    {
        var (low, high) = (0, words.Count);
        while (low < high)
        {
            var middle = (low + high) / 2;
            if (words[middle].Word.StartMs < ms)
            {
                low = middle + 1;
            }
            else
            {
                high = middle;
            }
        }

        return low;
    }
}
