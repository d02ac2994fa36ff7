using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using Kostel.Core.Captions;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Chapters;

/// <summary>Chapters as files have them: the open JSON form of Podcasting 2.0, WebVTT of the kind chapters, and FFmpeg's metadata.</summary>
public static partial class ChapterFiles
{
    /// <summary>More are no chapters.</summary>
    public const int Most = 2_000;

    private const int LongestTitle = 200;

    /// <summary>Its chapters in the order of time; those that begin where another does are left out.</summary>
    /// <exception cref="FormatException">The text is none of them.</exception>
    public static IReadOnlyList<ChapterMark> Read(string text)
    {
        return Ordered(IsJson(text) ? ReadJson(text) : FfMetadata.IsOne(text) ? FfMetadata.Read(text) : WebVtt.ReadChapters(text).Select(c => new ChapterMark(c.Title, c.StartMs)));
    }

    /// <summary>Whether a text holds chapters and nothing else: a transcript that has some is none.</summary>
    public static bool IsOne(string text) => WebVtt.IsChapters(text) || FfMetadata.IsOne(text) || (IsJson(text) && IsJsonOfChapters(text));

    private static bool IsJson(string text) => text.TrimStart('\uFEFF', ' ', '\r', '\n').StartsWith('{');

    private static bool IsJsonOfChapters(string text)
    {
        try
        {
            using var json = JsonDocument.Parse(text.TrimStart('\uFEFF'));
            return json.RootElement.TryGetProperty("chapters", out var chapters) && chapters.ValueKind == JsonValueKind.Array
                && !json.RootElement.TryGetProperty("passages", out _) && chapters.EnumerateArray().Any(c => c.ValueKind == JsonValueKind.Object && c.TryGetProperty("startTime", out _));
        }
        catch (JsonException)
        {
            return false;
        }
    }

    /// <summary>Writes chapters in the open JSON form of Podcasting 2.0 (version 1.2), times in seconds.</summary>
    /// <param name="more">Further fields of each chapter, which readers pass over.</param>
    public static JsonObject WriteJson(IReadOnlyList<Chapter> chapters, Func<int, IEnumerable<KeyValuePair<string, JsonNode?>>>? more = null) => new()
    {
        ["version"] = "1.2.0",
        ["chapters"] = new JsonArray([.. chapters.Select((c, i) => new JsonObject(
            new Dictionary<string, JsonNode?> { ["startTime"] = c.StartMs / 1000m, ["endTime"] = c.EndMs / 1000m, ["title"] = c.Title }.Concat(more?.Invoke(i) ?? [])))]),
    };

    /// <summary>Chapters in the order of time, each place once, with titles of one line; a title that only counts ("Chapter 03") says nothing and is left out.</summary>
    public static IReadOnlyList<ChapterMark> Ordered(IEnumerable<ChapterMark> chapters) => chapters
        .Where(c => c.StartMs >= 0)
        .Select(c => OneLine.Of(c.Title, LongestTitle) is var title && Counting().IsMatch(title) ? c with { Title = "" } : c with { Title = title })
        .OrderBy(c => c.StartMs).DistinctBy(c => c.StartMs).Take(Most).ToList();

    [GeneratedRegex(@"^((chapter|part|section|track|capítulo|parte)\s*)?\d{0,3}[.:]?$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Counting();

    private static List<ChapterMark> ReadJson(string text)
    {
        try
        {
            using var json = JsonDocument.Parse(text);
            return json.RootElement.TryGetProperty("chapters", out var chapters) && chapters.ValueKind == JsonValueKind.Array
                ? chapters.EnumerateArray().Where(IsInTable).Select(Chapter).OfType<ChapterMark>().ToList()
                : throw new FormatException("Expected chapters, and found other JSON.");
        }
        catch (JsonException e)
        {
            throw new FormatException($"Line {e.LineNumber + 1}: expected chapters as JSON.", e);
        }
    }

    /// <summary>Some are only moments for a picture, and say that they are not for the table of contents.</summary>
    private static bool IsInTable(JsonElement chapter) =>
        chapter.ValueKind == JsonValueKind.Object && !(chapter.TryGetProperty("toc", out var toc) && toc.ValueKind == JsonValueKind.False);

    private static ChapterMark? Chapter(JsonElement chapter) =>
        chapter.TryGetProperty("startTime", out var start) && start.ValueKind == JsonValueKind.Number && start.TryGetDouble(out var seconds) && seconds is >= 0 and < int.MaxValue / 1000
            ? new ChapterMark(chapter.TryGetProperty("title", out var title) ? title.ToString() : "", (int)Math.Round(seconds * 1000))
            : null;
}
