using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Facts;

/// <summary>
/// Which doubtful words may be believed all the same: those that the lecture says elsewhere and that were heard well there.
/// What was heard once only, and doubtfully, is as likely a mishearing.
/// </summary>
public static class ConfirmedWords
{
    private const double Well = 0.69, HopelessBelow = 0.23, SureOfUnknown = 0.75, Unbelieved = 0.4;
    private const int OftenEnough = 3, ShortestPart = 4;

    /// <summary>The same sentences; a doubtful word that is confirmed elsewhere counts as just sure enough, and one that no list of English knows, unless it was heard well and is made of two that are known, as doubtful.</summary>
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
        var said = Counted(sentences);
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
            var isInvented = IsInvented(word, said[key], words);
            return isOddPair || isInvented ? word with { Confidence = Math.Min(word.Confidence / 2, Unbelieved) } : word;
        }
    }

    /// <summary>Words of a lecture that there are rather not: heard, in no list of English, and hardly ever said.</summary>
    public static IEnumerable<Word> Invented(IReadOnlyList<Sentence> sentences, WordKnowledge words)
    {
        var unknown = new Dictionary<string, bool>();
        var heard = sentences.SelectMany(s => s.Words).Where(w => w.Confidence < 1 && (unknown.TryGetValue(w.Text, out var isUnknown) ? isUnknown : unknown[w.Text] = IsUnknown(w, words))).ToList();
        if (heard.Count == 0)
        {
            return [];
        }

        var said = Counted(sentences);
        return heard.Where(w => IsInvented(w, said[Key(w.Text)], words));
    }

    private static bool IsInvented(Word word, int said, WordKnowledge words) =>
        word.Confidence < 1 && said < OftenEnough && IsUnknown(word, words) && (word.Confidence < SureOfUnknown || !IsMadeOfKnown(word, words));

    /// <summary>Whether a word has a part that no list of English knows, and that is no number and no name.</summary>
    private static bool IsUnknown(Word word, WordKnowledge words) => words.Vectors.Count > 0 && char.IsLower(word.Text[0])
        && Tokens.Of(word.Text).Any(t => !t.Contains('\'') && !NumberWords.IsNumber(t) && words.Vectors.PlaceOf(t) < 0 && words.Lexicon.KindsOf(t).Total == 0);

    /// <summary>"Overfall", "semidiurnal": a word of two that are known is rather a rare one than a mishearing.</summary>
    private static bool IsMadeOfKnown(Word word, WordKnowledge words)
    {
        var whole = string.Concat(Tokens.Of(word.Text));
        return !word.Text.Contains('-') && Enumerable.Range(ShortestPart, Math.Max(0, whole.Length - (2 * ShortestPart) + 1)).Any(i => words.Lexicon.KindsOf(whole[..i]).Total > 0 && words.Lexicon.KindsOf(whole[i..]).Total > 0);
    }

    private static Dictionary<string, int> Counted(IReadOnlyList<Sentence> sentences) => sentences.SelectMany(s => s.Words).CountBy(w => Key(w.Text)).ToDictionary();

    private static string Key(string word) => string.Join(' ', Tokens.Of(word).Select(Tokens.Stem));
}
