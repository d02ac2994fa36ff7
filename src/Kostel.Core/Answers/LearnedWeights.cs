namespace Kostel.Core.Answers;

/// <summary>What was learned from written questions; <c>./kostel bench ask learn</c> learns it anew.</summary>
internal static class LearnedWeights
{
    /// <summary>By <see cref="AnswerModel.Names"/>.</summary>
    public static readonly double[] Ranking =
    [
        0.631, 0.476, 0.775, 0.353, 1.293, 0.923, 1.028, -0.01, 1.107, 0.565, 1.514, 0.436,
        -0.323, 0.766, 2.229, -0.937, 0.528, -0.763, 1.269, 2.916, 0.045, 1.525, 0.697, 0.283,
        0.368, -0.1, 0.98, 1.46, 0.1, 1.385, 0.149, -0.641, 2.204, 0.935, 1.094,
    ];

    /// <summary>By <see cref="AnswerModel.StateNames"/>: one of the first lines answers.</summary>
    public static readonly double[] Right =
    [
        -1.512, 1.191, 1.598, 0.548, -0.669, 0.209, -0.701, -0.421, 0.329, 0.474, -0.267, -0.081,
        0.344, -1.143, -0.837, -0.708, -0.548, -0.194, -1.198, -0.457, 0.357, 0.83, 1.35, 0.787,
        0.042, -0.368, 0.332, -0.105, -0.051, 0.128, 0.567, -0.952,
    ];

    /// <summary>By the same: nothing answers.</summary>
    public static readonly double[] Nowhere =
    [
        1.158, -1.014, -1.213, 0.281, 0.156, -0.512, 0.269, 0.413, 0.03, -0.713, 0.171, 0.334,
        -0.474, 1.161, 0.679, 0.944, 0.812, 0.467, 1.178, 0.689, -0.715, -0.551, -1.043, -1.276,
        -0.35, -0.008, -0.192, 0.119, -0.046, -0.03, -0.533, 1.195,
    ];

    /// <summary>The same where nothing is known of words.</summary>
    public static readonly double[] RankingByWords =
    [
        1.032, 0.484, 1.032, 0.484, 1.649, 1.272, 0.989, 0, 0, 0, 0, 0.667,
        -0.815, 0.745, 2.066, -0.877, 0.71, -0.66, 1.488, 3.094, 0.061, 1.632, 0.791, 0.501,
        0.578, -0.113, 0.874, 1.548, -0.064, 1.407, 0.587, -0.679, 2.343, 0.955, 1.256,
    ];

    /// <inheritdoc cref="RankingByWords"/>
    public static readonly double[] RightByWords =
    [
        -0.829, 0.72, 1.23, 0.451, -0.225, -0.111, -0.225, -0.111, 0.759, 0.335, -0.126, 0,
        0, -0.777, -0.434, -0.674, -0.434, -0.183, -1.142, -0.484, 0.491, 0.426, 1.2, -0.066,
        0.071, -0.777, 0.079, -0.2, 0.115, -0.454, 0.996, -0.643,
    ];

    /// <inheritdoc cref="RankingByWords"/>
    public static readonly double[] NowhereByWords =
    [
        0.295, -0.699, -1.294, -0.1, 0.289, 0.453, 0.289, 0.453, -0.262, -0.064, -0.344, 0,
        0, 0.585, 0.505, 1.057, 0.774, 0.444, 1.328, 0.557, -1.07, -0.301, -1.023, -0.652,
        -0.539, 0.585, 0.244, -0.181, -0.221, -0.353, -0.354, 0.725,
    ];
}
