using System.Numerics.Tensors;
using MathNet.Numerics;
using MathNet.Numerics.IntegralTransforms;

namespace Kostel.Core.Audio;

/// <summary>
/// The shape of a voice over time: mel-frequency cepstra without the one that says how loud it is, 50 times a second, of a stream of
/// samples. Kept in half precision: 1.7 kB for a second of sound.
/// </summary>
/// <remarks>Davis and Mermelstein (1980): pre-emphasis, Hann window of 32 ms, 26 mel filters from 100 to 7,000 Hz, logarithm, cosine transform.</remarks>
public sealed class MelCepstra
{
    /// <summary>Numbers a frame has.</summary>
    public const int Count = 16;

    /// <summary>From one frame to the next, in milliseconds.</summary>
    public const int FrameMs = 20;

    private const int Hop = Pcm.SampleRate * FrameMs / 1000, Frame = 512, Filters = 26, FramesAPage = 3_000;
    private const double LowestHz = 100, HighestHz = 7_000, Floor = 1e-8;
    private const float Emphasis = 0.97f;
    private static readonly float[] Hann = Window.HannPeriodic(Frame).Select(v => (float)v).ToArray();
    private static readonly float[][] Mel = MelFilters();
    private static readonly float[][] Cosines = Enumerable.Range(1, Count)
        .Select(c => Enumerable.Range(0, Filters).Select(f => (float)(Math.Sqrt(2.0 / Filters) * Math.Cos(Math.PI * c * (f + 0.5) / Filters))).ToArray())
        .ToArray();

    private readonly SampleWindow heard = new(0);
    private readonly List<Half[]> pages = [];
    private readonly List<Half> levels = [];
    private readonly float[] emphasised = new float[Frame];
    private readonly float[] power = new float[(Frame / 2) + 1];
    private readonly float[] bands = new float[Filters];
    private readonly Complex32[] spectrum = new Complex32[Frame];

    /// <summary>How many frames there are.</summary>
    public int Frames => levels.Count;

    /// <summary>Takes the next samples.</summary>
    /// <param name="samples">16 kHz.</param>
    public void Push(ReadOnlySpan<float> samples)
    {
        heard.Append(samples);
        for (var start = (long)Frames * Hop; start + Frame <= heard.End; start += Hop)
        {
            Add(heard.Slice(start, start + Frame));
        }

        heard.DropBefore((long)Frames * Hop);
    }

    /// <summary>How loud a frame is, in dB.</summary>
    public float Level(int frame) => (float)levels[frame];

    /// <summary>Reads a frame.</summary>
    /// <param name="to">Takes <see cref="Count"/> numbers.</param>
    public void Read(int frame, Span<double> to)
    {
        var from = pages[frame / FramesAPage].AsSpan(frame % FramesAPage * Count, Count);
        for (var i = 0; i < Count; i++)
        {
            to[i] = (double)from[i];
        }
    }

    private void Add(ReadOnlySpan<float> samples)
    {
        TensorPrimitives.MultiplyAdd(samples[..^1], -Emphasis, samples[1..], emphasised.AsSpan(1));
        emphasised[0] = samples[0];
        for (var i = 0; i < Frame; i++)
        {
            spectrum[i] = emphasised[i] * Hann[i];
        }

        Fourier.Forward(spectrum, FourierOptions.NoScaling);
        for (var i = 0; i < power.Length; i++)
        {
            power[i] = spectrum[i].MagnitudeSquared;
        }

        for (var f = 0; f < Filters; f++)
        {
            bands[f] = (float)Math.Log(TensorPrimitives.Dot<float>(power, Mel[f]) + Floor);
        }

        if (Frames % FramesAPage == 0)
        {
            pages.Add(new Half[FramesAPage * Count]);
        }

        var to = pages[^1].AsSpan(Frames % FramesAPage * Count, Count);
        for (var c = 0; c < Count; c++)
        {
            to[c] = (Half)TensorPrimitives.Dot<float>(bands, Cosines[c]);
        }

        levels.Add((Half)(10 * Math.Log10(TensorPrimitives.Sum<float>(power) + Floor)));
    }

    /// <summary>Triangles that overlap by half, equally wide in mel.</summary>
    private static float[][] MelFilters()
    {
        static double ToMel(double hertz) => 2595 * Math.Log10(1 + (hertz / 700));
        static double ToHertz(double mel) => 700 * (Math.Pow(10, mel / 2595) - 1);
        var edges = Enumerable.Range(0, Filters + 2)
            .Select(i => ToHertz(ToMel(LowestHz) + ((ToMel(HighestHz) - ToMel(LowestHz)) * i / (Filters + 1)))).ToArray();
        return Enumerable.Range(0, Filters).Select(f => Enumerable.Range(0, (Frame / 2) + 1).Select(b =>
        {
            var hertz = (double)b * Pcm.SampleRate / Frame;
            return (float)Math.Max(0, Math.Min((hertz - edges[f]) / (edges[f + 1] - edges[f]), (edges[f + 2] - hertz) / (edges[f + 2] - edges[f + 1])));
        }).ToArray()).ToArray();
    }
}
