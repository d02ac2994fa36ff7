using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Speech.Languages;

/// <summary>Which of several languages is spoken, by what each one's recogniser made of the same speech.</summary>
/// <param name="Language">The likeliest.</param>
/// <param name="IsClear">Whether there is next to no doubt.</param>
public sealed record LanguageGuess(string Language, bool IsClear)
{
    /// <summary>Fewer words than this tell nothing.</summary>
    private const int FewestWords = 8;

    /// <summary>What is needed to be clear.</summary>
    private const double ClearLead = 0.25;

    /// <summary>Small words that every text of a language is full of (common practice, no source).</summary>
    private static readonly Dictionary<string, HashSet<string>> SmallWords = new()
    {
        [SpokenLanguages.English] = ["the", "of", "and", "to", "in", "is", "that", "it", "for", "on", "are", "as", "with", "they", "at", "be", "this", "from", "have", "or", "by", "not", "but", "what", "when", "we", "there", "you", "an", "which", "if", "was", "can", "than", "its", "has"],
        [SpokenLanguages.Spanish] = ["de", "la", "que", "el", "en", "y", "los", "del", "se", "las", "por", "un", "para", "con", "una", "su", "al", "lo", "como", "más", "o", "pero", "es", "está", "hay", "cuando", "muy", "sin", "sobre", "también", "hasta", "donde", "desde", "porque", "son", "si"],
    };

    /// <summary>Compares.</summary>
    /// <param name="heard">For each language what its recogniser wrote, with the confidence of each word.</param>
    /// <param name="expected">The language to stay with where there is doubt.</param>
    public static LanguageGuess Of(IReadOnlyDictionary<string, IReadOnlyList<Word>> heard, string expected)
    {
        var scores = heard.Where(h => h.Value.Count >= FewestWords).Select(h => (h.Key, Score: Score(h.Key, h.Value))).OrderByDescending(s => s.Score).ToList();
        if (scores.Count < 2)
        {
            return new LanguageGuess(scores.Count == 1 ? scores[0].Key : expected, IsClear: false);
        }

        var lead = scores[0].Score - scores[1].Score;
        return new LanguageGuess(scores[0].Key, lead >= ClearLead);
    }

    /// <summary>How sure the recogniser was, and how much the text looks like its language.</summary>
    internal static double Score(string language, IReadOnlyList<Word> words)
    {
        var small = SmallWords.GetValueOrDefault(language, []);
        var share = words.Average(w => Tokens.Of(w.Text).Any(small.Contains) ? 1.0 : 0);
        return WordConfidence.Mean(words) + share;
    }
}
