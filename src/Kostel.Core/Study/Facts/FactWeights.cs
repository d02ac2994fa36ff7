namespace Kostel.Core.Study.Facts;

/// <summary>What was learned from texts whose key facts were written down; <c>./kostel bench study learn</c> learns it anew.</summary>
public static class FactWeights
{
    /// <summary>By <see cref="FactFeatures.Names"/>.</summary>
    public static readonly double[] Learned =
    [
        -2.053, 1.717, -0.812, -1.239, 1.14, 0.536, -0.038, 0.42, 0.174, 0.033, 0.339, 0.02, -1.212, -0.286, -0.942,
        -0.364, -0.703, -0.439, 0.196, 0.467, -0.332, -0.502, 0.29, -0.133, 0.07, -0.068, -0.037, 0.22, -0.444, 0.022,
        0.992, 0.564, -0.661, -0.795, -0.74, 0.448, -0.247, -0.555, 0.194, -0.672, -0.136, 0.724,
    ];
}
