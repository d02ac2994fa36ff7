using System.Runtime.CompilerServices;

namespace Kostel.Core.Audio;

/// <summary>Everything that is noted about the sound of a recording while it passes by.</summary>
public sealed class SoundMeters
{
    /// <summary>How loud it is, for drawing.</summary>
    public WaveformPeaks Peaks { get; } = new();

    /// <summary>How much of it was too loud for the device, and how long it is.</summary>
    public ClippingMeter Clipping { get; } = new();

    /// <summary>How the voices sound.</summary>
    public MelCepstra Voices { get; } = new();

    /// <summary>The sound, noted as it passes.</summary>
    public async IAsyncEnumerable<ReadOnlyMemory<float>> Noting(IAsyncEnumerable<ReadOnlyMemory<float>> sound, [EnumeratorCancellation] CancellationToken cancel = default)
    {
        await foreach (var piece in sound.WithCancellation(cancel))
        {
            Peaks.Push(piece.Span);
            Clipping.Push(piece.Span);
            Voices.Push(piece.Span);
            yield return piece;
        }
    }
}
