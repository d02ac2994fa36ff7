namespace Kostel.Core.Chapters;

/// <summary>How long chapters are.</summary>
internal static class ChapterLengths
{
    /// <summary>What the weights of lengths are of: that there is one more chapter, and what is counted of it.</summary>
    public static readonly IReadOnlyList<string> Names = ["a chapter", "longer", "shorter", "shorter at an edge", "square"];

    /// <summary>Three to ten minutes in an hour (common practice, no source), less in a short lecture.</summary>
    public static (int ShortestMs, double ExpectedMs, int LongestMs) Of(int durationMs)
    {
        const int LeastMs = 30_000, ShortestInAnHourMs = 180_000, LongestMs = 600_000, Hour = 3_600_000;
        const double InAnHour = 13, Growth = 0.3, ShortestOfExpected = 0.4;
        var hours = Math.Max(durationMs, 1) / (double)Hour;
        var expected = durationMs / Math.Max(1, InAnHour * Math.Pow(hours, Growth));
        expected = Math.Clamp(expected, LeastMs, LongestMs * 0.7);
        return ((int)Math.Clamp(expected * ShortestOfExpected, LeastMs, ShortestInAnHourMs), expected, (int)Math.Clamp(expected * 4, LeastMs * 5, LongestMs));
    }

    /// <summary>What is counted of a chapter's length, against what is expected; a first and a last one may be shorter.</summary>
    public static (double Longer, double Shorter, double ShorterAtEdge, double Square) Of(double length, double expected, bool isEdge)
    {
        var off = Math.Log(Math.Max(1, length) / expected);
        var shorter = Math.Max(0, -off);
        return (Math.Max(0, off), isEdge ? 0 : shorter, isEdge ? shorter : 0, isEdge ? 0 : off * off);
    }
}
