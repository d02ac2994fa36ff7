using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Facts;

/// <summary>
/// Which doubtful words may be believed all the same: those that the lecture says elsewhere and that were heard well there.
/// What was heard once only, and doubtfully, is as likely a mishearing.
/// </summary>
public static class ConfirmedWords
{
    private const double Well = 0.69, HopelessBelow = 0.23, SureOfUnknown = 0.75;
    private const int OftenEnough = 3;

    /// <summary>The same sentences; a doubtful word that is confirmed elsewhere counts as just sure enough, and one that no list of English knows and that was not heard well as doubtful.</summary>
    /// <param name="sentences">All of a lecture.</param>
    /// <param name="words">What is known of its language; nothing for another one than English.</param>
    public static IReadOnlyList<Sentence> Settle(IReadOnlyList<Sentence> sentences, WordKnowledge words)
    {
        var confirmed = sentences
            .SelectMany(s => s.Words)
            .Where(w => w.Confidence >= Well)
            .GroupBy(w => Key(w.Text))
            .Where(g => g.Count() >= OftenEnough)
            .Select(g => g.Key)
            .ToHashSet();
        var said = sentences.SelectMany(s => s.Words).GroupBy(w => Key(w.Text)).ToDictionary(g => g.Key, g => g.Count());
        return sentences.Select(s => s with { Words = s.Words.Select(Settled).ToList() }).ToList();

        Word Settled(Word word)
        {
            var key = Key(word.Text);
            if (word.Confidence is >= HopelessBelow and < QuotableSentence.SureEnough && confirmed.Contains(key))
            {
                return word with { Confidence = QuotableSentence.SureEnough };
            }

            // Words that do not exist are often written with a hyphen; said once only, there is nothing to tell them from real ones.
            var isOddPair = word.Confidence < 1 && word.Text.TrimEnd('.', ',').Contains('-') && !Tokens.Of(word.Text).Any(NumberWords.IsNumber) && said[key] == 1;
            var isUnknown = word.Confidence < SureOfUnknown && said[key] < OftenEnough && Tokens.Of(word.Text).Count == 1 && IsUnknown(word, words);
            return isOddPair || isUnknown ? word with { Confidence = word.Confidence / 2 } : word;
        }
    }

    /// <summary>Whether a word has a part that no list of English knows, and that is no number and no name.</summary>
    public static bool IsUnknown(Word word, WordKnowledge words) => words.Vectors.Count > 0 && char.IsLower(word.Text[0])
        && Tokens.Of(word.Text).Any(t => !t.Contains('\'') && !NumberWords.IsNumber(t) && words.Vectors.PlaceOf(t) < 0 && words.Lexicon.KindsOf(t).Total == 0);

    private static string Key(string word) => string.Join(' ', Tokens.Of(word).Select(Tokens.Stem));
}
