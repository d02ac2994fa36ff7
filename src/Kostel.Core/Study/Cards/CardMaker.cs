using Kostel.Core.Study.Facts;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Cards;

/// <summary>A question and its answer, both from one place of a lecture.</summary>
/// <param name="Front">What is asked; understandable without the lecture.</param>
/// <param name="Back">What to recall.</param>
public sealed record CardDraft(string Front, string Back, SourceSpan Source);

/// <summary>Makes cards of what a lecture defines, names, measures and explains. A card asks one thing.</summary>
public static class CardMaker
{
    /// <summary>The best cards, spread over the chapters, in the order of the lecture.</summary>
    /// <param name="transcript">The lecture.</param>
    /// <param name="count">How many are wanted; fewer come when the lecture has no more that is worth a card.</param>
    public static IReadOnlyList<CardDraft> Make(Transcript transcript, int count = 10)
    {
        var sentences = Sentences.Of(transcript.Passages);
        var importance = new Importance(sentences);
        var candidates = sentences
            .SelectMany((s, i) => Candidates(s, importance, transcript))
            .OrderByDescending(c => c.Score)
            .ToList();
        var chosen = new List<Candidate>();
        var perChapter = Math.Max(2, (int)Math.Ceiling(count * 1.6 / Math.Max(1, transcript.Chapters.Count)));
        foreach (var limit in new[] { perChapter, int.MaxValue })
        {
            foreach (var c in candidates)
            {
                if (chosen.Count < count && chosen.Count(x => x.Chapter == c.Chapter) < limit && !chosen.Any(x => Overlaps(x, c)))
                {
                    chosen.Add(c);
                }
            }
        }

        return chosen.OrderBy(c => c.Card.Source.StartMs).Select(c => c.Card).ToList();
    }

    private static IEnumerable<Candidate> Candidates(Sentence sentence, Importance importance, Transcript transcript)
    {
        if (!Standing.IsHeardWell(sentence))
        {
            yield break;
        }

        var chapter = Chapter(transcript, sentence);
        var score = importance.Of(sentence);
        if (Definitions.Find(sentence) is { } definition && Fits(definition))
        {
            yield return new Candidate(OfDefinition(definition), chapter, score + 1.5, definition.Term);
        }
        else if (Standing.IsSelfContainedCondition(sentence) && StatementCards.OfCondition(sentence) is { } condition)
        {
            yield return new Candidate(condition, chapter, score + 0.5, null);
        }
        else if (Standing.IsSelfContained(sentence))
        {
            foreach (var (card, worth) in StatementCards.Of(sentence))
            {
                yield return new Candidate(card, chapter, score + worth, null);
            }
        }
    }

    private static bool Fits(Definition definition)
    {
        var words = Tokens.Of(definition.Meaning);
        return words.Count is >= 4 and <= 26
            && !words.Any(w => w is "this" or "these" or "those" or "here" or "we" or "our" or "i" or "my" or "it" && words[0] == "it" || w is "tonight" or "example");
    }

    private static CardDraft OfDefinition(Definition definition)
    {
        var source = SourceSpan.Of(definition.Sentence);
        var verb = definition.IsPlural ? "are" : "is";
        return definition.TermIsAnswer
            ? new CardDraft($"What {verb} {definition.Meaning} called?", $"{WordForms.Capital(definition.Named)}.", source)
            : new CardDraft($"What {verb} {definition.Named}?", $"{WordForms.Capital(definition.Meaning)}.", source);
    }

    private static bool Overlaps(Candidate a, Candidate b)
    {
        if (a.Card.Source.StartMs == b.Card.Source.StartMs || (a.Term is not null && a.Term == b.Term))
        {
            return true;
        }

        var x = Tokens.ContentStems(a.Card.Source.Quote).ToHashSet();
        var y = Tokens.ContentStems(b.Card.Source.Quote).ToHashSet();
        return x.Intersect(y).Count() >= 0.7 * Math.Min(x.Count, y.Count);
    }

    private static int Chapter(Transcript transcript, Sentence sentence) =>
        transcript.Chapters.TakeWhile(c => c.EndMs <= sentence.StartMs).Count();

    private sealed record Candidate(CardDraft Card, int Chapter, double Score, string? Term);
}
