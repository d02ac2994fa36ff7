using System.Text.RegularExpressions;
using Kostel.Core.Study.Facts;
using Kostel.Core.Study.Statements;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Cards;

/// <summary>Cards from two statements of which the second only names what the first describes: "… This is called wind over tide."</summary>
internal static partial class NamingCards
{
    private const int LongestDescription = 30;

    /// <summary>The card and the term it asks for, or null.</summary>
    /// <param name="sentence">The one that names.</param>
    /// <param name="before">The one before it; null for none.</param>
    /// <param name="first">What that one may lean on; null for nothing.</param>
    public static (CardDraft Card, string Term)? Of(Sentence sentence, Sentence? before, Sentence? first = null)
    {
        var m = Names().Match(sentence.Text) is { Success: true } told ? told : NamesFirst().Match(sentence.Text);
        if (!m.Success || m.Groups["term"].Value.Split(' ') is not [var opener, ..] || StopWords.Contains(opener.ToLowerInvariant()))
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

        var leadsUp = !IsUnderstood(described) && at == 0 && first is not null && first.PassageId == sentence.PassageId && IsUnderstood(first) && Statement.Leans(described) && described.Words.Count + first.Words.Count <= LongestDescription ? first : null;
        if (leadsUp is null && !IsUnderstood(described))
        {
            return null;
        }

        var source = leadsUp is not null ? Evidence.Of([leadsUp, described, sentence]) : at == 0 ? Evidence.Of([described, sentence]) : Evidence.Of(sentence);
        var description = leadsUp is null ? QuotableSentence.Untied(described.Text) : $"{QuotableSentence.Untied(leadsUp.Text)} {QuotableSentence.Untied(described.Text)}";
        return (CardDraft.Asking($"Give the term: {WordForms.Small(description)}", WordForms.Capital(m.Groups["named"].Value) + ".", source), term);
    }

    private static bool IsUnderstood(Sentence sentence) => QuotableSentence.IsSelfContained(sentence) || QuotableSentence.IsSelfContainedCondition(sentence);

    /// <summary>"this", "such a deep hole", "that wave".</summary>
    private const string WhatWasDescribed = @"this|that|such an? [\p{L}-]+(?: [\p{L}-]+)?|this \p{L}+|that \p{L}+";

    private const string IsCalled = "(?:is called|is known as|is what (?:we|they|people) call)";

    private const string ItIsCalled = "(?:it's|it is|that's|that is|they're|they are) called";

    private const string UpToFourWords = @"[\p{L}'’-]+(?: [\p{L}'’-]+){0,3}";

    [GeneratedRegex($"^(?<before>[^?!]*?, )?(?:{WhatWasDescribed}) {IsCalled} (?<named>(?:an?|the)? ?(?<term>{UpToFourWords}))" + @"(?:,|\.)", RegexOptions.IgnoreCase)]
    private static partial Regex Names();

    /// <summary>"Longshore drift it's called, and …"</summary>
    [GeneratedRegex($"^(?<before>)(?:(?:And|So|Well|Now),? )?(?<named>(?:an?|the)? ?(?<term>{UpToFourWords})),? {ItIsCalled}" + @"(?:,|\.)", RegexOptions.IgnoreCase)]
    private static partial Regex NamesFirst();
}
