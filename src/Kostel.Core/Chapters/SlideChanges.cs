namespace Kostel.Core.Chapters;

/// <summary>A moving picture at one moment, small and grey: a byte for each point, row by row, all pictures of one size.</summary>
public sealed record GreyPicture(int AtMs, byte[] Points);

/// <summary>Finds in a lecture's picture when another slide, or another scene, takes the place of the one before.</summary>
public static class SlideChanges
{
    /// <summary>A point of which the grey moves by more than this has changed (of 255).</summary>
    private const int OtherGrey = 12;

    /// <summary>So much of what stands on a slide, before or after, changes with it; a line that is added is less.</summary>
    private const double OtherSlide = 0.3;

    /// <summary>And so much of the whole picture; a pointer that moves is less.</summary>
    private const double LeastChange = 0.015;

    /// <summary>A step that changes less than this may show what never rests: a person in the corner, a running clock.</summary>
    private const double CalmStep = 0.35;

    /// <summary>A point that changes in so many of the calm steps is restless and says nothing.</summary>
    private const double Restless = 0.2;

    /// <summary>Of fewer calm steps nothing is known.</summary>
    private const int FewestCalm = 5;

    /// <summary>Where so little of a picture is at rest it shows no slides.</summary>
    private const double LeastAtRest = 0.3;

    /// <summary>A slide that builds itself up, or a fade, is one change.</summary>
    private const int OneChangeMs = 2_500;

    /// <summary>A picture that changes more often than this, on average, is a film and not slides.</summary>
    private const int ShortestMeanMs = 8_000;

    /// <summary>When another slide begins, in order of time; none in a picture that moves all the time.</summary>
    /// <param name="pictures">In order of time.</param>
    public static IReadOnlyList<int> In(IReadOnlyList<GreyPicture> pictures) => Steps(pictures).Select(s => s.AtMs).ToList();

    /// <summary>The same with the moment of the last picture before each change: it lies between the two.</summary>
    public static IReadOnlyList<(int BeforeMs, int AtMs)> Steps(IReadOnlyList<GreyPicture> pictures)
    {
        if (pictures.Count < 2)
        {
            return [];
        }

        var counts = AtRest(pictures);
        var resting = counts.Count(c => c);
        if (resting < LeastAtRest * counts.Length)
        {
            return [];
        }

        var found = new List<(int BeforeMs, int AtMs)>();
        for (var i = 1; i < pictures.Count; i++)
        {
            var (before, after) = (pictures[i - 1].Points, pictures[i].Points);
            var changed = Changed(before, after, counts);
            if (changed < LeastChange * resting || changed < OtherSlide * Drawn(before, after, counts))
            {
                continue;
            }

            if (found.Count == 0 || pictures[i].AtMs - found[^1].AtMs > OneChangeMs)
            {
                found.Add((pictures[i - 1].AtMs, pictures[i].AtMs));
            }
        }

        var length = pictures[^1].AtMs - pictures[0].AtMs;
        return (long)found.Count * ShortestMeanMs > length ? [] : found;
    }

    /// <summary>Where the greatest change lies: the moment of the first picture after it.</summary>
    public static int Greatest(IReadOnlyList<GreyPicture> pictures) =>
        Enumerable.Range(1, pictures.Count - 1).Select(i => (pictures[i].AtMs, Changed: Changed(pictures[i - 1].Points, pictures[i].Points, null))).MaxBy(c => c.Changed).AtMs;

    /// <summary>For each point whether it rests while the picture as a whole does.</summary>
    private static bool[] AtRest(IReadOnlyList<GreyPicture> pictures)
    {
        var points = pictures[0].Points.Length;
        var moved = new int[points];
        var calm = 0;
        for (var i = 1; i < pictures.Count; i++)
        {
            var (before, after) = (pictures[i - 1].Points, pictures[i].Points);
            if (Changed(before, after, null) > CalmStep * points)
            {
                continue;
            }

            calm++;
            for (var p = 0; p < points; p++)
            {
                moved[p] += IsOther(before[p], after[p]) ? 1 : 0;
            }
        }

        return Array.ConvertAll(moved, m => calm < FewestCalm || m <= Restless * calm);
    }

    private static int Changed(byte[] before, byte[] after, bool[]? counts)
    {
        var changed = 0;
        for (var p = 0; p < before.Length; p++)
        {
            changed += (counts is null || counts[p]) && IsOther(before[p], after[p]) ? 1 : 0;
        }

        return changed;
    }

    /// <summary>How many points stand out from the ground in one of two pictures.</summary>
    private static int Drawn(byte[] before, byte[] after, bool[] counts)
    {
        var (groundBefore, groundAfter) = (Ground(before), Ground(after));
        var drawn = 0;
        for (var p = 0; p < before.Length; p++)
        {
            drawn += counts[p] && (IsOther(before[p], groundBefore) || IsOther(after[p], groundAfter)) ? 1 : 0;
        }

        return drawn;
    }

    /// <summary>The commonest grey.</summary>
    private static byte Ground(byte[] points)
    {
        Span<int> counts = stackalloc int[256];
        foreach (var point in points)
        {
            counts[point]++;
        }

        var most = 0;
        for (var grey = 1; grey < counts.Length; grey++)
        {
            most = counts[grey] > counts[most] ? grey : most;
        }

        return (byte)most;
    }

    private static bool IsOther(byte before, byte after) => Math.Abs(before - after) > OtherGrey;
}
