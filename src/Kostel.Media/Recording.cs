using System.Globalization;
using System.Text.Json;
using Kostel.Core.Audio;

namespace Kostel.Media;

/// <summary>What a file turned out to be.</summary>
/// <param name="DurationMs">Of the sound, as the file says; 0 when it does not.</param>
/// <param name="HasPicture">Moving picture, not a cover image.</param>
/// <param name="Container">FFmpeg's name, for example <c>matroska,webm</c>.</param>
public sealed record RecordingFacts(int DurationMs, bool HasPicture, string Container, string AudioCodec, string? VideoCodec)
{
    /// <summary>What else it says of itself.</summary>
    public FileTags Tags { get; init; } = FileTags.None;

    /// <summary>How its picture's points are stored, as FFmpeg calls it.</summary>
    public string? PixelFormat { get; init; }
}

/// <summary>Sound and video files, through FFmpeg.</summary>
public static class Recording
{
    /// <summary>The containers that are read: those that hold their sound themselves. Playlists (HLS, DASH, concat and the like) name other files, which may be anybody's.</summary>
    private static readonly string[] Containers =
    [
        "aac", "ac3", "aiff", "amr", "amrnb", "amrwb", "ape", "asf", "au", "avi", "caf", "dts", "eac3", "flac", "flv", "gsm", "loas", "matroska", "mov", "mp3", "mpc", "mpc8",
        "mpeg", "mpegts", "mxf", "nut", "ogg", "oma", "rm", "tak", "tta", "voc", "w64", "wav", "webm", "wtv", "wv",
    ];

    internal static readonly string[] Bounds = ["-v", "error", "-protocol_whitelist", "file,pipe", "-format_whitelist", string.Join(',', Containers)];

    /// <summary>Speech needs sound up to some kilohertz; the telephone has 8,000 samples a second.</summary>
    private const int LeastSampleRate = 4_000;

    private static readonly TimeSpan Longest = TimeSpan.FromHours(48), LongestLook = TimeSpan.FromSeconds(10);

    /// <summary>Looks at a file. Its name says nothing: only its content counts.</summary>
    /// <exception cref="MediaProblemException">It is empty, no recording, cut off, or has no sound.</exception>
    public static async Task<RecordingFacts> Probe(string path, CancellationToken cancel = default)
    {
        if (!File.Exists(path))
        {
            throw new MediaProblemException("The file is not there any more.");
        }

        if (new FileInfo(path).Length == 0)
        {
            throw new MediaProblemException("The file is empty: it holds not a single byte. Copy it from where it was recorded again.");
        }

        var (exit, output, errors) = await FfmpegProcess.Run(
            "ffprobe", [.. Bounds, "-show_format", "-show_streams", "-show_chapters", "-of", "json", path], cancel);
        if (exit != 0)
        {
            throw new MediaProblemException(errors.Contains("not on whitelist", StringComparison.Ordinal)
                ? "This is not a sound or video file of a kind that Kostel takes. A picture, a text and a list that only names other files are none; choose the recording itself."
                : errors.Contains("moov atom not found", StringComparison.Ordinal)
                ? "The file is cut off: its index, which stands at the end, is missing. The copy or download was probably interrupted. Bring in a complete copy."
                : "This is not a sound or video file that Kostel can read. It takes what FFmpeg takes: mp3, m4a, wav, ogg, opus, flac, mp4, webm, mkv, mov and more.");
        }

        using var json = JsonDocument.Parse(output);
        var format = json.RootElement.GetProperty("format");
        var container = Text(format, "format_name") ?? "";
        var streams = json.RootElement.GetProperty("streams").EnumerateArray().ToList();
        var audio = streams.FirstOrDefault(s => Text(s, "codec_type") == "audio");
        var video = streams.FirstOrDefault(s => Text(s, "codec_type") == "video" && !IsCover(s));
        if (audio.ValueKind == JsonValueKind.Undefined)
        {
            throw new MediaProblemException(video.ValueKind == JsonValueKind.Undefined
                ? "There is no sound in this file."
                : "This video has no sound, so there is nothing to transcribe.");
        }

        if (int.TryParse(Text(audio, "sample_rate"), NumberStyles.None, CultureInfo.InvariantCulture, out var rate) && rate < LeastSampleRate)
        {
            throw new MediaProblemException($"This sound has only {rate} samples a second, too few for speech to be in it. The file is probably damaged, or was written by mistake; export it again.");
        }

        if (Math.Max(Seconds(Text(audio, "duration")), Seconds(Text(format, "duration"))) > Longest.TotalMilliseconds)
        {
            throw new MediaProblemException($"This recording says that it is longer than {Longest.TotalHours:0} hours. The file is probably damaged; if it is not, cut it into parts first.");
        }

        return new RecordingFacts(
            Seconds(Text(audio, "duration")) is > 0 and var ofSound ? ofSound : Seconds(Text(format, "duration")),
            video.ValueKind != JsonValueKind.Undefined,
            container,
            Text(audio, "codec_name") ?? "",
            video.ValueKind == JsonValueKind.Undefined ? null : Text(video, "codec_name"))
        {
            Tags = FileTags.Read(json.RootElement, audio),
            PixelFormat = video.ValueKind == JsonValueKind.Undefined ? null : Text(video, "pix_fmt"),
        };
    }

