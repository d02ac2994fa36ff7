using Kostel.Core.Study.Facts;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Cards;

/// <summary>
/// Cards of sentences that are worth knowing and have no form that a question could be made of: the sentence without its number, or without the phrase that the lecture
/// speaks of. Where it does not stand alone the chapter's title says what it is about.
/// </summary>
internal sealed class FactCards
{
    private const int Shortest = 6, Longest = 30, OftenEnough = 2, Often = 4, MostQuantities = 2, LeastLeft = 3;

    /// <summary>A sentence that is less likely to be worth knowing makes no card.</summary>
    private const double LeastWorth = 0.35;

    private static readonly HashSet<string> PointsAway =
        ["this", "these", "those", "he", "she", "his", "her", "i", "my", "me", "i'm", "i've", "i'll", "tonight", "today", "yesterday", "tomorrow", "here", "example", "above", "mine", "somebody", "someone"];

    private static readonly HashSet<string> PointingOpeners = ["it", "they", "that", "such", "them", "there", "its", "their", "then", "so", "also", "it's", "that's", "what", "who", "why", "how", "which", "one", "both", "another"];

    /// <summary>Behind these a phrase is a thing and neither a verb nor a quality.</summary>
    private static readonly HashSet<string> BeforeThings = ["a", "an", "the", "of", "in", "with", "on", "from", "by", "for", "each", "every", "into", "without", "between"];

    private readonly bool[] isOfCourse;
    private readonly IReadOnlyList<Sentence> sentences;
    private readonly IReadOnlyList<Chapter> chapters;
    private readonly Dictionary<string, PhraseUse> phrases;

    public FactCards(IReadOnlyList<Sentence> sentences, IReadOnlyList<Chapter> chapters)
    {
        (this.sentences, this.chapters, phrases) = (sentences, chapters, KeyPhrases.Count(sentences));
        Worth = FactWorth.Of(sentences, chapters);
        var ofCourse = FactFeatures.Names.ToList().IndexOf("of the course");
        isOfCourse = Array.ConvertAll(FactFeatures.Of(sentences, chapters), f => f[ofCourse] > 0);
    }

    /// <summary>How likely each sentence is worth knowing.</summary>
    public double[] Worth { get; }

    /// <summary>The card of a sentence, or null.</summary>
    public CardDraft? Of(int at)
    {
        var sentence = sentences[at];
        if (Worth[at] < LeastWorth || isOfCourse[at] || !IsUnderstood(sentence) || (WithoutNumber(sentence) ?? WithoutPhrase(sentence)) is not var (statement, missing))
        {
            return null;
        }

        var title = chapters.LastOrDefault(c => c.StartMs <= sentence.StartMs)?.Title;
        var front = QuotableSentence.IsSelfContained(sentence) || string.IsNullOrEmpty(title) ? statement : $"{title}: {WordForms.Capital(statement)}";
        return new CardDraft(new GapCard(front, WordForms.Capital(missing) + "."), Evidence.Of(sentence));
    }

    private static bool IsUnderstood(Sentence sentence)
    {
        var words = Tokens.Of(QuotableSentence.Untied(sentence.Text));
        return words.Count is >= Shortest and <= Longest && sentence.Text.EndsWith('.') && QuotableSentence.IsHeardWell(sentence) && !QuotableSentence.BreaksOff(words)
            && !words.Any(PointsAway.Contains) && !PointingOpeners.Contains(words[0]) && !words.Take(3).Any(w => w is "it" or "they" or "them");
    }

    private static (string Statement, string Missing)? WithoutNumber(Sentence sentence)
    {
        var quantities = Quantities.Find(sentence).ToList();
        if (quantities.Count is 0 or > MostQuantities || !quantities.TrueForAll(StatementCards.IsSure))
        {
            return null;
        }

        var asked = quantities[^1];
        var words = sentence.Words.Select(w => w.Text).ToList();
        if (asked.FirstWord > 0 && Tokens.Of(words[asked.FirstWord - 1]).Any(w => w == "and" || NumberWords.IsNumber(w)))
        {
            // "A hundred and twenty" was read as two numbers.
            return null;
        }

        var last = words[asked.FirstWord + asked.WordCount - 1];
        var mark = last[^1] is '.' or ',' or ';' ? last[^1].ToString() : "";
        words.RemoveRange(asked.FirstWord, asked.WordCount);
        words.Insert(asked.FirstWord, CardContent.Gap + mark);
        var left = string.Join(' ', words);
        return Tokens.ContentStems(left).Distinct().Count() < LeastLeft ? null : (QuotableSentence.Untied(left), asked.Text);
    }

    private static bool IsThing(string text, string phrase) =>
        !Tokens.Of(phrase).Any(w => w is "one" or "ones" or "thing" or "things" or "lot" or "answer" or "question" or "low" or "high" or "good" or "way" or "time") && Tokens.Of(text[..text.IndexOf(phrase, StringComparison.Ordinal)]).LastOrDefault() is { } before && BeforeThings.Contains(before);

    private (string Statement, string Missing)? WithoutPhrase(Sentence sentence)
    {
        var text = QuotableSentence.Untied(sentence.Text);
        var lower = text.ToLowerInvariant();
        var phrase = phrases.Where(p => (p.Value.IsDefined || p.Value.Count >= (p.Key.Contains(' ') ? OftenEnough : Often)) && GapCards.IsOnceIn(lower, p.Key) && IsThing(lower, p.Key))
            .OrderByDescending(p => p.Value.IsDefined).ThenByDescending(p => p.Key.Count(char.IsWhiteSpace)).ThenByDescending(p => p.Value.Count).Select(p => p.Key).FirstOrDefault();
        if (phrase is null)
        {
            return null;
        }

        var at = lower.IndexOf(phrase, StringComparison.Ordinal);
        var left = text[..at] + CardContent.Gap + text[(at + phrase.Length)..];
        return Tokens.ContentStems(left).Distinct().Count() < LeastLeft ? null : (left, phrase);
    }
}
