namespace Kostel.Core.Chapters;

/// <summary>
/// Divides a sequence of sentences where the vocabulary changes: the segmentation of greatest probability under a model
/// in which each segment draws its words from a distribution of its own.
/// </summary>
/// <remarks>
/// M. Utiyama and H. Isahara, "A statistical model for domain-independent text segmentation", ACL 2001. The cost of a
/// boundary can be changed sentence by sentence (a long pause makes one likelier) and segments can be refused.
/// </remarks>
public static class LexicalSegmentation
{
    /// <summary>Finds the segments.</summary>
    /// <param name="sentences">The content words of each sentence.</param>
    /// <param name="boundaryCost">What a segment that begins at this sentence costs beyond the model, in nats.</param>
    /// <param name="isAllowed">Whether a segment may run from the first sentence to the last (exclusive).</param>
    /// <param name="priorWeight">How many times the model's cost of a segment (the logarithm of the number of words) counts.</param>
    /// <returns>The indices of the first sentences of all segments, beginning with 0; empty for no sentences.</returns>
    public static IReadOnlyList<int> Segment(
        IReadOnlyList<IReadOnlyList<string>> sentences,
        Func<int, double>? boundaryCost = null,
        Func<int, int, bool>? isAllowed = null,
        double priorWeight = 1)
    {
        var n = sentences.Count;
        if (n == 0)
        {
            return [];
        }

        var ids = new Dictionary<string, int>();
        var words = sentences.Select(s => s.Select(w => ids.TryGetValue(w, out var id) ? id : ids[w] = ids.Count).ToArray()).ToArray();
        var vocabulary = ids.Count;
        var prior = priorWeight * Math.Log(Math.Max(2, words.Sum(w => w.Length)));
        var best = new double[n + 1];
        var from = new int[n + 1];
        Array.Fill(best, double.PositiveInfinity, 1, n);
        var counts = new int[vocabulary];
        for (var start = 0; start < n; start++)
        {
            if (double.IsPositiveInfinity(best[start]))
            {
                continue;
            }

            Array.Clear(counts);
            var opening = best[start] + prior + (start == 0 ? 0 : boundaryCost?.Invoke(start) ?? 0);
            double logCounts = 0;
            var length = 0;
            for (var end = start + 1; end <= n; end++)
            {
                foreach (var w in words[end - 1])
                {
                    // Σ f·log(f + 1), kept up to date word by word.
                    var f = counts[w]++;
                    logCounts += ((f + 1) * Math.Log(f + 2)) - (f * Math.Log(f + 1));
                    length++;
                }

                if (isAllowed is not null && !isAllowed(start, end))
                {
                    continue;
                }

                var cost = opening + (length * Math.Log(length + vocabulary)) - logCounts;
                if (cost < best[end])
                {
                    (best[end], from[end]) = (cost, start);
                }
            }
        }

        var starts = new List<int>();
        for (var at = double.IsPositiveInfinity(best[n]) ? 0 : n; at > 0; at = from[at])
        {
            starts.Add(from[at]);
        }

        starts.Reverse();
        return starts.Count == 0 ? [0] : starts;
    }
}
