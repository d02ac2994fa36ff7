namespace Kostel.Core.Answers;

/// <summary>What was learned from written questions; <c>./kostel bench ask learn</c> learns it anew.</summary>
internal static class LearnedWeights
{
    /// <summary>By <see cref="AnswerModel.Names"/>.</summary>
    public static readonly double[] Ranking =
    [
        0.598, 0.466, 0.761, 0.354, 1.286, 0.922, 1.049, 0.012, 1.108, 0.576, 1.496, 0.424,
        -0.307, 0.774, 2.225, -0.926, 0.543, -0.758, 1.275, 2.919, 0.041, 1.538, 0.698, 0.284,
        0.373, -0.095, 0.917, 1.467, 0.113, 1.384, 0.14, -0.658, 2.22, 0.931, -0.606, 1.064,
    ];

    /// <summary>By <see cref="AnswerModel.StateNames"/>: one of the first lines answers.</summary>
    public static readonly double[] Right =
    [
        -1.491, 1.195, 1.616, 0.585, -0.617, 0.132, -0.603, -0.406, 0.374, 0.428, -0.27, -0.029,
        0.276, -1.155, -0.96, -0.693, -0.563, -0.18, -1.208, -0.599, 0.399, 0.822, 1.279, 0.735,
        -0.084, -0.525, 0.45, -0.14, -0.038, 0.066, 0.61, -0.952,
    ];

    /// <summary>By the same: nothing answers.</summary>
    public static readonly double[] Nowhere =
    [
        1.16, -1.008, -1.245, 0.269, 0.179, -0.427, 0.223, 0.43, 0.074, -0.695, 0.147, 0.192,
        -0.451, 1.189, 0.694, 0.941, 0.803, 0.467, 1.175, 0.671, -0.667, -0.615, -1.044, -1.275,
        -0.339, -0.01, -0.23, 0.136, -0.101, 0.013, -0.508, 1.19,
    ];

    /// <summary>The same where nothing is known of words.</summary>
    public static readonly double[] RankingByWords =
    [
        1.012, 0.484, 1.012, 0.484, 1.642, 1.275, 1.007, 0, 0, 0, 0, 0.65,
        -0.798, 0.753, 2.079, -0.859, 0.721, -0.659, 1.493, 3.093, 0.059, 1.636, 0.792, 0.501,
        0.582, -0.111, 0.826, 1.497, -0.058, 1.407, 0.564, -0.698, 2.369, 0.95, -0.472, 1.233,
    ];

    /// <inheritdoc cref="RankingByWords"/>
    public static readonly double[] RightByWords =
    [
        -0.802, 0.664, 1.15, 0.47, -0.205, -0.134, -0.205, -0.134, 0.776, 0.347, -0.085, 0,
        0, -0.784, -0.426, -0.679, -0.422, -0.181, -1.136, -0.494, 0.502, 0.433, 1.213, -0.099,
        0.082, -0.784, 0.076, -0.196, 0.113, -0.457, 1.044, -0.64,
    ];

    /// <inheritdoc cref="RankingByWords"/>
    public static readonly double[] NowhereByWords =
    [
        0.293, -0.682, -1.314, -0.113, 0.284, 0.477, 0.284, 0.477, -0.261, -0.078, -0.366, 0,
        0, 0.588, 0.502, 1.052, 0.781, 0.443, 1.325, 0.559, -1.07, -0.302, -1.025, -0.635,
        -0.543, 0.588, 0.245, -0.183, -0.221, -0.341, -0.366, 0.723,
    ];
}
