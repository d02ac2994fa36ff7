using System.Globalization;

namespace Kostel.Media;

/// <summary>A stretch of a recording's sound.</summary>
public sealed record SoundPart(string Path, int StartMs, int EndMs);

/// <summary>Puts stretches of recordings together to one.</summary>
public static class SoundCut
{
    /// <summary>Writes an MP4 file with AAC sound and chapters.</summary>
    /// <param name="metadata">Chapters as FFmpeg metadata.</param>
    /// <exception cref="MediaProblemException">The sound cannot be read.</exception>
    public static async Task Join(IReadOnlyList<SoundPart> parts, string metadata, string into, CancellationToken cancel)
    {
        var notes = into + ".txt";
        await File.WriteAllTextAsync(notes, metadata, cancel);
        try
        {
            var inputs = parts.SelectMany(IEnumerable<string> (p) => ["-ss", FfmpegProcess.Seconds(p.StartMs), "-t", FfmpegProcess.Seconds(p.EndMs - p.StartMs), .. Recording.Bounds, "-i", p.Path]);
            var same = parts.Select((_, i) => $"[{i}:a:0]aresample=44100,aformat=sample_fmts=fltp:channel_layouts=mono[a{i}]");
            var joined = string.Concat(parts.Select((_, i) => $"[a{i}]")) + $"concat=n={parts.Count}:v=0:a=1[out]";
            var (exit, _, errors) = await FfmpegProcess.Run(
                "ffmpeg",
                ["-nostdin", "-y", .. inputs, "-i", notes, "-filter_complex", string.Join(';', same.Append(joined)), "-map", "[out]", "-map_metadata", Count(parts.Count), "-map_chapters", Count(parts.Count), "-c:a", "aac", "-b:a", "64k", "-f", "mp4", into],
                cancel);
            if (exit != 0)
            {
                throw new MediaProblemException($"The sound of these parts cannot be put together. FFmpeg says: {errors.Trim().Split('\n').LastOrDefault()}");
            }
        }
        finally
        {
            File.Delete(notes);
        }
    }

    private static string Count(int n) => n.ToString(CultureInfo.InvariantCulture);
}
