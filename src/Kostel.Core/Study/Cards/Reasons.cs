using System.Text.RegularExpressions;
using Kostel.Core.Study.Facts;
using Kostel.Core.Study.Statements;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Cards;

/// <summary>Something that a lecture gives a reason for.</summary>
/// <param name="Claim">What is so, a sentence; or a question for it that the lecture asks itself.</param>
/// <param name="Because">Why, a sentence that begins with "Because" where it was said so.</param>
/// <param name="Source">Where both are said.</param>
internal sealed record Reason(string Claim, string Because, Evidence Source)
{
    /// <summary>A card that asks why.</summary>
    public CardDraft Card => CardDraft.Asking(Question, Because, Source);

    /// <summary>The same as a question.</summary>
    public string Question => Claim.EndsWith('?') ? Claim : $"{Claim}{Asking}";

    /// <summary>The end of a question for a reason.</summary>
    public const string Asking = " Why?";
}

/// <summary>
/// Finds what is said with its reason: in one sentence ("C because R.", "R, and that is why C."), or in two ("R. Therefore C.", "C. Why? Because R.").
/// Both have to be understood without the lecture; the reason may point at what it is the reason of. The words are common practice, no source.
/// </summary>
internal static partial class Reasons
{
    private const int Shortest = 4, FewestOfMatter = 2, Longest = 22;

    private static readonly HashSet<string> Calls = ["picture", "imagine", "take", "think", "look", "suppose", "let", "note", "remember", "consider", "write", "say", "try", "see", "they", "it", "we", "use", "please"];

    private static readonly HashSet<string> Away = ["i", "my", "me", "i'm", "i've", "we", "our", "us", "tonight", "today", "here", "he", "she", "his", "her", "everybody", "let's", "please"];

    /// <summary>Those of which a sentence is the last part.</summary>
    /// <param name="sentences">All of the lecture, in order.</param>
    /// <param name="at">The place of the sentence.</param>
    public static Reason? Of(IReadOnlyList<Sentence> sentences, int at)
    {
        var sentence = sentences[at];
        var text = QuotableSentence.Untied(Asides.Without(sentence.Text));
        var before = at > 0 ? sentences[at - 1] : null;
        if (InOne().Match(text) is { Success: true } one)
        {
            return Made(one.Groups["claim"].Value, "Because " + one.Groups["reason"].Value, [sentence]);
        }

        if (Follows().Match(text) is { Success: true } follows)
        {
            return Made(follows.Groups["claim"].Value, follows.Groups["reason"].Value, [sentence], isReasonFirst: true);
        }

        if (before is null)
        {
            return null;
        }

        if (Therefore().Match(Asides.Without(sentence.Text)) is { Success: true } therefore)
        {
            return Made(therefore.Groups["claim"].Value, QuotableSentence.Untied(Asides.Without(before.Text)), [before, sentence], isReasonFirst: true);
        }

        if (TheReason().Match(text) is { Success: true } reason)
        {
            return Made(QuotableSentence.Untied(Asides.Without(before.Text)), "Because " + reason.Groups["reason"].Value, [before, sentence]);
        }

        if (!text.StartsWith("Because ", StringComparison.Ordinal) || !before.Text.EndsWith('?'))
        {
            return null;
        }

        return OnlyWhy().IsMatch(before.Text) ? at > 1 ? Made(Announced(sentences[at - 2]), text, [sentences[at - 2], before, sentence]) : null
            : before.Text.StartsWith("Why ", StringComparison.Ordinal) ? Made(before.Text, text, [before, sentence])
            : null;
    }

    private static Reason? Made(string claim, string because, IReadOnlyList<Sentence> said, bool isReasonFirst = false)
    {
        var (stated, given) = (WordForms.Capital(claim.Trim(' ', ',', ';', '.')) + (claim.EndsWith('?') ? "" : "."), WordForms.Capital(because.Trim(' ', ',', ';', '.')) + ".");
        var (claimed, reason) = (Tokens.Of(stated), Tokens.Of(given));
        var first = isReasonFirst ? reason : claimed;
        var isWhole = (claimed.Count is >= Shortest and <= Longest || (claimed.Count >= FewestOfMatter && Tokens.ContentStems(stated).Count == claimed.Count)) && reason.Count is >= Shortest and <= Longest
            && !Calls.Contains(claimed[0]) && claimed is not [.., "that", _] && !claimed.Concat(reason).Any(Away.Contains) && !Points(claimed) && !(isReasonFirst && Points(reason)) && !first.Take(3).Any(w => w is "this" or "these" or "such" or "that")
            && !QuotableSentence.BreaksOff(claimed) && !QuotableSentence.BreaksOff(reason) && !StandingAlone.IsTalk(stated) && !StandingAlone.IsTalk(given) && !Broken().IsMatch(stated)
            && said.All(QuotableSentence.IsHeardWell) && said.SelectMany(Quantities.Find).All(StatementCards.IsSure);
        return isWhole ? new Reason(stated, given, Evidence.Of(said)) : null;
    }

    /// <summary>A word that stands for something said before; "one of the reasons" and "the one that" do not.</summary>
    private static bool Points(IReadOnlyList<string> words) => words.Any(w => w is "this" or "these" or "those") || words.Take(5).Any(w => w is "it" or "they" or "them" or "its" or "their" or "it's" or "they're") || words[0] is "that" or "there" or "which" or "such" or "what" or "also" or "then" || (words[0] is "you" or "we" && words.Contains("it")) || Unsaid.IsIn(words);

    private static string Announced(Sentence sentence)
    {
        var (from, to) = LeadIns.Around(sentence.Words);
        return Asides.Without(Clauses.Part(sentence, from, to).Text);
    }

    private const string ThatIsWhy = "which is why|that's why|that is why|this is why|this is the reason why|that is the reason why|for this reason|for that reason|therefore|hence|consequently";

    [GeneratedRegex(@"^(?<claim>[^;?:]+?),? because (?!of\b)(?<reason>[^;?]+)\.$")]
    private static partial Regex InOne();

    [GeneratedRegex($@"^(?<reason>[^?]+?)[,;] (?:and |so )?(?:{ThatIsWhy}),? (?<claim>[^;?]+)\.$")]
    private static partial Regex Follows();

    private const string AtTheEnd = "(?:for this reason|for that reason|because of this|because of that)";

    [GeneratedRegex($@"^(?:And |So )?(?:{ThatIsWhy}),? (?<claim>[^;?]+)\.$|^(?<claim>[^;?,]+) {AtTheEnd}\.$", RegexOptions.IgnoreCase)]
    private static partial Regex Therefore();

    [GeneratedRegex(@"^(?:The reason is (?:simple: |that )?|(?:That is|That's|This is) because )(?<reason>[^;?]+)\.$")]
    private static partial Regex TheReason();

    [GeneratedRegex(@"^(?:and |but |so |well,? )*(?:why(?: so| is that|'s that| not)?|how come)\?$", RegexOptions.IgnoreCase)]
    private static partial Regex OnlyWhy();

    /// <summary>"Only", "perhaps" before "because": what is asked would not be the reason.</summary>
    [GeneratedRegex(@"\b(?:only|not|simply|just|partly|and|but|or)\.$", RegexOptions.IgnoreCase)]
    private static partial Regex Broken();
}
