using Kostel.Core.Answers.Written;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Written;

/// <summary>A piece of a lecture that is sent to a model at a time.</summary>
/// <param name="Heading">Its chapter's; empty for none.</param>
/// <param name="Passages">Numbered from 1.</param>
/// <param name="Words">How many there are.</param>
/// <param name="Said">The sentences of each passage.</param>
public sealed record WritingPart(string Heading, IReadOnlyList<GivenPassage> Passages, int Words, IReadOnlyList<IReadOnlyList<Sentence>> Said)
{
    /// <summary>A passage is a few sentences, so that a time leads near what is borne out; a part fits what small models can hold.</summary>
    private const int WordsOfPassage = 60, WordsOfPart = 1_400;

    /// <summary>The parts of a lecture: its chapters, long ones divided. Sentences that speak to a model are kept out.</summary>
    /// <param name="transcript">The lecture.</param>
    /// <param name="isWanted">Of which places; null for all.</param>
    public static IReadOnlyList<WritingPart> Of(Transcript transcript, Func<Evidence, bool>? isWanted = null)
    {
        var sentences = Sentences.Of(transcript.Passages).Where(s => isWanted?.Invoke(Evidence.Of(s)) != false).ToList();
        var chapters = transcript.Chapters.Count > 0 ? transcript.Chapters : [new Chapter("", 0, int.MaxValue)];
        return chapters.SelectMany((chapter, i) => Divided(
            chapter.Title,
            sentences.FindAll(s => (s.StartMs >= chapter.StartMs || i == 0) && (s.StartMs < chapter.EndMs || i == chapters.Count - 1)))).ToList();
    }

    private static IEnumerable<WritingPart> Divided(string heading, List<Sentence> sentences)
    {
        var passages = PassageGuard.Runs(sentences).SelectMany(Together).ToList();
        while (passages.Count > 0)
        {
            var (words, taken) = (0, new List<IReadOnlyList<Sentence>>());
            foreach (var passage in passages.TakeWhile(p => taken.Count == 0 || words + Count(p) <= WordsOfPart))
            {
                words += Count(passage);
                taken.Add(passage);
            }

            passages.RemoveRange(0, taken.Count);
            yield return new WritingPart(heading, taken.Select((p, i) => new GivenPassage(i + 1, Evidence.Of(p), null)).ToList(), words, taken);
        }
    }

    private static IEnumerable<IReadOnlyList<Sentence>> Together(IReadOnlyList<Sentence> run)
    {
        var passage = new List<Sentence>();
        foreach (var sentence in run)
        {
            if (passage.Count > 0 && Count(passage) + sentence.Words.Count > WordsOfPassage)
            {
                yield return passage;
                passage = [];
            }

            passage.Add(sentence);
        }

        if (passage.Count > 0)
        {
            yield return passage;
        }
    }

    private static int Count(IReadOnlyList<Sentence> sentences) => sentences.Sum(s => s.Words.Count);
}
