using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Speech.Numbers;

/// <summary>A word, or a part of one that hyphens divide into number words, made ready to be read as part of a number.</summary>
/// <param name="Bare">Lower case, without signs at its end.</param>
/// <param name="Of">The index of the word.</param>
/// <param name="ClosesWord">Whether it is the word's last part.</param>
/// <param name="Signs">What follows the word's last letter.</param>
internal readonly record struct SpokenWord(string Bare, int Of, bool ClosesWord, string Signs)
{
    /// <summary>Whether no number goes on after it.</summary>
    public bool Stops => Signs.Length > 0;

    /// <summary>Whether a sentence ends with it.</summary>
    public bool EndsSentence => Signs.AsSpan().IndexOfAny('.', '?', '!') >= 0;

    /// <summary>Divides words.</summary>
    public static List<SpokenWord> Divide(IReadOnlyList<Word> words)
    {
        var result = new List<SpokenWord>(words.Count);
        for (var i = 0; i < words.Count; i++)
        {
            var text = words[i].Text;
            var bare = text.TrimEnd('.', ',', '?', '!', ';', ':', '"', '”', ')');
            var parts = bare.ToLowerInvariant().Split('-');
            if (parts.Length == 1 || !Array.TrueForAll(parts, p => p is "point" || NumberWords.IsNumber(p)))
            {
                result.Add(new SpokenWord(bare.ToLowerInvariant(), i, true, text[bare.Length..]));
                continue;
            }

            for (var p = 0; p < parts.Length; p++)
            {
                var last = p == parts.Length - 1;
                result.Add(new SpokenWord(parts[p], i, last, last ? text[bare.Length..] : ""));
            }
        }

        // "Zero, point, three" is what a network makes of a slow "0.3".
        for (var i = 1; i + 1 < result.Count; i++)
        {
            if (result[i].Bare is "point" && NumberWords.IsNumber(result[i - 1].Bare) && NumberWords.IsNumber(result[i + 1].Bare))
            {
                result[i - 1] = WithoutComma(result[i - 1]);
                result[i] = WithoutComma(result[i]);
            }
        }

        return result;
    }

    private static SpokenWord WithoutComma(SpokenWord word) => word.Signs is "," ? word with { Signs = "" } : word;
}
