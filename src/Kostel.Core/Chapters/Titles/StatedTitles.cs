using System.Text.RegularExpressions;
using Kostel.Core.Study.Facts;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Chapters.Titles;

/// <summary>Titles out of a short statement with which a chapter begins: "Stale bread is not dry bread."</summary>
internal static partial class StatedTitles
{
    private const int FewestWords = 3, LongestWords = 7;

    private static readonly HashSet<string> Pointing = ["it", "its", "this", "that", "these", "those", "they", "them", "their", "he", "she", "his", "her", "here", "there", "i", "me", "my", "you", "your", "we", "us", "our", "one", "such", "same", "then", "now", "so", "today", "tonight", "yesterday", "evening", "both", "other", "another", "and", "but", "next", "please", "let", "lets", "remember", "imagine", "suppose", "don't", "take", "look", "say", "think", "answer", "question", "reason", "result", "thing", "point", "problem", "idea", "word", "way"];

    /// <summary>A sentence as a title; null for one that is long, asks, bids, or points at what was said before.</summary>
    /// <param name="isCentral">Whether a word, by its stem, is among those that the chapter is about.</param>
    public static string? Of(Sentence sentence, Lexicon lexicon, Func<string, bool> isCentral)
    {
        if (sentence.WeakestConfidence < QuotableSentence.SureEnough || sentence.Text.EndsWith('?'))
        {
            return null;
        }

        var text = Lead().Replace(sentence.Text.Trim(), "").TrimEnd('.', '!', '…', ' ');
        text = Also().Replace(text, " ");
        var words = Tokens.Of(text);
        var isWhole = words.Count is >= FewestWords and <= LongestWords && !text.Any(c => c is ',' or ';' or ':' or '"' or '“' || char.IsDigit(c)) && !words.Any(Pointing.Contains);
        return isWhole && HasVerb(words, lexicon) && words.Any(w => isCentral(Tokens.Stem(w))) ? WordForms.Capital(text) : null;
    }

    /// <summary>A verb stands after something that can be its subject: a command and a mere name have none.</summary>
    private static bool HasVerb(IReadOnlyList<string> words, Lexicon lexicon) =>
        Enumerable.Range(1, words.Count - 1).Any(i => (Finite().IsMatch(words[i]) || IrregularForms.IsPast(words[i]) || (words[i].EndsWith('s') && lexicon.KindsOf(words[i]).VerbShare > SometimesVerb))
            && Enumerable.Range(0, i).Any(j => lexicon.KindsOf(words[j]).NounShare > SometimesVerb));

    private const double SometimesVerb = 0.3;

    [GeneratedRegex(@"^(?:(?:so|now|but|and|well|okay|ok|right|then|yeah|first|finally)[\s,:]+)+", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex Lead();

    [GeneratedRegex(@" (?:also|therefore|however|then|too|just|really|actually) ", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex Also();

    [GeneratedRegex(@"^(?:is|are|was|were|has|have|had|can|could|will|would|must|should|may|might|does|do|did)$", RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex Finite();
}
