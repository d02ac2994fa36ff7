using Kostel.Core.Study.Facts;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Cards;

/// <summary>Where a lecture has too little that can be asked about: a statement without the phrase that the lecture is about.</summary>
internal sealed class GapCards(IReadOnlyList<Sentence> sentences)
{
    private const int OftenEnough = 3, Shortest = 7, Longest = 22;
    private readonly PhraseIndex phrases = new(KeyPhrases.Count(sentences).Where(p => p.Value.Count >= OftenEnough && (p.Value.IsDefined || p.Key.Contains(' '))));

    /// <summary>The card of a sentence, or null.</summary>
    public CardDraft? Of(Sentence sentence)
    {
        if (sentence.Words.Count is < Shortest or > Longest || !QuotableSentence.IsSelfContained(sentence)
            || !Quantities.Find(sentence).All(StatementCards.IsSure))
        {
            return null;
        }

        var text = QuotableSentence.Untied(sentence.Text);
        var lower = text.ToLowerInvariant();
        var phrase = phrases.WithFirstWordIn(lower)
            .Where(p => IsOnceIn(lower, p.Key) && !Tokens.Of(p.Key).Any(NumberWords.IsNumber))
            .OrderByDescending(p => p.Value.IsDefined)
            .ThenByDescending(p => p.Key.Length)
            .Select(p => p.Key)
            .FirstOrDefault();
        if (phrase is null)
        {
            return null;
        }

        var at = lower.IndexOf(phrase, StringComparison.Ordinal);
        return new CardDraft(
            new GapCard(text[..at] + CardContent.Gap + text[(at + phrase.Length)..], WordForms.Capital(phrase) + "."), Evidence.Of(sentence));
    }

    /// <summary>Whether a phrase stands in a text once, as words of its own.</summary>
    public static bool IsOnceIn(string text, string phrase)
    {
        var at = text.IndexOf(phrase, StringComparison.Ordinal);
        return at >= 0
            && text.IndexOf(phrase, at + 1, StringComparison.Ordinal) < 0
            && (at == 0 || !char.IsLetter(text[at - 1]))
            && (at + phrase.Length == text.Length || !char.IsLetter(text[at + phrase.Length]));
    }
}
