using Kostel.Core.Audio;

namespace Kostel.Core.Speech.Speakers;

/// <summary>How a voice sounds: one normal distribution with full covariance over cepstra, by its count and sums, so that two are joined by adding.</summary>
internal sealed class VoiceModel
{
    private const int Size = MelCepstra.Count;

    /// <summary>Free numbers of such a distribution.</summary>
    private const double Freedom = Size + (Size * (Size + 1) / 2.0);

    /// <summary>Added to the variances: a synthesised or coded sound may stand still.</summary>
    private const double Least = 1e-3;

    /// <summary>What the numbers of another voice cost (the λ of Chen and Gopalakrishnan), found on conversations between synthesised voices:
    /// below 1.1 a voice is divided, from 1.4 on two that are alike become one over a telephone.</summary>
    private const double Cost = 1.25;

    /// <summary>What a frame of the smaller voice must gain: over an hour one voice differs from itself, as one subject from another.</summary>
    private const double Drift = 0.2;

    private readonly double[] sums = new double[Size];
    private readonly double[] products = new double[Size * Size];
    private double? spread;

    /// <summary>Frames it was learned from.</summary>
    public int Frames { get; private set; }

    /// <summary>The logarithm of the determinant of the covariance.</summary>
    private double Spread => spread ??= LogDeterminant(Cholesky(Covariance()));

    /// <summary>Learns from a frame.</summary>
    public void Add(ReadOnlySpan<double> frame)
    {
        Frames++;
        spread = null;
        for (var i = 0; i < Size; i++)
        {
            sums[i] += frame[i];
            for (var j = 0; j <= i; j++)
            {
                products[(i * Size) + j] += frame[i] * frame[j];
            }
        }
    }

    /// <summary>Learns what another has learned.</summary>
    public void Add(VoiceModel other)
    {
        Frames += other.Frames;
        spread = null;
        for (var i = 0; i < Size; i++)
        {
            sums[i] += other.sums[i];
        }

        for (var i = 0; i < products.Length; i++)
        {
            products[i] += other.products[i];
        }
    }

    /// <summary>All of them as one.</summary>
    public static VoiceModel Sum(IEnumerable<VoiceModel> models)
    {
        var sum = new VoiceModel();
        foreach (var model in models)
        {
            sum.Add(model);
        }

        return sum;
    }

    /// <summary>
    /// What two voices gain over one in describing what was heard, less what their additional numbers cost; above 0 they are two.
    /// </summary>
    /// <remarks>Bayesian information criterion: Chen and Gopalakrishnan, "Speaker, environment and channel change detection and
    /// clustering via the Bayesian information criterion" (1998), equation 8.</remarks>
    public static double Difference(VoiceModel a, VoiceModel b)
    {
        var one = Sum([a, b]);
        var gain = ((one.Frames * one.Spread) - (a.Frames * a.Spread) - (b.Frames * b.Spread)) / 2;
        return gain - (Cost * Freedom * Math.Log(one.Frames) / 2) - (Drift * Math.Min(a.Frames, b.Frames));
    }

    /// <summary>The log-likelihood of many pieces under this voice (without the constant).</summary>
    public double[] LogLikelihoods(IReadOnlyList<VoiceModel> pieces)
    {
        var root = Cholesky(Covariance());
        var determinant = LogDeterminant(root);
        var inverse = Inverse(root);
        var mean = Array.ConvertAll(sums, s => s / Frames);
        return pieces.Select(p => -0.5 * ((p.Frames * determinant) + p.SquaredDistances(mean, inverse))).ToArray();
    }

    /// <summary>The Mahalanobis distances of all frames from a mean, squared and added up.</summary>
    private double SquaredDistances(double[] mean, double[] inverse)
    {
        double total = 0;
        for (var i = 0; i < Size; i++)
        {
            for (var j = 0; j <= i; j++)
            {
                var scatter = products[(i * Size) + j] - (mean[i] * sums[j]) - (mean[j] * sums[i]) + (Frames * mean[i] * mean[j]);
                total += (i == j ? 1 : 2) * inverse[(i * Size) + j] * scatter;
            }
        }

        return total;
    }

    private double[] Covariance()
    {
        var covariance = new double[Size * Size];
        for (var i = 0; i < Size; i++)
        {
            for (var j = 0; j <= i; j++)
            {
                covariance[(i * Size) + j] = (products[(i * Size) + j] / Frames) - (sums[i] / Frames * (sums[j] / Frames)) + (i == j ? Least : 0);
            }
        }

        return covariance;
    }

    /// <summary>The lower triangle whose square is the matrix.</summary>
    private static double[] Cholesky(double[] matrix)
    {
        var root = new double[Size * Size];
        for (var i = 0; i < Size; i++)
        {
            for (var j = 0; j <= i; j++)
            {
                var sum = matrix[(i * Size) + j];
                for (var k = 0; k < j; k++)
                {
                    sum -= root[(i * Size) + k] * root[(j * Size) + k];
                }

                root[(i * Size) + j] = i == j ? Math.Sqrt(Math.Max(sum, 1e-9)) : sum / root[(j * Size) + j];
            }
        }

        return root;
    }

    private static double LogDeterminant(double[] root) => 2 * Enumerable.Range(0, Size).Sum(i => Math.Log(root[(i * Size) + i]));

    /// <summary>The inverse (lower triangle) of the matrix whose root is given.</summary>
    private static double[] Inverse(double[] root)
    {
        var lower = new double[Size * Size];
        for (var j = 0; j < Size; j++)
        {
            for (var i = j; i < Size; i++)
            {
                var sum = i == j ? 1.0 : 0;
                for (var k = j; k < i; k++)
                {
                    sum -= root[(i * Size) + k] * lower[(k * Size) + j];
                }

                lower[(i * Size) + j] = sum / root[(i * Size) + i];
            }
        }

        var inverse = new double[Size * Size];
        for (var i = 0; i < Size; i++)
        {
            for (var j = 0; j <= i; j++)
            {
                for (var k = i; k < Size; k++)
                {
                    inverse[(i * Size) + j] += lower[(k * Size) + i] * lower[(k * Size) + j];
                }
            }
        }

        return inverse;
    }
}
