using System.Runtime.CompilerServices;
using Kostel.Core.Audio;

namespace Kostel.Media;

/// <summary>Sound that a device gives, as it comes.</summary>
public static class InputSound
{
    /// <summary>A quarter of a second.</summary>
    private const int PieceBytes = Pcm.SampleRate / 4 * sizeof(short);

    private static readonly TimeSpan Moment = TimeSpan.FromMilliseconds(500);

    /// <summary>Reads a device in pieces of 16 kHz, one channel, 16 bits, little-endian.</summary>
    /// <param name="length">It ends by itself after so many samples; null goes on until it is stopped.</param>
    /// <param name="stop">Ends it; what was heard until then is given.</param>
    /// <exception cref="MediaProblemException">The device cannot be opened, or is gone. What was heard before was given.</exception>
    public static async IAsyncEnumerable<ReadOnlyMemory<byte>> Read(InputDevice device, TimeSpan? length, [EnumeratorCancellation] CancellationToken stop)
    {
        // Sound that is made up comes as fast as it is spoken too.
        string[] pace = device.System == "lavfi" ? ["-re"] : [];
        using var process = FfmpegProcess.Start(
            "ffmpeg", ["-v", "error", "-nostdin", .. pace, "-f", device.System, "-i", device.Name, "-ac", "1", "-ar", $"{Pcm.SampleRate}", "-f", "s16le", "-flush_packets", "1", "pipe:1"]);
        var errors = process.StandardError.ReadToEndAsync(CancellationToken.None);
        var left = length is { } wanted ? (long)(wanted.TotalSeconds * Pcm.SampleRate) * sizeof(short) : long.MaxValue;
        try
        {
            var sound = process.StandardOutput.BaseStream;
            var buffer = new byte[PieceBytes];
            var held = 0;
            while (left > 0)
            {
                int read;
                try
                {
                    read = await sound.ReadAsync(buffer.AsMemory(held, (int)Math.Min(buffer.Length - held, left)), stop);
                }
                catch (OperationCanceledException)
                {
                    break;
                }

                held += read;
                left -= read;
                if (held == buffer.Length || read == 0 || left == 0)
                {
                    yield return buffer.AsMemory(0, held - (held % sizeof(short)));
                    held = 0;
                }

                if (read == 0)
                {
                    // Ctrl-C reaches FFmpeg too, and may reach it first.
                    await Task.Delay(Moment, stop).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
                    if (stop.IsCancellationRequested)
                    {
                        break;
                    }

                    throw new MediaProblemException(Why(device, await errors));
                }
            }

            if (held > 1)
            {
                yield return buffer.AsMemory(0, held - (held % sizeof(short)));
            }
        }
        finally
        {
            if (!process.HasExited)
            {
                process.Kill(entireProcessTree: true);
            }
        }
    }

    private static string Why(InputDevice device, string errors) =>
        errors.Contains("busy", StringComparison.OrdinalIgnoreCase) ? $"Another program has {device.Address}. Close that, then try again."
        : errors.Contains("denied", StringComparison.OrdinalIgnoreCase) ? $"This computer does not give {device.Address} to you."
        : $"{device.Address} gives no sound any more, or none at all. ./kostel record --devices lists what there is.";
}
