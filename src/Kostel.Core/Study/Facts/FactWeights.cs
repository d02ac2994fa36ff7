namespace Kostel.Core.Study.Facts;

/// <summary>What was learned from texts whose key facts were written down; <c>./kostel bench study learn</c> learns it anew.</summary>
public static class FactWeights
{
    /// <summary>By <see cref="FactFeatures.Names"/>.</summary>
    public static readonly double[] Learned =
    [
        -0.923, 1.204, -0.734, -0.65, 1.058, -0.029, 0.035, -0.031, 0.104, -0.273, 0.276, 0.358, -0.814, 0.059, -1.119,
        -0.222, -0.891, -0.022, 0.44, -0.534, -0.394, -0.693, 0.498, 0.032, -0.009, 0.593, -0.895, 0.497, -0.274, 0.247,
    ];
}
