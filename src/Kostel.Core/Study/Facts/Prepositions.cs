namespace Kostel.Core.Study.Facts;

/// <summary>Words with which a phrase of place, time or manner begins.</summary>
internal static class Prepositions
{
    private static readonly HashSet<string> All = ["from", "in", "at", "on", "with", "by", "for", "to", "of", "after", "before", "under", "over", "without", "between", "beyond", "inside", "outside", "near", "like", "as", "during", "behind", "above", "below", "through", "since", "until", "against", "among"];

    /// <summary>Whether a word in small letters is one of them: what it begins is no subject.</summary>
    public static bool Leads(string word) => All.Contains(word);
}
