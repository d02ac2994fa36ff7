using Kostel.Core.Speech.Terms;
using Kostel.Core.Text;

namespace Kostel.Core.Retrieval;

/// <summary>The words of a library and in how many of its texts each stands: what forms, spellings and sounds of a word there are.</summary>
public sealed class SearchVocabulary
{
    private const int MostForms = 24, MostBeginnings = 40, MostSpellings = 4, MostSounds = 4;

    /// <summary>A slip is forgiven in words of four letters, a second in words of eight.</summary>
    private const int OneSlip = 4, TwoSlips = 8;

    /// <summary>Shorter words sound like too much.</summary>
    private const int ShortestSound = 5;

    /// <summary>How far apart in sound two words may be, as <see cref="SoundKey"/> measures it.</summary>
    private const double SoundsAlike = 0.16;

    private readonly string[] words;
    private readonly Dictionary<string, int> counts;
    private readonly ILookup<string, string> forms;
    private readonly Lazy<(string Word, string Key)[]> sounds;

    /// <param name="words">Every word, as <see cref="FoldedWord"/> has it, and in how many texts.</param>
    public SearchVocabulary(IEnumerable<KeyValuePair<string, int>> words)
    {
        counts = words.ToDictionary(w => w.Key, w => w.Value, StringComparer.Ordinal);
        this.words = [.. counts.Keys.Order(StringComparer.Ordinal)];
        forms = this.words.ToLookup(Tokens.Stem);
        sounds = new(() => this.words.Where(w => w.Length >= ShortestSound - 1).Select(w => (w, SoundKey.Of(w))).ToArray());
    }

    /// <summary>No words.</summary>
    public static SearchVocabulary None { get; } = new([]);

    /// <summary>In how many texts a word stands.</summary>
    public int CountOf(string word) => counts.GetValueOrDefault(word);

    /// <summary>The forms of a word that occur, itself first.</summary>
    public IReadOnlyList<string> FormsOf(string word) =>
        [word, .. forms[Tokens.Stem(word)].Where(f => f != word).OrderByDescending(CountOf).Take(MostForms - 1)];

    /// <summary>The words that begin so, the most frequent first.</summary>
    public IReadOnlyList<string> Beginning(string start)
    {
        var at = Array.BinarySearch(words, start, StringComparer.Ordinal);
        return words.Skip(at < 0 ? ~at : at).TakeWhile(w => w.StartsWith(start, StringComparison.Ordinal)).OrderByDescending(CountOf).Take(MostBeginnings).ToList();
    }

    /// <summary>Words that a slip or two lie between and this one, which does not occur itself; the nearest first, of these the most frequent.</summary>
    public IReadOnlyList<string> SpelledLike(string word)
    {
        var most = word.Length >= TwoSlips ? 2 : word.Length >= OneSlip ? 1 : 0;
        if (most == 0 || word.Any(char.IsDigit))
        {
            return [];
        }

        var near = words.Where(w => w.Length >= OneSlip).Select(w => (Word: w, Slips: EditDistance.Between(word, w, most))).Where(n => n.Slips <= most && n.Slips > 0).ToList();
        var least = near.Count == 0 ? 0 : near.Min(n => n.Slips);
        return near.Where(n => n.Slips == least).OrderByDescending(n => n.Word[0] == word[0]).ThenByDescending(n => CountOf(n.Word)).Take(MostSpellings).Select(n => n.Word).ToList();
    }

    /// <summary>Words that sound like it: a recogniser may have taken it for them.</summary>
    public IReadOnlyList<string> SoundingLike(string word)
    {
        var key = SoundKey.Of(word);
        var stem = Tokens.Stem(word);
        return word.Length < ShortestSound || word.Any(char.IsDigit)
            ? []
            : sounds.Value
                .Where(s => Math.Abs(s.Key.Length - key.Length) <= 2)
                .Select(s => (s.Word, Distance: SoundKey.Distance(key, s.Key, SoundsAlike)))
                .Where(s => s.Distance <= SoundsAlike && Tokens.Stem(s.Word) != stem)
                .OrderBy(s => s.Distance).ThenByDescending(s => CountOf(s.Word)).Take(MostSounds).Select(s => s.Word).ToList();
    }
}
