using System.Globalization;
using System.Text.Json;
using Kostel.Core.Audio;
using Kostel.Core.Chapters;
using Kostel.Core.Speech.Languages;
using Kostel.Core.Text;

namespace Kostel.Media;

/// <summary>What a recording's file says of itself.</summary>
/// <param name="Title">Null where it says none.</param>
/// <param name="Date">When it was made.</param>
/// <param name="Language">Of two letters; null where it says none, or that it is undetermined.</param>
/// <param name="Chapters">In the order of time.</param>
/// <param name="Captions">Captions inside of it that are texts.</param>
public sealed record FileTags(string? Title, DateOnly? Date, string? Language, IReadOnlyList<ChapterMark> Chapters, IReadOnlyList<CaptionStream> Captions)
{
    private const int LongestTitle = 200;

    /// <summary>Captions that are pictures cannot be read as text.</summary>
    private static readonly HashSet<string> TextCaptions = ["subrip", "srt", "ass", "ssa", "webvtt", "mov_text", "text"];

    /// <summary>A file that says nothing.</summary>
    public static readonly FileTags None = new(null, null, null, [], []);

    /// <summary>Reads what ffprobe tells.</summary>
    internal static FileTags Read(JsonElement probe, JsonElement audio)
    {
        var format = probe.GetProperty("format");
        var streams = probe.GetProperty("streams").EnumerateArray().ToList();
        return new FileTags(
            OneLine.Of(Tag(format, "title") ?? Tag(audio, "title") ?? "", LongestTitle) is { Length: > 0 } title ? title : null,
            Day(Tag(format, "date") ?? Tag(audio, "date") ?? Tag(format, "creation_time")),
            SpokenLanguages.CodeOf(Tag(audio, "language") ?? Tag(format, "language")),
            probe.TryGetProperty("chapters", out var chapters) ? ChapterFiles.Ordered(chapters.EnumerateArray().Select(Chapter)) : [],
            streams.Where(s => Text(s, "codec_type") == "subtitle").Select((s, i) => (Stream: s, Index: i)).Where(s => TextCaptions.Contains(Text(s.Stream, "codec_name") ?? ""))
                .Select(s => new CaptionStream(s.Index, SpokenLanguages.CodeOf(Tag(s.Stream, "language")), OneLine.Of(Tag(s.Stream, "title") ?? "", LongestTitle))).ToList());
    }

    private static ChapterMark Chapter(JsonElement chapter) => new(
        Tag(chapter, "title") ?? "",
        double.TryParse(Text(chapter, "start_time"), NumberStyles.Float, CultureInfo.InvariantCulture, out var s) && s is >= 0 and < int.MaxValue / 1000 ? (int)Math.Round(s * 1000) : -1);

    /// <summary>A whole date; a year by itself says too little. Containers write the beginning of their time where nobody set a clock.</summary>
    private static DateOnly? Day(string? text) =>
        text is { Length: >= 10 } && DateOnly.TryParseExact(text.AsSpan(0, 10), "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var day) && day.Year > 1980 ? day : null;

    private static string? Tag(JsonElement element, string name) =>
        element.TryGetProperty("tags", out var tags) && tags.EnumerateObject().FirstOrDefault(t => t.Name.Equals(name, StringComparison.OrdinalIgnoreCase)) is { Value.ValueKind: JsonValueKind.String } tag
            ? tag.Value.GetString()
            : null;

    private static string? Text(JsonElement element, string name) => element.TryGetProperty(name, out var value) ? value.ToString() : null;
}
