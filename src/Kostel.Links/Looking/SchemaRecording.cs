using System.Globalization;
using System.Text.Json;
using System.Xml;
using Kostel.Core.Chapters;

namespace Kostel.Links.Looking;

/// <summary>A recording as schema.org describes it in JSON-LD: VideoObject or AudioObject.</summary>
/// <param name="Json">The object.</param>
internal sealed record SchemaRecording(JsonElement Json)
{
    private const int Deepest = 12;
    private static readonly string[] Types = ["VideoObject", "AudioObject", "MediaObject"];

    /// <summary>The first recording in a block of JSON-LD, however deep it stands; null if there is none or it is no JSON.</summary>
    public static SchemaRecording? Find(string text)
    {
        try
        {
            using var json = JsonDocument.Parse(text, new JsonDocumentOptions { AllowTrailingCommas = true, CommentHandling = JsonCommentHandling.Skip, MaxDepth = 64 });
            return Search(json.RootElement, 0) is { } found ? new SchemaRecording(found.Clone()) : null;
        }
        catch (JsonException)
        {
            return null;
        }
    }

    public string? Text(string name) => Json.TryGetProperty(name, out var value) ? AsText(value) : null;

    /// <summary>An ISO 8601 duration ("PT1H2M3S").</summary>
    public int? DurationMs
    {
        get
        {
            try
            {
                return Text("duration") is { } text && XmlConvert.ToTimeSpan(text).TotalMilliseconds is > 0 and < int.MaxValue and var ms ? (int)ms : null;
            }
            catch (Exception e) when (e is FormatException or OverflowException)
            {
                return null;
            }
        }
    }

    /// <summary>Addresses of captions.</summary>
    public IEnumerable<(string Address, string? Type, string? Language)> Captions() => Items("caption")
        .Where(c => c.ValueKind == JsonValueKind.Object)
        .Select(c => new SchemaRecording(c))
        .Where(c => (c.Text("contentUrl") ?? c.Text("url")) is not null)
        .Select(c => ((c.Text("contentUrl") ?? c.Text("url"))!, c.Text("encodingFormat"), c.Text("inLanguage")));

    /// <summary>Its clips as chapters.</summary>
    public IEnumerable<ChapterMark> Chapters() => Items("hasPart")
        .Where(c => c.ValueKind == JsonValueKind.Object)
        .Select(c => new SchemaRecording(c))
        .Where(c => c.Text("startOffset") is not null)
        .Select(c => (Title: c.Text("name") ?? "", Start: double.TryParse(c.Text("startOffset"), NumberStyles.Float, CultureInfo.InvariantCulture, out var s) ? s : -1))
        .Where(c => c.Start is >= 0 and < int.MaxValue / 1000)
        .Select(c => new ChapterMark(c.Title, (int)(c.Start * 1000)));

    private List<JsonElement> Items(string name) => !Json.TryGetProperty(name, out var value) ? []
        : value.ValueKind == JsonValueKind.Array ? [.. value.EnumerateArray()]
        : [value];

    private static string? AsText(JsonElement value) => value.ValueKind switch
    {
        JsonValueKind.String => value.GetString(),
        JsonValueKind.Number => value.GetRawText(),
        JsonValueKind.Array => value.EnumerateArray().Select(AsText).FirstOrDefault(t => t is not null),
        JsonValueKind.Object => value.TryGetProperty("url", out var url) ? AsText(url) : value.TryGetProperty("@value", out var text) ? AsText(text) : null,
        _ => null,
    };

    private static JsonElement? Search(JsonElement json, int depth)
    {
        if (depth > Deepest)
        {
            return null;
        }

        if (json.ValueKind == JsonValueKind.Object)
        {
            if (json.TryGetProperty("@type", out var type) && IsRecording(type) && (json.TryGetProperty("contentUrl", out _) || json.TryGetProperty("embedUrl", out _)))
            {
                return json;
            }

            return json.EnumerateObject().Select(p => Search(p.Value, depth + 1)).FirstOrDefault(f => f is not null);
        }

        return json.ValueKind == JsonValueKind.Array ? json.EnumerateArray().Select(i => Search(i, depth + 1)).FirstOrDefault(f => f is not null) : null;
    }

    private static bool IsRecording(JsonElement type) => type.ValueKind == JsonValueKind.Array
        ? type.EnumerateArray().Any(IsRecording)
        : type.ValueKind == JsonValueKind.String && Types.Contains(type.GetString()!.Split('/', ':')[^1]);
}
