using System.Text;
using System.Text.Json;

namespace Kostel.Server.Features.Pages;

/// <summary>What the browser is told to fetch before the program asks for it, read from the list that the front end's build leaves beside its page.</summary>
internal static class EarlyFiles
{
    private const string Entry = "index.html";
    private const string LectureScreen = "src/features/lecture/LectureScreen.vue";

    /// <summary>The two faces of the page and of its margin: without them the first lines would be set twice.</summary>
    private static readonly string[] Faces = ["literata-latin-wght-normal", "atkinson-hyperlegible-next-latin-400-normal"];

    /// <summary>The tags for a page that opens a lecture: its program, its style sheets and the faces. Empty without a list.</summary>
    public static string Tags(string folder)
    {
        var list = Path.Combine(folder, "manifest.json");
        if (!File.Exists(list))
        {
            return "";
        }

        using var file = File.OpenRead(list);
        var chunks = JsonSerializer.Deserialize<Dictionary<string, Chunk>>(file, JsonSerializerOptions.Web) ?? [];
        var already = Reached(chunks, Entry);
        var tags = new StringBuilder();
        foreach (var chunk in Reached(chunks, LectureScreen).Except(already).Select(name => chunks[name]))
        {
            tags.Append("<link rel=\"modulepreload\" crossorigin href=\"/").Append(chunk.File).Append("\">");
            foreach (var sheet in chunk.Css ?? [])
            {
                tags.Append("<link rel=\"stylesheet\" crossorigin href=\"/").Append(sheet).Append("\">");
            }
        }

        foreach (var face in chunks.GetValueOrDefault(Entry)?.Assets ?? [])
        {
            if (face.EndsWith(".woff2", StringComparison.Ordinal) && Faces.Any(f => face.Contains(f, StringComparison.Ordinal)))
            {
                tags.Append("<link rel=\"preload\" as=\"font\" type=\"font/woff2\" crossorigin href=\"/").Append(face).Append("\">");
            }
        }

        return tags.ToString();
    }

    private static HashSet<string> Reached(Dictionary<string, Chunk> chunks, string from)
    {
        var reached = new HashSet<string>();
        var open = new Stack<string>([from]);
        while (open.TryPop(out var name))
        {
            if (chunks.TryGetValue(name, out var chunk) && reached.Add(name))
            {
                foreach (var import in chunk.Imports ?? [])
                {
                    open.Push(import);
                }
            }
        }

        return reached;
    }

    /// <param name="File">Where it stands below the folder.</param>
    /// <param name="Imports">The chunks it cannot do without.</param>
    private sealed record Chunk(string File, string[]? Imports, string[]? Css, string[]? Assets);
}
