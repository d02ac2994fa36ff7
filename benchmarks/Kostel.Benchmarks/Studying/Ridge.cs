namespace Kostel.Benchmarks.Studying;

/// <summary>Logistic regression with a penalty on the squares of the weights, by Newton's steps (iteratively reweighted least squares; standard, e.g. Hastie, Tibshirani and Friedman, "The Elements of Statistical Learning", 4.4).</summary>
internal static class Ridge
{
    private const int Steps = 12;

    /// <param name="examples">What is counted, the first always 1, and whether it is so.</param>
    /// <param name="penalty">Of each weight but the first.</param>
    public static double[] Logistic(IReadOnlyList<(double[] State, bool IsTrue)> examples, double penalty)
    {
        var n = examples[0].State.Length;
        var weights = new double[n];
        for (var step = 0; step < Steps; step++)
        {
            var (slope, bend) = (new double[n], new double[n, n]);
            foreach (var (x, isTrue) in examples)
            {
                var sum = 0.0;
                for (var i = 0; i < n; i++)
                {
                    sum += weights[i] * x[i];
                }

                var p = 1 / (1 + Math.Exp(-sum));
                var (pull, stiff) = ((isTrue ? 1 : 0) - p, p * (1 - p));
                for (var i = 0; i < n; i++)
                {
                    slope[i] += pull * x[i];
                    for (var j = 0; x[i] != 0 && j <= i; j++)
                    {
                        bend[i, j] += stiff * x[i] * x[j];
                    }
                }
            }

            for (var i = 0; i < n; i++)
            {
                slope[i] -= i == 0 ? 0 : penalty * weights[i];
                bend[i, i] += i == 0 ? 1e-6 : penalty;
            }

            var change = Solved(bend, slope);
            for (var i = 0; i < n; i++)
            {
                weights[i] += change[i];
            }
        }

        return weights;
    }

    /// <summary>The solution for a symmetric matrix, of which the lower half is given (Cholesky).</summary>
    private static double[] Solved(double[,] lower, double[] right)
    {
        var n = right.Length;
        for (var i = 0; i < n; i++)
        {
            for (var j = 0; j <= i; j++)
            {
                var sum = lower[i, j];
                for (var k = 0; k < j; k++)
                {
                    sum -= lower[i, k] * lower[j, k];
                }

                lower[i, j] = i == j ? Math.Sqrt(Math.Max(sum, 1e-9)) : sum / lower[j, j];
            }
        }

        var x = (double[])right.Clone();
        for (var i = 0; i < n; i++)
        {
            for (var k = 0; k < i; k++)
            {
                x[i] -= lower[i, k] * x[k];
            }

            x[i] /= lower[i, i];
        }

        for (var i = n - 1; i >= 0; i--)
        {
            for (var k = i + 1; k < n; k++)
            {
                x[i] -= lower[k, i] * x[k];
            }

            x[i] /= lower[i, i];
        }

        return x;
    }
}
