using System.Text.Json.Serialization;

namespace Kostel.Core.Listening;

/// <summary>A stretch of a recording, in milliseconds; the end is not part of it.</summary>
public sealed record Stretch(int StartMs, int EndMs)
{
    /// <summary>How long it is.</summary>
    [JsonIgnore]
    public int LengthMs => EndMs - StartMs;

    /// <summary>Stretches in order, those that overlap or lie so near to each other as one; empty ones are left out.</summary>
    /// <param name="nearMs">What lies between two is part of both, if it is no longer than this.</param>
    public static IReadOnlyList<Stretch> Union(IEnumerable<Stretch> stretches, int nearMs = 0)
    {
        var all = new List<Stretch>();
        foreach (var s in stretches.Where(s => s.EndMs > s.StartMs).OrderBy(s => s.StartMs))
        {
            if (all.Count > 0 && s.StartMs - all[^1].EndMs <= nearMs)
            {
                all[^1] = all[^1] with { EndMs = Math.Max(all[^1].EndMs, s.EndMs) };
            }
            else
            {
                all.Add(s);
            }
        }

        return all;
    }

    /// <summary>How long two lists of stretches, each in order and apart, lie over each other.</summary>
    public static int SharedMs(IReadOnlyList<Stretch> a, IReadOnlyList<Stretch> b)
    {
        var (i, j, shared) = (0, 0, 0);
        while (i < a.Count && j < b.Count)
        {
            shared += Math.Max(0, Math.Min(a[i].EndMs, b[j].EndMs) - Math.Max(a[i].StartMs, b[j].StartMs));
            _ = a[i].EndMs < b[j].EndMs ? i++ : j++;
        }

        return shared;
    }
}
