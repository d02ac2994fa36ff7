using System.Buffers.Binary;
using Kostel.Core.Audio;
using Kostel.Core.Problems;

namespace Kostel.Core.Recordings;

/// <summary>What is done with a numbered piece of a recording.</summary>
public enum PieceOrder
{
    /// <summary>It is the next one.</summary>
    Take,

    /// <summary>It is there already: whoever sent it did not hear of that.</summary>
    IsThere,

    /// <summary>One before it is missing.</summary>
    Missing,
}

/// <summary>Small pieces in which a recording arrives: samples of 16 kHz, one channel, 16 bits, little-endian. Their numbers tell what is there, whatever is sent twice or out of turn.</summary>
public static class RecordedPiece
{
    /// <summary>Bytes of the longest piece: ten seconds.</summary>
    public const int MostBytes = 10 * Pcm.SampleRate * sizeof(short);

    /// <summary>No recording is longer: a day in class is not.</summary>
    public const int MostHours = 12;

    /// <summary>What to do with a piece.</summary>
    /// <param name="next">The number of the piece that is waited for, from 0.</param>
    /// <param name="number">Its own.</param>
    public static PieceOrder Order(int next, int number) => number == next ? PieceOrder.Take : number < next ? PieceOrder.IsThere : PieceOrder.Missing;

    /// <summary>Whether a recording may go on.</summary>
    /// <param name="recorded">Samples that are there.</param>
    /// <param name="more">Samples that come to them.</param>
    public static bool Fits(long recorded, int more) => recorded + more <= (long)MostHours * 3600 * Pcm.SampleRate;

    /// <summary>Its samples, from -1 to 1.</summary>
    /// <exception cref="NotValidException">It is no sound of this kind.</exception>
    public static float[] Samples(ReadOnlySpan<byte> piece)
    {
        if (piece.Length is 0 or > MostBytes || piece.Length % sizeof(short) != 0)
        {
            throw new NotValidException("This is no piece of a recording.");
        }

        var samples = new float[piece.Length / sizeof(short)];
        for (var i = 0; i < samples.Length; i++)
        {
            samples[i] = BinaryPrimitives.ReadInt16LittleEndian(piece[(i * sizeof(short))..]) / 32_768f;
        }

        return samples;
    }
}
