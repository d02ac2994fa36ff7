using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Facts;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Quizzes;

/// <summary>Questions for terms and their meanings.</summary>
internal static class TermQuestions
{
    private const int Wrong = 3, LeastWrong = 2, LongestShort = 4;
    private const double Worth = 1;

    /// <summary>Which term has this meaning? The other choices are terms that the lecture defines, or speaks of, as well.</summary>
    public static QuestionDraft? OfMeaning(Definition definition, IReadOnlyList<Definition> all, IReadOnlyList<string> spoken, Random random)
    {
        var stems = Tokens.ContentStems(definition.Term).ToHashSet();
        var meaning = Tokens.ContentStems(definition.Meaning).ToHashSet();
        var others = all
            .Where(d => d.Term != definition.Term && d.IsPlural == definition.IsPlural && !Tokens.ContentStems(d.Term).All(stems.Contains))
            .OrderBy(d => Math.Abs(d.Term.Length - definition.Term.Length))
            .ThenByDescending(d => Tokens.ContentStems(d.Meaning).Count(meaning.Contains))
            .Take(Wrong)
            .Select(d => d.Term)
            .Concat(spoken.Where(t => !Tokens.ContentStems(t).Any(stems.Contains) && !Tokens.ContentStems(t).Any(meaning.Contains)))
            .Take(Wrong)
            .Select(WordForms.Capital)
            .ToList();
        var givesItselfAway = stems.Count > 0 && stems.All(meaning.Contains);
        return others.Count < LeastWrong || givesItselfAway
            ? null
            : Choice($"What {(definition.IsPlural ? "are" : "is")} {definition.Meaning} called?", WordForms.Capital(definition.Term), others, Evidence.Of(definition.Sentence), random);
    }

    /// <summary>What is this term? The other choices are what the lecture says of other terms, of like length.</summary>
    public static QuestionDraft? OfTerm(Definition definition, IReadOnlyList<Definition> all, Random random)
    {
        var stems = Tokens.ContentStems(definition.Term).ToHashSet();
        var others = all.Where(d => d.Term != definition.Term && d.IsPlural == definition.IsPlural && !Tokens.ContentStems(d.Meaning).Any(stems.Contains) && d.Meaning.Length < 2 * definition.Meaning.Length && definition.Meaning.Length < 2 * d.Meaning.Length)
            .OrderBy(d => Math.Abs(d.Meaning.Length - definition.Meaning.Length)).Take(Wrong).Select(d => WordForms.Capital(d.Meaning)).ToList();
        return others.Count < LeastWrong || Tokens.ContentStems(definition.Meaning).Any(stems.Contains)
            ? null
            : Choice($"What {(definition.IsPlural ? "are" : "is")} {definition.Named}?", WordForms.Capital(definition.Meaning), others, Evidence.Of(definition.Sentence), random);
    }

    /// <summary>A card's question that a few words answer.</summary>
    public static QuestionDraft? OfCard(CardDraft card) => card.Content is QuestionCard asks && asks.Answer.Split(' ').Length <= LongestShort && !asks.Answer.Contains(',') && asks.Question.EndsWith('?') && !asks.Question.EndsWith(Reason.Asking, StringComparison.Ordinal)
        ? new QuestionDraft(Tokens.Of(asks.Answer).Any(NumberWords.IsNumber) ? new NumberQuestion(asks.Question, asks.Answer.TrimEnd('.'), IsRough: false) : new ShortQuestion(asks.Question, asks.Answer.TrimEnd('.')), card.Source) { Worth = Worth }
        : null;

    private static QuestionDraft Choice(string stem, string key, List<string> others, Evidence source, Random random) => new(ChoiceQuestion.Shuffled(stem, key, others, random), source) { Worth = Worth };
}
