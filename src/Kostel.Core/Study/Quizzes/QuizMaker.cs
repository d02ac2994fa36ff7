using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Facts;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Quizzes;

/// <summary>A question that could be made of one place of a lecture.</summary>
public sealed record QuestionDraft(ChoiceQuestion Content, Evidence Source);

/// <summary>Makes choice questions whose wrong choices come from the same lecture: its other terms, its other numbers of the same unit.</summary>
/// <remarks>T. Haladyna, S. Downing and M. Rodriguez, "A review of multiple-choice item-writing guidelines", 2002.</remarks>
public static class QuizMaker
{
    private const int Distractors = 3, LeastDistractors = 2;

    /// <summary>Up to <paramref name="count"/> questions in the order of the lecture. The same lecture, seed and earlier questions give the same quiz.</summary>
    /// <param name="transcript">The lecture.</param>
    /// <param name="count">How many are wanted.</param>
    /// <param name="seed">Decides the order of choices.</param>
    /// <param name="asked">Where earlier quizzes asked; what was not asked yet, or less often, comes first.</param>
    public static IReadOnlyList<QuestionDraft> Make(Transcript transcript, int count = 6, int seed = 1, IReadOnlyList<Evidence>? asked = null)
    {
        if (!StudyLanguages.MakesCards(transcript.Language))
        {
            return [];
        }

        var sentences = ConfirmedWords.Settle(Sentences.Of(transcript.Passages));
        var importance = new Importance(sentences);
        var heard = sentences.Where(QuotableSentence.IsHeardWell).ToList();
        var definitions = sentences.SelectMany(s => Clauses.Of(s).Prepend(s)).Where(QuotableSentence.IsHeardWell).Select(Definitions.Find).OfType<Definition>().DistinctBy(d => d.Term).ToList();
        var random = new Random(seed);
        var spoken = OtherTerms(heard, definitions);
        var questions = definitions.Select(d => Ask(d, definitions, spoken, random))
            .Concat(heard.Where(QuotableSentence.IsSelfContained).Select(s => AskQuantity(s, heard, random)))
            .OfType<QuestionDraft>()
            .ToList();
        return questions
            .OrderBy(q => (asked ?? []).Count(q.Source.IsSamePlace))
            .ThenByDescending(q => importance.Of(sentences.Last(s => s.StartMs <= q.Source.StartMs)))
            .DistinctBy(q => q.Source.StartMs)
            .Take(count)
            .OrderBy(q => q.Source.StartMs)
            .ToList();
    }

    /// <summary>Which term has this meaning? The other choices are terms that the lecture defines as well.</summary>
    private static QuestionDraft? Ask(Definition definition, List<Definition> all, List<string> spoken, Random random)
    {
        var stems = Tokens.ContentStems(definition.Term).ToHashSet();
        var meaning = Tokens.ContentStems(definition.Meaning).ToHashSet();
        var others = all
            .Where(d => d.Term != definition.Term && d.IsPlural == definition.IsPlural && !Tokens.ContentStems(d.Term).All(stems.Contains))
            .OrderBy(d => Math.Abs(d.Term.Length - definition.Term.Length))
            .ThenByDescending(d => Tokens.ContentStems(d.Meaning).Count(meaning.Contains))
            .Take(Distractors)
            .Select(d => d.Term)
            .Concat(spoken.Where(t => !Tokens.ContentStems(t).Any(stems.Contains) && !Tokens.ContentStems(t).Any(meaning.Contains)))
            .Take(Distractors)
            .Select(WordForms.Capital)
            .ToList();
        var givesItselfAway = stems.Count > 0 && stems.All(meaning.Contains);
        return others.Count < LeastDistractors || givesItselfAway
            ? null
            : Shuffle($"What {(definition.IsPlural ? "are" : "is")} {definition.Meaning} called?", WordForms.Capital(definition.Term), others, Evidence.Of(definition.Sentence), random);
    }

    /// <summary>Phrases that the lecture says often without defining them, for a lecture that defines little.</summary>
    private static List<string> OtherTerms(List<Sentence> sentences, List<Definition> definitions)
    {
        var defined = definitions.SelectMany(d => Tokens.ContentStems(d.Term)).ToHashSet();
        return KeyPhrases.Count(sentences)
            .Where(p => p.Value is { Count: >= 2, IsDefined: false } && !Tokens.ContentStems(p.Key).All(defined.Contains))
            .OrderByDescending(p => p.Value.Count * p.Key.Split(' ').Length)
            .ThenBy(p => p.Key, StringComparer.Ordinal)
            .Select(p => p.Key)
            .Take(12)
            .ToList();
    }

    /// <summary>Which number belongs in the gap? The other choices are numbers of the same unit that the lecture says elsewhere.</summary>
    private static QuestionDraft? AskQuantity(Sentence sentence, List<Sentence> all, Random random)
    {
        var card = StatementCards.Of(sentence).Select(c => c.Card).Select(c => c.Content).OfType<GapCard>().FirstOrDefault();
        var key = Quantities.Find(sentence).LastOrDefault();
        if (card is null || key is null)
        {
            return null;
        }

        var inSentence = Quantities.Find(sentence).Select(q => q.Value).ToHashSet();
        var others = all.SelectMany(Quantities.Find)
            .Where(q => q.Unit == key.Unit && !inSentence.Contains(q.Value) && q.Text.Split(' ').Length <= key.WordCount + 2)
            .DistinctBy(q => q.Value)
            .OrderBy(q => Math.Abs(Math.Log((q.Value + 0.1) / (key.Value + 0.1))))
            .Take(Distractors)
            .Select(q => WordForms.Capital(q.Text))
            .ToList();
        return others.Count < LeastDistractors
            ? null
            : Shuffle($"What belongs in the gap? {card.Statement}", card.Missing.TrimEnd('.'), others, Evidence.Of(sentence), random);
    }

    private static QuestionDraft Shuffle(string stem, string key, List<string> others, Evidence source, Random random)
    {
        var choices = others.Append(key).ToArray();
        random.Shuffle(choices);
        return new QuestionDraft(new ChoiceQuestion(stem, choices, Array.IndexOf(choices, key)), source);
    }
}
