using Kostel.Core.Text;

namespace Kostel.Core.Study.Facts;

/// <summary>Phrases by their first words, so that those that can stand in a sentence are found without looking at all.</summary>
internal sealed class PhraseIndex(IEnumerable<KeyValuePair<string, PhraseUse>> phrases)
{
    private readonly ILookup<string, KeyValuePair<string, PhraseUse>> byFirst = phrases.ToLookup(p => First(p.Key));

    /// <summary>Those whose first word stands in a text of small letters.</summary>
    public IEnumerable<KeyValuePair<string, PhraseUse>> WithFirstWordIn(string lower) => Tokens.Of(lower).Distinct().SelectMany(w => byFirst[w]);

    private static string First(string phrase) => Tokens.Of(phrase) is [var first, ..] ? first : "";
}
