namespace Kostel.Media;

/// <summary>Pictures from outside, through FFmpeg: decoded and written anew, so that nothing is kept but what can be seen.</summary>
public static class Picture
{
    private const int MostPixels = 50_000_000, LongestEdge = 4_096;
    private const string Formats = "png_pipe,jpeg_pipe,webp_pipe,gif,gif_pipe";

    /// <summary>Writes a picture anew: upright, of at most 4,096 pixels a side, without whatever stood beside the picture itself. A photograph stays a JPEG, all else becomes a PNG.</summary>
    /// <param name="from">A file without an ending in its name.</param>
    /// <param name="toWithoutEnding">Where the new one goes; its ending is added.</param>
    /// <returns>The path that was written.</returns>
    /// <exception cref="MediaProblemException">It is no picture of a kind that is taken.</exception>
    public static async Task<string> WriteAnew(string from, string toWithoutEnding, CancellationToken cancel)
    {
        var (_, format, _) = await FfmpegProcess.Run("ffprobe", [.. Bounds, "-show_entries", "format=format_name", "-of", "csv=p=0", from], cancel);
        var to = toWithoutEnding + (format.Trim() == "jpeg_pipe" ? ".jpg" : ".png");
        var (exit, _, _) = await FfmpegProcess.Run(
            "ffmpeg",
            [
                "-nostdin", "-y", .. Bounds, "-i", from, "-frames:v", "1", "-map_metadata", "-1", "-bitexact",
                "-vf", $"scale=w='min({LongestEdge},iw)':h='min({LongestEdge},ih)':force_original_aspect_ratio=decrease", "-q:v", "3", "-f", "image2", "-update", "1", to,
            ],
            cancel);
        if (exit == 0 && new FileInfo(to) is { Exists: true, Length: > 0 })
        {
            return to;
        }

        File.Delete(to);
        throw new MediaProblemException("This is no picture that Kostel can show: it takes PNG, JPEG, WebP and GIF.");
    }

    private static string[] Bounds => ["-v", "error", "-protocol_whitelist", "file,pipe", "-format_whitelist", Formats, "-max_pixels", $"{MostPixels}"];
}
