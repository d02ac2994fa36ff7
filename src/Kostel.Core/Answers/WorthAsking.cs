using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Facts;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Answers;

/// <summary>Questions that a lecture answers, to begin with: those that the lecturer asks and answers, and what the terms are that come again. Each was asked before it is offered.</summary>
public static class WorthAsking
{
    private const int ShortestQuestion = 4, LongestQuestion = 14, FewestWords = 2, MostCards = 20;

    /// <summary>A term that is said less often is said in passing.</summary>
    private const int SaidOften = 3;

    private static readonly HashSet<string> Asking = ["what", "why", "how", "when", "where", "which", "who", "is", "are", "does", "do", "can", "must"];

    /// <summary>Up to so many questions, of different kinds and from different parts of the lecture.</summary>
    public static IReadOnlyList<string> Of(Transcript transcript, WordKnowledge known, int most)
    {
        var sentences = Sentences.Of(transcript.Passages);
        var finder = new AnswerFinder(transcript, known);
        var own = sentences.Where(StandsAlone).Select(s => (Text: s.Text, s.StartMs, IsOwn: true));
        var stems = sentences.SelectMany(s => AskedWords.All(Tokens.Of(s.Text))).CountBy(w => w.Stem).ToDictionary();
        var terms = CardMaker.Make(transcript, MostCards).Where(c => c.Content is QuestionCard q && IsOfTerm(q.Question, stems)).Select(c => (Text: ((QuestionCard)c.Content).Question, c.Source.StartMs, IsOwn: false));
        var chosen = new List<(string Text, int StartMs, bool IsOwn)>();
        var left = own.Concat(terms).Where(q => Answers(finder, q.Text)).DistinctBy(q => string.Join(' ', Question.Read(q.Text).Words.Select(w => w.Stem).Order(StringComparer.Ordinal))).ToList();
        while (chosen.Count < most && left.Count > 0)
        {
            // Of the kind that was taken least, the one that is farthest from those that were taken.
            var best = left.MaxBy(q => (-chosen.Count(c => Question.Read(c.Text).Wants == Question.Read(q.Text).Wants), chosen.Count == 0 ? 0 : chosen.Min(c => Math.Abs(c.StartMs - q.StartMs))));
            chosen.Add(best);
            left.Remove(best);
        }

        return chosen.OrderBy(q => q.StartMs).Select(q => q.Text).ToList();
    }

    private static bool Answers(AnswerFinder finder, string question)
    {
        var answer = finder.Ask(question);
        return answer.State == AnswerState.Said && !answer.Lines[0].Quote.TrimEnd().EndsWith('?');
    }

    /// <summary>A question of the lecturer that says by itself what it asks.</summary>
    private static bool StandsAlone(Sentence sentence)
    {
        var words = Tokens.Of(sentence.Text);
        return sentence.Text.EndsWith('?') && words.Count is >= ShortestQuestion and <= LongestQuestion && Asking.Contains(words[0]) && QuotableSentence.IsHeardWell(sentence)
            && !words.Any(w => w is "it" or "this" or "that" or "these" or "those" or "they" or "them" or "he" or "she" or "i" or "here" or "there" or "everybody" or "anybody")
            && AskedWords.Of(words).Count(w => !w.IsPlain) >= FewestWords;
    }

    private static bool IsOfTerm(string question, Dictionary<string, int> stems) =>
        question.StartsWith("What ", StringComparison.Ordinal) && !Tokens.Of(question).Any(w => w is "at" or "in" or "on" or "by" or "from" or "to" || NumberWords.IsNumber(w)) && Question.Read(question) is { Wants: Wanted.Definition } asked && asked.Words.All(w => !w.IsPlain && stems.GetValueOrDefault(w.Stem) >= SaidOften);
}
