using System.Globalization;
using System.Text.RegularExpressions;
using Kostel.Core.Chapters;

namespace Kostel.Media;

/// <summary>The picture of a video, through FFmpeg.</summary>
public static partial class MovingPicture
{
    private const int Width = 64, Height = 36;

    /// <summary>Key pictures that lie further apart than this on average leave slides out.</summary>
    private const int FarApartMs = 12_000;

    /// <summary>A picture a second is enough; in a very long video there are fewer.</summary>
    private const int MostPictures = 10_000;

    /// <summary>Between two key pictures the change is looked for so often in a second.</summary>
    private const int CloseRate = 4;

    /// <summary>Nobody waits for slides longer than this part of the recording, or this long for a short one.</summary>
    private const int PartOfLength = 8, LeastLimitMs = 30_000;

    /// <summary>When other slides come, in milliseconds; none where the picture moves all the time, cannot be read, or takes too long to look through.</summary>
    /// <remarks>Only the pictures that stand by themselves in the file are decoded where they are frequent enough, and then what lies around a change.</remarks>
    public static async Task<IReadOnlyList<int>> SlideChangesOf(string path, int durationMs, CancellationToken cancel)
    {
        using var limit = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        limit.CancelAfter(Math.Max(LeastLimitMs, durationMs / PartOfLength));
        try
        {
            var keys = await Pictures(path, ["-skip_frame", "nokey"], "", limit.Token);
            if (keys.Count < 2 || durationMs / keys.Count > FarApartMs)
            {
                var every = Math.Max(1, durationMs / 1000.0 / MostPictures);
                return SlideChanges.In(await Pictures(path, [], string.Create(CultureInfo.InvariantCulture, $"fps=1/{every:0.###},"), limit.Token));
            }

            var changes = new List<int>();
            foreach (var (before, at) in SlideChanges.Steps(keys))
            {
                var between = await Pictures(path, ["-ss", FfmpegProcess.Seconds(before), "-t", FfmpegProcess.Seconds(at - before + (1000 / CloseRate))], $"fps={CloseRate},", limit.Token);
                changes.Add(between.Count < 2 ? at : before + SlideChanges.Greatest(between));
            }

            return changes;
        }
        catch (OperationCanceledException) when (!cancel.IsCancellationRequested)
        {
            return [];
        }
    }

    /// <summary>Writes the picture at a time as a small JPEG.</summary>
    /// <param name="width">In pixels at most, and no wider than the video; the height follows.</param>
    /// <exception cref="MediaProblemException">There is none.</exception>
    public static async Task Still(string path, int atMs, int width, string into, CancellationToken cancel)
    {
        var (exit, _, _) = await FfmpegProcess.Run(
            "ffmpeg",
            ["-nostdin", "-y", .. Recording.Bounds, "-ss", FfmpegProcess.Seconds(atMs), "-i", path, "-map", "0:v:0", "-frames:v", "1", "-vf", $"scale='min({width},iw)':-2", "-map_metadata", "-1", "-q:v", "4", "-f", "image2", "-update", "1", into],
            cancel);
        if (exit != 0 || new FileInfo(into) is not { Exists: true, Length: > 0 })
        {
            File.Delete(into);
            throw new MediaProblemException("There is no picture at this time.");
        }
    }

    /// <summary>Small grey pictures with their times from the start of what is read; what could be read of a damaged file.</summary>
    private static async Task<List<GreyPicture>> Pictures(string path, string[] input, string filter, CancellationToken cancel)
    {
        using var process = FfmpegProcess.Start(
            "ffmpeg",
            [
                "-nostdin", .. Recording.Bounds, "-v", "info", "-nostats", .. input, "-i", path, "-map", "0:v:0",
                "-vf", $"{filter}scale={Width}:{Height}:flags=area,format=gray,showinfo", "-fps_mode", "passthrough", "-f", "rawvideo", "pipe:1",
            ]);
        try
        {
            var times = Times(process.StandardError, cancel);
            var pictures = new List<byte[]>();
            while (true)
            {
                var points = new byte[Width * Height];
                if (await process.StandardOutput.BaseStream.ReadAtLeastAsync(points, points.Length, throwOnEndOfStream: false, cancel) < points.Length)
                {
                    break;
                }

                pictures.Add(points);
            }

            return (await times).Zip(pictures, (at, points) => new GreyPicture(at, points)).ToList();
        }
        finally
        {
            if (!process.HasExited)
            {
                process.Kill(entireProcessTree: true);
            }
        }
    }

    private static async Task<List<int>> Times(StreamReader log, CancellationToken cancel)
    {
        var times = new List<int>();
        while (await log.ReadLineAsync(cancel) is { } line)
        {
            if (PictureTime().Match(line) is { Success: true } match)
            {
                times.Add((int)Math.Clamp(double.Parse(match.Groups[1].ValueSpan, CultureInfo.InvariantCulture) * 1000, 0, int.MaxValue));
            }
        }

        return times;
    }

    [GeneratedRegex(@" n: *\d+ pts: *-?\d+ pts_time:(-?[0-9.]+)")]
    private static partial Regex PictureTime();
}
