using Kostel.Core.Transcripts;

namespace Kostel.Core.Chapters;

/// <summary>Chapters that came with a recording: who made them knew the lecture.</summary>
public static class BroughtChapters
{
    /// <summary>A transcript divided as its recording says; as it is where that says nothing.</summary>
    /// <param name="finder">Names what came without a title.</param>
    public static Transcript Into(Transcript transcript, IReadOnlyList<ChapterMark>? chapters, ChapterFinder finder)
    {
        var inside = (chapters ?? []).Where(c => c.StartMs < transcript.DurationMs).ToList();
        return inside.Count == 0 ? transcript : transcript with
        {
            Chapters = finder.Named(ChapterTiles.Of(inside.ConvertAll(c => (c.Title, c.StartMs)), transcript.DurationMs), Sentences.Of(transcript.Passages), transcript.Language),
        };
    }
}
