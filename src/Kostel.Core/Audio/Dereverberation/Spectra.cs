namespace Kostel.Core.Audio.Dereverberation;

/// <summary>One band of spectra: a complex number for every frame, its parts in a row each.</summary>
internal sealed record Band(float[] Real, float[] Imaginary)
{
    /// <summary>How many frames.</summary>
    public int Frames => Real.Length;

    /// <summary>The power of a frame.</summary>
    public float Power(int frame) => (Real[frame] * Real[frame]) + (Imaginary[frame] * Imaginary[frame]);

    /// <summary>The band over some of the frames.</summary>
    public Band Over(Range frames) => new(Real[frames], Imaginary[frames]);
}

/// <summary>Spectra of frames that follow each other.</summary>
internal sealed class Spectra(Band[] bands)
{
    /// <summary>Spectra of silence.</summary>
    public Spectra(int frames)
        : this(Enumerable.Range(0, ShortTimeSpectra.Bands).Select(_ => new Band(new float[frames], new float[frames])).ToArray())
    {
    }

    /// <summary>How many there are.</summary>
    public int Frames => bands[0].Frames;

    /// <summary>A band over all frames.</summary>
    public Band this[int band] => bands[band];

    /// <summary>The same frames, or other ones, with each band changed.</summary>
    public Spectra Select(Func<Band, Band> change) => new(Array.ConvertAll(bands, b => change(b)));

    /// <summary>Some of the frames.</summary>
    public Spectra Over(Range frames) => Select(b => b.Over(frames));
}
