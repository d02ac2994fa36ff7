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
        -1.522, 1.208, 1.59, 0.554, -0.686, 0.191, -0.698, -0.414, 0.328, 0.503, -0.281, -0.074,
        0.343, -1.163, -0.803, -0.7, -0.551, -0.183, -1.639, -0.459, 0.36, 0.839, 1.326, 0.773,
        0.047, -0.374, 0.329, -0.107, -0.046, 0.126, 0.598,
    ];

    /// <summary>By the same: nothing answers.</summary>
    public static readonly double[] Nowhere =
    [
        1.174, -1.037, -1.2, 0.265, 0.184, -0.481, 0.268, 0.403, 0.034, -0.746, 0.184, 0.324,
        -0.469, 1.185, 0.634, 0.93, 0.814, 0.449, 1.785, 0.689, -0.725, -0.563, -1.006, -1.256,
        -0.359, -0.001, -0.19, 0.122, -0.053, -0.023, -0.579,
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
        -0.828, 0.719, 1.23, 0.453, -0.224, -0.122, -0.224, -0.122, 0.748, 0.331, -0.13, 0,
        0, -0.782, -0.429, -0.666, -0.437, -0.177, -1.377, -0.48, 0.504, 0.428, 1.185, -0.046,
        0.073, -0.782, 0.074, -0.197, 0.116, -0.462, 1.017,
    ];

    /// <inheritdoc cref="RankingByWords"/>
    public static readonly double[] NowhereByWords =
    [
        0.292, -0.697, -1.296, -0.103, 0.291, 0.47, 0.291, 0.47, -0.249, -0.058, -0.336, 0,
        0, 0.593, 0.496, 1.043, 0.779, 0.436, 1.592, 0.552, -1.086, -0.303, -0.996, -0.682,
        -0.542, 0.593, 0.249, -0.185, -0.223, -0.328, -0.392,
    ];
}
