using Kostel.Core.Transcripts;

namespace Kostel.Core.Chapters;

/// <summary>Chapters that came with a recording: who made them knew the lecture.</summary>
public static class BroughtChapters
{
    /// <summary>A transcript divided as its recording says; as it is where that says nothing.</summary>
    public static Transcript Into(Transcript transcript, IReadOnlyList<ChapterMark>? chapters)
    {
        var inside = (chapters ?? []).Where(c => c.StartMs < transcript.DurationMs).ToList();
        return inside.Count == 0 ? transcript : transcript with { Chapters = ChapterTiles.Of(inside.ConvertAll(c => (c.Title, c.StartMs)), transcript.DurationMs) };
    }
}
