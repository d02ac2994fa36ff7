namespace Kostel.Core.Transcripts;

/// <summary>Chapters of titles and starts.</summary>
public static class ChapterTiles
{
    /// <summary>The first begins with the lecture; each ends where the next begins, the last with the lecture. Starts are in order, in milliseconds.</summary>
    public static IReadOnlyList<Chapter> Of(IReadOnlyList<(string Title, int StartMs)> starts, int durationMs) =>
        starts.Select((c, i) => new Chapter(c.Title, i == 0 ? 0 : c.StartMs, i + 1 < starts.Count ? starts[i + 1].StartMs : durationMs)).ToList();
}