    /// <summary>Captions inside of a file, as WebVTT.</summary>
    /// <param name="index">Which of its streams of captions, from 0.</param>
    /// <exception cref="MediaProblemException">They cannot be read.</exception>
    public static async Task<string> Captions(string path, int index, CancellationToken cancel)
    {
        var (exit, output, _) = await FfmpegProcess.Run("ffmpeg", ["-nostdin", .. Bounds, "-i", path, "-map", $"0:s:{index}", "-f", "webvtt", "pipe:1"], cancel);
        return exit == 0 && output.StartsWith("WEBVTT", StringComparison.Ordinal) ? output : throw new MediaProblemException("The captions in this file cannot be read.");
    }

    /// <summary>Puts sound to a picture without sound, both as they are.</summary>
    /// <exception cref="MediaProblemException">They do not go together.</exception>
    public static async Task Join(string picture, string sound, string into, CancellationToken cancel)
    {
        var (exit, _, errors) = await FfmpegProcess.Run(
            "ffmpeg", ["-nostdin", "-y", .. Bounds, "-i", picture, .. Bounds, "-i", sound, "-map", "0:v:0", "-map", "1:a:0", "-c", "copy", "-f", "matroska", into], cancel);
        if (exit != 0)
        {
            throw new MediaProblemException($"Picture and sound of this stream do not go together. FFmpeg says: {errors.Trim().Split('\n').LastOrDefault()}");
        }
    }

    /// <summary>Makes a copy that browsers play; what they can play of it already is taken as it is.</summary>
    /// <param name="into">Where it goes: an MP4 file.</param>
    /// <exception cref="MediaProblemException">It cannot be made.</exception>
    public static async Task Copy(string path, RecordingFacts facts, string into, CancellationToken cancel)
    {
        string[] picture = !facts.HasPicture ? ["-vn"]
            : BrowserPlayback.PlaysPicture(facts) ? ["-map", "0:v:0", "-c:v", "copy"]
            : ["-map", "0:v:0", "-c:v", "libx264", "-preset", "ultrafast", "-crf", "27", "-pix_fmt", "yuv420p", "-vf", "scale='min(1280,iw)':-2"];
        string[] sound = facts.AudioCodec is "aac" or "mp3" ? ["-c:a", "copy"] : ["-c:a", "aac", "-b:a", "96k"];
        var (exit, _, errors) = await FfmpegProcess.Run(
            "ffmpeg", ["-nostdin", "-y", .. Bounds, "-i", path, "-map", "0:a:0", .. picture, .. sound, "-movflags", "+faststart", "-f", "mp4", into], cancel);
        if (exit != 0)
        {
            throw new MediaProblemException($"No copy for playing could be made of this file. FFmpeg says: {errors.Trim().Split('\n').LastOrDefault()}");
        }
    }

    /// <summary>What a file is, or null where that cannot be told within some seconds: for whoever can do without.</summary>
    public static async Task<RecordingFacts?> TryProbe(string path, CancellationToken cancel)
    {
        using var limit = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        limit.CancelAfter(LongestLook);
        try
        {
            return await Probe(path, limit.Token);
        }
        catch (Exception e) when (e is MediaProblemException || (e is OperationCanceledException && !cancel.IsCancellationRequested))
        {
            return null;
        }
    }

    /// <summary>The sound of a file as 16 kHz mono floats, in pieces of up to half a second, from the start.</summary>
    /// <remarks>A file that breaks off gives what could be read; whether it did is told by its length against <see cref="RecordingFacts.DurationMs"/>.</remarks>
    /// <exception cref="MediaProblemException">Nothing at all could be decoded.</exception>
    public static async IAsyncEnumerable<ReadOnlyMemory<float>> Decode(
        string path, [System.Runtime.CompilerServices.EnumeratorCancellation] CancellationToken cancel = default)
    {
        using var process = FfmpegProcess.Start(
            "ffmpeg",
            ["-nostdin", .. Bounds, "-i", path, "-map", "0:a:0", "-vn", "-t", $"{Longest.TotalSeconds:0}", "-ac", "1", "-ar", $"{Pcm.SampleRate}", "-f", "f32le", "pipe:1"]);
        var errors = process.StandardError.ReadToEndAsync(CancellationToken.None);
        var any = false;
        try
        {
            var bytes = new byte[Pcm.SampleRate * sizeof(float) / 2];
            while (true)
            {
                var read = await process.StandardOutput.BaseStream.ReadAtLeastAsync(bytes, bytes.Length, throwOnEndOfStream: false, cancel);
                var samples = new float[read / sizeof(float)];
                Buffer.BlockCopy(bytes, 0, samples, 0, samples.Length * sizeof(float));
                if (samples.Length > 0)
                {
                    any = true;
                    yield return samples;
                }

                if (read < bytes.Length)
                {
                    break;
                }
            }
        }
        finally
        {
            if (!process.HasExited)
            {
                process.Kill(entireProcessTree: true);
            }
        }

        await process.WaitForExitAsync(cancel);
        if (!any)
        {
            var reason = (await errors).Trim().Split('\n').LastOrDefault() ?? "";
            throw new MediaProblemException($"No sound could be decoded from this file. FFmpeg says: {reason}");
        }
    }

    private static bool IsCover(JsonElement stream) =>
        stream.TryGetProperty("disposition", out var d) && d.TryGetProperty("attached_pic", out var a) && a.GetInt32() == 1;

    private static string? Text(JsonElement element, string name) =>
        element.TryGetProperty(name, out var value) ? value.ToString() : null;

    private static int Seconds(string? text) =>
        double.TryParse(text, NumberStyles.Float, CultureInfo.InvariantCulture, out var s) && s > 0 ? (int)Math.Min(s * 1000, int.MaxValue) : 0;
}
