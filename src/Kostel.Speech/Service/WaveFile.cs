using System.Buffers.Binary;
using Kostel.Core.Audio;

namespace Kostel.Speech.Service;

/// <summary>Sound as a WAVE file: RIFF, PCM, one channel, 16 bit (Multimedia Programming Interface and Data Specifications 1.0, 1991).</summary>
public static class WaveFile
{
    private const int HeaderBytes = 44, FormatBytes = 16, PcmFormat = 1;

    /// <summary>Writes samples in −1…1; what is beyond is cut off.</summary>
    public static byte[] Of(ReadOnlySpan<float> samples)
    {
        var data = samples.Length * sizeof(short);
        var file = new byte[HeaderBytes + data];
        "RIFF"u8.CopyTo(file);
        BinaryPrimitives.WriteInt32LittleEndian(file.AsSpan(4), HeaderBytes - 8 + data);
        "WAVEfmt "u8.CopyTo(file.AsSpan(8));
        BinaryPrimitives.WriteInt32LittleEndian(file.AsSpan(16), FormatBytes);
        BinaryPrimitives.WriteInt16LittleEndian(file.AsSpan(20), PcmFormat);
        BinaryPrimitives.WriteInt16LittleEndian(file.AsSpan(22), 1);
        BinaryPrimitives.WriteInt32LittleEndian(file.AsSpan(24), Pcm.SampleRate);
        BinaryPrimitives.WriteInt32LittleEndian(file.AsSpan(28), Pcm.SampleRate * sizeof(short));
        BinaryPrimitives.WriteInt16LittleEndian(file.AsSpan(32), sizeof(short));
        BinaryPrimitives.WriteInt16LittleEndian(file.AsSpan(34), 16);
        "data"u8.CopyTo(file.AsSpan(36));
        BinaryPrimitives.WriteInt32LittleEndian(file.AsSpan(40), data);
        for (var i = 0; i < samples.Length; i++)
        {
            BinaryPrimitives.WriteInt16LittleEndian(
                file.AsSpan(HeaderBytes + (i * sizeof(short))), (short)Math.Clamp(MathF.Round(samples[i] * short.MaxValue), short.MinValue, short.MaxValue));
        }

        return file;
    }
}
