namespace Kostel.Server.Features.Lectures;

/// <summary>What to tell a browser about a recording: only ever a kind of sound or video, whatever the file is called.</summary>
internal static class MediaTypes
{
    private static readonly Dictionary<string, string> ByExtension = new(StringComparer.OrdinalIgnoreCase)
    {
        [".mp3"] = "audio/mpeg",
        [".m4a"] = "audio/mp4",
        [".aac"] = "audio/aac",
        [".wav"] = "audio/wav",
        [".ogg"] = "audio/ogg",
        [".opus"] = "audio/ogg",
        [".flac"] = "audio/flac",
        [".webm"] = "video/webm",
        [".mp4"] = "video/mp4",
        [".m4v"] = "video/mp4",
        [".mov"] = "video/mp4",
        [".mkv"] = "video/webm",
    };

    public static string Of(string fileName, bool hasPicture) =>
        ByExtension.GetValueOrDefault(Path.GetExtension(fileName)) ?? (hasPicture ? "video/mp4" : "audio/mpeg");
}
