using System.Globalization;
using System.Text.Json.Serialization;

namespace Kostel.Core.Transcripts;

/// <summary>What everything that is made from a lecture rests on: words of it, and where they are said.</summary>
/// <param name="PassageId">The passage that holds the first of them.</param>
/// <param name="StartMs">Where to begin listening.</param>
/// <param name="EndMs">Where they end.</param>
/// <param name="Quote">The words, unchanged.</param>
/// <param name="LectureId">Which lecture; null where it goes without saying, as in what is worked out from a transcript alone.</param>
public sealed record Evidence(string PassageId, int StartMs, int EndMs, string Quote, string? LectureId = null)
{
    /// <summary>A sentence as evidence.</summary>
    public static Evidence Of(Sentence sentence) => new(sentence.PassageId, sentence.StartMs, sentence.EndMs, sentence.Text);

    /// <summary>Sentences that follow each other as evidence; at least one.</summary>
    public static Evidence Of(IReadOnlyList<Sentence> run) => new(run[0].PassageId, run[0].StartMs, run[^1].EndMs, string.Join(' ', run.Select(s => s.Text)));

    /// <summary>The whole sentences of which something is said in a stretch.</summary>
    /// <exception cref="Problems.NotValidException">Nothing is said there.</exception>
    public static Evidence Between(Transcript transcript, int startMs, int endMs) =>
        Sentences.Of(transcript.Passages).Where(s => s.EndMs > startMs && s.StartMs < endMs).ToList() is { Count: > 0 } run ? Of(run) : throw new Problems.NotValidException("Nothing is said there.");

    /// <summary>What is said at a time, or was said last before it; where there is nothing, the place alone, of which nothing is quoted.</summary>
    public static Evidence At(IEnumerable<Sentence> sentences, int ms) => sentences.LastOrDefault(s => s.StartMs <= ms) is { } said ? Of(said) : new Evidence("", ms, ms, "");

    /// <summary>Names the place in its lecture, whatever is said of it.</summary>
    [JsonIgnore]
    public string Key => string.Create(CultureInfo.InvariantCulture, $"{StartMs}-{EndMs}");

    /// <summary>The same as evidence of a lecture.</summary>
    public Evidence In(string? lectureId) => this with { LectureId = lectureId };

    /// <summary>Whether this is in the main the same place of the lecture as another: more than half of what the two cover together is covered by both.
    /// A new transcription, or a correction, moves borders a little; what is said there stays.</summary>
    public bool IsSamePlace(Evidence other) =>
        2 * (Math.Min(EndMs, other.EndMs) - Math.Max(StartMs, other.StartMs)) > Math.Max(EndMs, other.EndMs) - Math.Min(StartMs, other.StartMs);
}
