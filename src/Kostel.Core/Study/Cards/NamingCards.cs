using System.Text.RegularExpressions;
using Kostel.Core.Study.Facts;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Cards;

/// <summary>Cards from two statements of which the second only names what the first describes: "… This is called wind over tide."</summary>
internal static partial class NamingCards
{
    private const int LongestDescription = 30;

    /// <summary>The card and the term it asks for, or null.</summary>
    public static (CardDraft Card, string Term)? Of(Sentence sentence, Sentence? before)
    {
        var m = Names().Match(sentence.Text);
        if (!m.Success)
        {
            return null;
        }

        var at = Tokens.Of(m.Groups["before"].Value).Count == 0 ? 0 : m.Groups["before"].Value.Split(' ', StringSplitOptions.RemoveEmptyEntries).Length;
        var described = at == 0 ? before : Clauses.Part(sentence, 0, at);
        var term = m.Groups["term"].Value;
        if (described is null || described.PassageId != sentence.PassageId || !sentence.Words.Skip(at).All(w => w.Confidence >= QuotableSentence.SureEnough || !m.Value.Contains(w.Text))
            || described.Words.Count > LongestDescription || Tokens.Of(term).Count > 4)
        {
            return null;
        }

        if (!QuotableSentence.IsSelfContained(described) && !QuotableSentence.IsSelfContainedCondition(described))
        {
            return null;
        }

        var source = at == 0 ? Evidence.Of(described) with { EndMs = sentence.EndMs, Quote = $"{described.Text} {sentence.Text}" } : Evidence.Of(sentence);
        return (CardDraft.Asking($"Give the term: {WordForms.Small(QuotableSentence.Untied(described.Text))}", WordForms.Capital(m.Groups["named"].Value) + ".", source), term);
    }

    /// <summary>"this", "such a deep hole", "that wave".</summary>
    private const string WhatWasDescribed = @"this|that|such an? [\p{L}-]+(?: [\p{L}-]+)?|this \p{L}+|that \p{L}+";

    private const string UpToFourWords = @"[\p{L}'’-]+(?: [\p{L}'’-]+){0,3}";

    [GeneratedRegex($"^(?<before>[^?!]*?, )?(?:{WhatWasDescribed}) is called (?<named>(?:an?|the)? ?(?<term>{UpToFourWords}))" + @"(?:,|\.)", RegexOptions.IgnoreCase)]
    private static partial Regex Names();
}
