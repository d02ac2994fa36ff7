using System.Collections.Concurrent;
using System.Text;
using System.Text.Json;

namespace Kostel.Server.Features.Pages;

/// <summary>What the browser is told to fetch before the program asks for it, read from the list that the front end's build leaves beside its page.</summary>
/// <param name="folder">The front end.</param>
internal sealed class EarlyFiles(string folder)
{
    private const string Entry = "index.html";

    /// <summary>The two faces of the page and of its margin: without them the first lines would be set twice.</summary>
    private static readonly string[] Faces = ["literata-latin-wght-normal", "atkinson-hyperlegible-next-latin-400-normal"];

    private readonly Lazy<Dictionary<string, Chunk>> list = new(() => Read(Path.Combine(folder, "manifest.json")));
    private readonly ConcurrentDictionary<string, string> tags = new();

    /// <summary>The tags for a page that opens a screen: its program, its style sheets and the faces. Empty without a list.</summary>
    /// <param name="screen">Where it stands in the front end's sources.</param>
    public string Tags(string screen) => tags.GetOrAdd(screen, Made);

    private static Dictionary<string, Chunk> Read(string list)
    {
        if (!File.Exists(list))
        {
            return [];
        }

        using var file = File.OpenRead(list);
        return JsonSerializer.Deserialize<Dictionary<string, Chunk>>(file, JsonSerializerOptions.Web) ?? [];
    }

    private string Made(string screen)
    {
        var chunks = list.Value;
        var already = Reached(chunks, Entry);
        var made = new StringBuilder();
        foreach (var chunk in Reached(chunks, screen).Except(already).Select(name => chunks[name]))
        {
            made.Append("<link rel=\"modulepreload\" crossorigin href=\"/").Append(chunk.File).Append("\">");
            foreach (var sheet in chunk.Css ?? [])
            {
                made.Append("<link rel=\"stylesheet\" crossorigin href=\"/").Append(sheet).Append("\">");
            }
        }

        foreach (var face in chunks.GetValueOrDefault(Entry)?.Assets ?? [])
        {
            if (face.EndsWith(".woff2", StringComparison.Ordinal) && Faces.Any(f => face.Contains(f, StringComparison.Ordinal)))
            {
                made.Append("<link rel=\"preload\" as=\"font\" type=\"font/woff2\" crossorigin href=\"/").Append(face).Append("\">");
            }
        }

        return made.ToString();
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
