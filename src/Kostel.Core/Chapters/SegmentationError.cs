namespace Kostel.Core.Chapters;

/// <summary>How far a segmentation is from the reference: Pk and WindowDiff, both 0 for the same and near 0.5 for chance.</summary>
public static class SegmentationError
{
    /// <summary>The probability that two sentences k apart are wrongly said to be in the same, or in different, segments.</summary>
    /// <remarks>D. Beeferman, A. Berger, J. Lafferty, "Statistical models for text segmentation", 1999. k is half the mean reference segment.</remarks>
    /// <param name="reference">First sentences of the reference's segments, beginning with 0.</param>
    /// <param name="hypothesis">The same of the segmentation under test.</param>
    /// <param name="sentences">Number of sentences.</param>
    public static double Pk(IReadOnlyCollection<int> reference, IReadOnlyCollection<int> hypothesis, int sentences) =>
        Compare(reference, hypothesis, sentences, (r, h) => (r == 0) != (h == 0));

    /// <summary>The share of windows of k sentences in which the number of boundaries differs.</summary>
    /// <remarks>L. Pevzner and M. Hearst, "A critique and improvement of an evaluation metric for text segmentation", 2002.</remarks>
    /// <inheritdoc cref="Pk"/>
    public static double WindowDiff(IReadOnlyCollection<int> reference, IReadOnlyCollection<int> hypothesis, int sentences) =>
        Compare(reference, hypothesis, sentences, (r, h) => r != h);

    private static double Compare(
        IReadOnlyCollection<int> reference, IReadOnlyCollection<int> hypothesis, int sentences, Func<int, int, bool> isWrong)
    {
        var k = Math.Max(1, (int)Math.Round(sentences / (2.0 * reference.Count)));
        var r = BoundariesBefore(reference, sentences);
        var h = BoundariesBefore(hypothesis, sentences);
        var windows = sentences - k;
        if (windows <= 0)
        {
            return 0;
        }

        return Enumerable.Range(0, windows).Count(i => isWrong(r[i + k] - r[i], h[i + k] - h[i])) / (double)windows;
    }

    private static int[] BoundariesBefore(IReadOnlyCollection<int> starts, int sentences)
    {
        var set = starts.ToHashSet();
        var sum = new int[sentences];
        for (var i = 1; i < sentences; i++)
        {
            sum[i] = sum[i - 1] + (set.Contains(i) ? 1 : 0);
        }

        return sum;
    }
}
