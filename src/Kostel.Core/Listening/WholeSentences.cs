using Kostel.Core.Transcripts;

namespace Kostel.Core.Listening;

/// <summary>Makes stretches fit to be listened to: no sentence is cut, and small gaps are bridged.</summary>
public static class WholeSentences
{
    /// <summary>A shorter gap is not worth a jump; a little is left before the first word and after the last (judgements).</summary>
    private const int NearMs = 4_000, BeforeMs = 120, AfterMs = 250;

    /// <summary>The stretches in order, each from the beginning of a sentence to the end of one. A stretch without words stays as it is.</summary>
    /// <param name="stretches">In any order; parts outside the lecture are cut off.</param>
    public static IReadOnlyList<Stretch> Around(IEnumerable<Stretch> stretches, Transcript transcript)
    {
        var sentences = Sentences.Of(transcript.Passages);
        var whole = stretches
            .Select(s => new Stretch(Math.Clamp(s.StartMs, 0, transcript.DurationMs), Math.Clamp(s.EndMs, 0, transcript.DurationMs)))
            .Where(s => s.LengthMs > 0)
            .Select(s => Around(s, sentences, transcript.DurationMs));
        return Stretch.Union(whole, NearMs);
    }

    private static Stretch Around(Stretch stretch, IReadOnlyList<Sentence> sentences, int durationMs)
    {
        // A sentence that is only touched at its edge is not meant.
        var meant = sentences.Where(s => Math.Min(s.EndMs, stretch.EndMs) - Math.Max(s.StartMs, stretch.StartMs) > Math.Min(AfterMs, s.EndMs - s.StartMs - 1)).ToList();
        return meant.Count == 0
            ? stretch
            : new Stretch(
                Math.Max(0, Math.Min(stretch.StartMs, meant[0].StartMs - BeforeMs)),
                Math.Min(durationMs, Math.Max(stretch.EndMs, meant[^1].EndMs + AfterMs)));
    }
}
