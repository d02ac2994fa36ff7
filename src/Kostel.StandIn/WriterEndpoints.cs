using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;

namespace Kostel.StandIn;

/// <summary>Models that write answers by the chat-completion protocol: one that keeps to its passages, and one for each way to do otherwise.</summary>
internal static partial class WriterEndpoints
{
    private const string Good = "practice-writer";
    private const int Sentences = 3, PieceLength = 12;

    private sealed record Passage(string Number, string Text);

    /// <summary>What each model writes of the passages that it is given.</summary>
    private static readonly Dictionary<string, Func<IReadOnlyList<Passage>, string>> Writers = new()
    {
        [Good] = Faithful,
        [$"{Good}-invents"] = p => $"{Faithful(p)}\nThe old bridge of Karvo was built of copper in 1347. [{p[0].Number}]",
        [$"{Good}-without-passages"] = _ => "It is generally known that this depends on many things.",
        [$"{Good}-nonsense"] = _ => "]] 7 [[ lorem { ipsum } [99] ok",
        [$"{Good}-spanish"] = p => $"La marea sube dos veces al día y los barcos esperan en el puerto. [{p[0].Number}]",
        [$"{Good}-obeys"] = p => p.Select(x => Order().Match(x.Text)).FirstOrDefault(m => m.Success) is { } order ? $"{order.Groups["what"].Value} [{p[0].Number}]" : Faithful(p),
        [$"{Good}-outside"] = p => $"{Faithful(p)}\nElsewhere the same is measured with a laser. [outside]",
    };

    /// <summary>How each of the others ends.</summary>
    private static readonly Dictionary<string, Func<HttpContext, Task>> Troubles = new()
    {
        [$"{Good}-slow"] = context => Task.Delay(TimeSpan.FromMinutes(10), context.RequestAborted),
        [$"{Good}-busy"] = context => Fail(context, StatusCodes.Status429TooManyRequests, "The limit of a thousand tokens a minute is reached."),
        [$"{Good}-refuses"] = context => Send(context, "", "content_filter"),
        [$"{Good}-cut-off"] = context => Send(context, "The tide rises in the morning and then it", null),
        [$"{Good}-too-long"] = context => Send(context, string.Concat(Enumerable.Repeat("And the tide rises and the tide falls and the tide rises. [1]\n", 2_000)), "stop"),
        [$"{Good}-broken"] = async context =>
        {
            context.Response.ContentType = "text/event-stream";
            await context.Response.WriteAsync("data: {\"choices\": [{\"delta\": {\"content\": \"The ti\n\ndata: <html>\n\n", context.RequestAborted);
        },
    };

    public static IEnumerable<string> Models => Writers.Keys.Concat(Troubles.Keys);

    public static void MapWriters(this IEndpointRouteBuilder app) => app.MapPost("/v1/chat/completions", Write);

    private static async Task Write(HttpContext context)
    {
        var request = await JsonNode.ParseAsync(context.Request.Body, cancellationToken: context.RequestAborted);
        var model = (string?)request?["model"] ?? "";
        if (Troubles.TryGetValue(model, out var trouble))
        {
            await trouble(context);
        }
        else if (Writers.TryGetValue(model, out var writer))
        {
            var passages = Given().Matches(Text(request!)).Select(m => new Passage(m.Groups["number"].Value, m.Groups["text"].Value.Trim())).ToList();
            var written = passages.Count == 0 ? "Yes." : writer(passages);
            await Send(context, Text(request!, "system").Contains("then |", StringComparison.Ordinal) ? Halved(written) : written, "stop");
        }
        else
        {
            await Fail(context, StatusCodes.Status404NotFound, "There is no such model here.");
        }
    }

    private static string Text(JsonNode request, string role = "user") => request["messages"]!.AsArray().LastOrDefault(m => (string?)m?["role"] == role)?["content"] switch
    {
        JsonArray parts => string.Concat(parts.Select(p => (string?)p?["text"])),
        { } text => (string?)text ?? "",
        null => "",
    };

    /// <summary>Each line as its first words, and all of it.</summary>
    private static string Halved(string written) => string.Join('\n', written.Split('\n').Select(l => $"{string.Join(' ', l.Split(' ').Take(2))} | {l}"));

    /// <summary>The first sentence of each passage, with its number.</summary>
    private static string Faithful(IReadOnlyList<Passage> passages) => string.Join('\n', passages.Take(Sentences).Select(p => $"{First().Match(p.Text).Value} [{p.Number}]"));

    private static Task Fail(HttpContext context, int status, string message)
    {
        context.Response.StatusCode = status;
        return context.Response.WriteAsJsonAsync(new { error = new { message, type = "practice" } }, context.RequestAborted);
    }

    /// <summary>In small pieces, as such services send.</summary>
    private static async Task Send(HttpContext context, string text, string? finish)
    {
        context.Response.ContentType = "text/event-stream";
        for (var at = 0; at < text.Length; at += PieceLength)
        {
            await Event(new { role = "assistant", content = text.Substring(at, Math.Min(PieceLength, text.Length - at)) }, null);
        }

        if (finish is not null)
        {
            await Event(new { }, finish);
            await context.Response.WriteAsync("data: [DONE]\n\n", context.RequestAborted);
        }

        Task Event(object delta, string? ended)
        {
            var piece = new { id = "practice", @object = "chat.completion.chunk", created = 1, model = Good, choices = new[] { new { index = 0, delta, finish_reason = ended } } };
            return context.Response.WriteAsync($"data: {JsonSerializer.Serialize(piece)}\n\n", context.RequestAborted);
        }
    }

    [GeneratedRegex(@"^\[(?<number>\d+)\] (?:\([^)]*\) )?(?<text>.+)$", RegexOptions.Multiline)]
    private static partial Regex Given();

    [GeneratedRegex(@"^.+?[.!?](?=\s|$)|^.+")]
    private static partial Regex First();

    [GeneratedRegex(@"(?:say|write)[:,]? (?:that )?(?<what>[^.!?]+[.!?])", RegexOptions.IgnoreCase)]
    private static partial Regex Order();
}
