namespace Kostel.Core.Speech.Decoding;

/// <summary>One attention head and how far it runs forward through the sound as the words do.</summary>
/// <param name="Share">The part of its attention that lies where a path through the sound would be at that word: 0 to 1.</param>
public readonly record struct HeadShare(int Layer, int Head, double Share);

/// <summary>Notes what every head attends to while one text is followed, row by row.</summary>
public sealed class HeadWatch
{
    private readonly Dictionary<(int Layer, int Head), List<float[]>> rows = [];

    /// <summary>How much of each head's attention lies along a forward path.</summary>
    public IReadOnlyList<HeadShare> Shares => rows.Select(r => new HeadShare(r.Key.Layer, r.Key.Head, HeadSurvey.Share(r.Value))).ToList();

    internal void See(int layer, int head, ReadOnlySpan<float> share)
    {
        if (!rows.TryGetValue((layer, head), out var list))
        {
            rows[(layer, head)] = list = [];
        }

        list.Add(share.ToArray());
    }
}

/// <summary>Finds out, from an utterance that was written down, which heads of a decoder tell where a word is said.</summary>
/// <remarks>That some heads of such a decoder follow the sound and most do not is common practice, no source; the threshold was measured on the two sets of weights that there are.</remarks>
public static class HeadSurvey
{
    /// <summary>A head counts when it does at least this much of what the best one does.</summary>
    private const double Enough = 0.85;

    /// <summary>So many at least, the best ones, for one head alone may slip.</summary>
    private const int Fewest = 4;

    /// <summary>Frames around the path that still count as on it.</summary>
    private const int Reach = 4;

    /// <summary>How much of a head's attention lies along a forward path.</summary>
    /// <param name="attention">One row a token, one column a frame.</param>
    public static double Share(IReadOnlyList<float[]> attention)
    {
        if (attention.Count == 0)
        {
            return 0;
        }

        var starts = WordAligner.TokenStarts(attention);
        var total = 0.0;
        for (var t = 0; t < attention.Count; t++)
        {
            var row = attention[t];
            var end = t + 1 < starts.Length ? starts[t + 1] : row.Length;
            var (from, to) = (Math.Max(0, starts[t] - Reach), Math.Min(row.Length, Math.Min(end, starts[t] + Reach) + Reach));
            double inside = 0, all = 0;
            for (var f = 0; f < row.Length; f++)
            {
                all += row[f];
                inside += f >= from && f < to ? row[f] : 0;
            }

            total += all > 0 ? inside / all : 0;
        }

        return total / attention.Count;
    }

    /// <summary>The heads to go by.</summary>
    public static AlignmentHeads Choose(IReadOnlyList<HeadShare> shares)
    {
        var ranked = shares.OrderByDescending(s => s.Share).ToList();
        return new AlignmentHeads(ranked.TakeWhile((s, i) => i < Fewest || s.Share >= ranked[0].Share * Enough)
            .GroupBy(s => s.Layer).OrderBy(g => g.Key).Select(g => (g.Key, g.Select(s => s.Head).Order().ToArray())).ToList());
    }
}
