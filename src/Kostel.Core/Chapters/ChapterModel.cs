namespace Kostel.Core.Chapters;

/// <summary>What tells how likely a division into chapters is: a semi-Markov model, of which the weights were learned from lectures with outlines.</summary>
/// <remarks>S. Sarawagi and W. Cohen, "Semi-Markov conditional random fields for information extraction", 2004 (from memory).</remarks>
/// <param name="Means">Of <see cref="BoundaryFeatures"/>: what is not known counts as this.</param>
/// <param name="Boundary">What each of them says for a chapter that begins there, in nats.</param>
/// <param name="Length">What each of <see cref="ChapterLengths"/> says, in nats.</param>
/// <param name="Gains">What words, manner and meaning that hold together say.</param>
internal sealed record ChapterModel(double[] Means, double[] Boundary, double[] Length, GainWeights Gains)
{
    /// <summary>How much speaks for a chapter that begins at a place.</summary>
    public double OfBoundary(double[] features)
    {
        var sum = 0.0;
        for (var i = 0; i < features.Length; i++)
        {
            sum += double.IsNaN(features[i]) ? 0 : Boundary[i] * (features[i] - Means[i]);
        }

        return sum;
    }

    /// <summary>How much speaks for a chapter of a length.</summary>
    public double OfLength(double length, double expected, bool isEdge)
    {
        var (longer, shorter, shorterAtEdge, square) = ChapterLengths.Of(length, expected, isEdge);
        return Length[0] + (Length[1] * longer) + (Length[2] * shorter) + (Length[3] * shorterAtEdge) + (Length[4] * square);
    }
}
