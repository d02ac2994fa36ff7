using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Facts;

/// <summary>How likely each sentence of a lecture states something to be known.</summary>
public static class FactWorth
{
    /// <summary>For each sentence a probability, from weights that were learned.</summary>
    public static double[] Of(IReadOnlyList<Sentence> sentences, IReadOnlyList<Chapter> chapters) => Of(sentences, chapters, FactWeights.Learned);

    /// <summary>The same where the features were counted already.</summary>
    public static double[] Of(double[][] features) => Array.ConvertAll(features, f => Probability(f, FactWeights.Learned));

    /// <summary>The same by other weights.</summary>
    public static double[] Of(IReadOnlyList<Sentence> sentences, IReadOnlyList<Chapter> chapters, double[] weights) =>
        Array.ConvertAll(FactFeatures.Of(sentences, chapters), f => Probability(f, weights));

    /// <summary>The logistic of a weighed sum.</summary>
    internal static double Probability(double[] features, double[] weights)
    {
        var sum = 0.0;
        for (var i = 0; i < features.Length; i++)
        {
            sum += features[i] * weights[i];
        }

        return 1 / (1 + Math.Exp(-sum));
    }
}
