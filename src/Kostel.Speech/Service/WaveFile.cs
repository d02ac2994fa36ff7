using System.Buffers.Binary;
using Kostel.Core.Audio;

namespace Kostel.Speech.Service;

/// <summary>Sound as a WAVE file: RIFF, PCM, one channel, 16 bit (Multimedia Programming Interface and Data Specifications 1.0, 1991).</summary>
public static class WaveFile
{
    /// <summary>So much stands before the samples.</summary>
    public const int HeaderBytes = 44;

    private const int FormatBytes = 16, PcmFormat = 1;

    /// <summary>What stands before so many bytes of samples.</summary>
    /// <param name="data">Less than 4 GB.</param>
    public static byte[] Header(long data)
    {
        var header = new byte[HeaderBytes];
        "RIFF"u8.CopyTo(header);
        BinaryPrimitives.WriteUInt32LittleEndian(header.AsSpan(4), checked((uint)(HeaderBytes - 8 + data)));
        "WAVEfmt "u8.CopyTo(header.AsSpan(8));
        BinaryPrimitives.WriteInt32LittleEndian(header.AsSpan(16), FormatBytes);
        BinaryPrimitives.WriteInt16LittleEndian(header.AsSpan(20), PcmFormat);
        BinaryPrimitives.WriteInt16LittleEndian(header.AsSpan(22), 1);
        BinaryPrimitives.WriteInt32LittleEndian(header.AsSpan(24), Pcm.SampleRate);
        BinaryPrimitives.WriteInt32LittleEndian(header.AsSpan(28), Pcm.SampleRate * sizeof(short));
        BinaryPrimitives.WriteInt16LittleEndian(header.AsSpan(32), sizeof(short));
        BinaryPrimitives.WriteInt16LittleEndian(header.AsSpan(34), 16);
        "data"u8.CopyTo(header.AsSpan(36));
        BinaryPrimitives.WriteUInt32LittleEndian(header.AsSpan(40), (uint)data);
        return header;
    }

    /// <summary>Writes samples in −1…1; what is beyond is cut off.</summary>
    public static byte[] Of(ReadOnlySpan<float> samples)
    {
        var data = samples.Length * sizeof(short);
        var file = new byte[HeaderBytes + data];
        Header(data).CopyTo(file, 0);
        for (var i = 0; i < samples.Length; i++)
        {
            BinaryPrimitives.WriteInt16LittleEndian(
                file.AsSpan(HeaderBytes + (i * sizeof(short))), (short)Math.Clamp(MathF.Round(samples[i] * short.MaxValue), short.MinValue, short.MaxValue));
        }

        return file;
    }
}
