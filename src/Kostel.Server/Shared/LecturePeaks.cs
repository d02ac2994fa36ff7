using Kostel.Core.Audio;
using Kostel.Data;
using Kostel.Media;

namespace Kostel.Server.Shared;

/// <summary>The loudness of a lecture's sound for drawing, worked out once and kept beside it.</summary>
internal static class LecturePeaks
{
    /// <summary>20 bytes for each second: the loudness of 50 ms, 0 for silence. Empty if there is no sound that can be read.</summary>
    public static async Task<byte[]> Read(LibraryFolder library, string lectureId, CancellationToken cancel)
    {
        var path = library.Peaks(lectureId);
        if (File.Exists(path))
        {
            return await File.ReadAllBytesAsync(path, cancel);
        }

        var peaks = new WaveformPeaks();
        try
        {
            await foreach (var piece in Recording.Decode(library.Original(lectureId), cancel))
            {
                peaks.Push(piece.Span);
            }
        }
        catch (MediaProblemException)
        {
            return [];
        }

        var bytes = peaks.ToArray();
        await Keep(path, bytes, cancel);
        return bytes;
    }

    private static async Task Keep(string path, byte[] bytes, CancellationToken cancel)
    {
        try
        {
            var fresh = $"{path}.{Guid.NewGuid():N}";
            await File.WriteAllBytesAsync(fresh, bytes, cancel);
            File.Move(fresh, path, overwrite: true);
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            // On a full disk it is computed anew each time.
        }
    }
}
