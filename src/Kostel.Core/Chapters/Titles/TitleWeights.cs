namespace Kostel.Core.Chapters.Titles;

/// <summary>How much each thing that is counted of a phrase speaks for it as a title: learned from judged titles, by <c>bench chapters naming</c>.</summary>
internal static class TitleWeights
{
    /// <summary>By the names of <see cref="TitleFeatures.Names"/>.</summary>
    private static readonly double[] Learned =
    [
        -1.277, 0.843, -0.142, -0.202, 0.23, -0.288, 0.658, 0.188, 0.463, -0.459, 0.899, -0.389, 1.167, 0.539, 0.438, 0.752,
        0.425, 0.392, 0.524, 0.055, -0.528, -1.04, -0.328, -0.519, 0.801, 0.69, -0.244, 0.348, -0.109, 0.505, 0.311, 0.685,
        0.072, -0.04, 0.41, 0.949, 0.745, -2.954, 0.069, -0.591, -0.588, -0.978, -0.083, -0.46, 0.431, 0.337, -0.643, -0.849,
        -0.293, -0.239, 0.429, 0.126, 1.22, -0.866, 0.04, 0.645, -0.68, 0.082, 0.268, -0.785, -0.01, 1.264, 0.44, 1.367,
        0.37, 1.004, -1.271, -0.913, 0.851, 0.285, -1.055, -0.28, -0.04, 0.487, -0.856, -0.085, -0.397, -0.145, -0.108, 0.091,
        -0.043, -0.226, 0.195, 0, 0.055, 0.163, 0.321, -0.015, -0.437, -1.394, 1.211, 0.04, 1.231, -0.213, 0.598, -0.624,
        0.326,
    ];

    /// <summary>How many things have a weight.</summary>
    public static int Count => Learned.Length;

    /// <summary>The weighted sum.</summary>
    public static double Sum(double[] of)
    {
        var sum = 0.0;
        for (var i = 0; i < Learned.Length; i++)
        {
            sum += Learned[i] * of[i];
        }

        return sum;
    }
}
