namespace Kostel.Core.Study.Statements;

/// <summary>What was learned from gaps that were read and judged (<c>benchmarks/study/gaps.tsv</c>); <c>./kostel bench study gaps</c> learns it anew.</summary>
internal static class GapWeights
{
    /// <summary>By <see cref="GapFeatures.Names"/>.</summary>
    public static readonly double[] Learned =
    [
        1.08, -0.456, 0, 0, 0.285, 0.061, -0.407, 0.234, 0.21, 0.129, -0.274, 0.278, -0.261, -0.202, 0,
        -0.464, -0.078, -0.223, 0.506, -0.253, 0.184, 0.106, -0.077, -0.156, 0.057, -0.42, 0.081, 0.272, 0, -0.042,
        0.045, 1.05, -0.222, -0.199, 0.325, -0.518, 0.082, -0.113, -0.332, -0.574, 0.384, -0.63, 0.243, 0.071, -0.142,
        -0.054, 0.136, -0.073, -0.701, -0.197, 0.007, 0.401, -0.542, -0.615, 0.118, 0.172, 0.06, -0.148, -0.107, 0.135,
        -0.302, -0, 0.161, -0.632, 0.399, 0.174, 0.126, -0.144, -0.071, -0.041, 0.055, -0.068, 0.261, -0.078, -0.452,
        0.337, -0.305, -0.583, -0.146, -0.427, -0.223,
    ];
}
