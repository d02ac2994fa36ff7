namespace Kostel.Core.Study.Statements;

/// <summary>What was learned from gaps that were read and judged (<c>benchmarks/study/gaps.tsv</c>); <c>./kostel bench study gaps</c> learns it anew.</summary>
internal static class GapWeights
{
    /// <summary>By <see cref="GapFeatures.Names"/>.</summary>
    public static readonly double[] Learned =
    [
        0.844, -0.432, 0, 0, 0.313, 0.086, -0.432, 0.246, 0.209, 0.126, -0.279, 0.253, -0.245, -0.141, 0,
        -0.458, -0.049, -0.24, 0.554, -0.193, 0.137, 0.14, -0.121, -0.163, 0.045, -0.398, 0.086, 0.238, 0, -0.03,
        0.029, 1.056, -0.297, -0.239, 0.275, -0.472, 0.075, -0.098, -0.321, -0.55, 0.438, -0.567, 0.271, 0.06, -0.134,
        -0.104, 0.22, -0.047, -0.689, -0.223, 0.077, 0.394, -0.519, -0.537, 0.141, 0.205, 0.067, -0.108, -0.076, 0.085,
        -0.248, 0.055, 0.122, -0.494, 0.242, 0.169, 0.237, -0.032, -0.113, -0.142, 0.141, -0.042, 0.271, -0.033, -0.429,
        0.239, -0.347, -0.671, -0.187, -0.311, -0.242,
    ];
}
