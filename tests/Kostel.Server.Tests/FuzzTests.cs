using System.Globalization;
using System.Net.Http.Headers;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace Kostel.Server.Tests;

/// <summary>Requests and files that make no sense: each is refused in plain words or does something sensible; none ends in a failure of the program. KOSTEL_FUZZ says how many, for the whole run.</summary>
public sealed class FuzzTests(SharedServer shared) : IClassFixture<SharedServer>
{
    private const int Seed = 20261126;
    private static readonly int Requests = Count("KOSTEL_FUZZ_REQUESTS", 400), Files = Count("KOSTEL_FUZZ_FILES", 40);
    private readonly ServerProcess server = shared.Server;
    private readonly Random random = new(Seed);

    /// <summary>Over every address of the OpenAPI document.</summary>
    [Fact]
    public async Task No_request_that_the_description_allows_or_forbids_is_a_failure_of_the_program()
    {
        var document = JsonNode.Parse(await server.Http.GetStringAsync("/api/openapi.json"))!;
        var id = await server.BringTides();
        var study = await server.Post($"/api/lectures/{id}/cards");
        await server.Post($"/api/lectures/{id}/quiz");
        await server.Post($"/api/lectures/{id}/marks", new { kind = "note", startMs = 0, endMs = 10, quote = "", text = "x" });
        var known = new Dictionary<string, string> { ["id"] = id, ["cardId"] = $"{study["cards"]![0]!["id"]}", ["quizId"] = "1", ["mark"] = "1", ["earlier"] = "1", ["course"] = "Tides" };
        var operations = document["paths"]!.AsObject()
            .SelectMany(p => p.Value!.AsObject().Select(o => (Path: p.Key, Method: o.Key.ToUpperInvariant(), Operation: o.Value!)))
            .Where(o => o.Path != "/api/settings" || o.Method == "GET").ToList();
        var statuses = new SortedDictionary<int, int>();
        for (var i = 0; i < Requests; i++)
        {
            var (path, method, operation) = operations[i % operations.Count];
            using var request = new HttpRequestMessage(new HttpMethod(method), Address(path, operation, known));
            if (operation["requestBody"]?["content"]?["application/json"]?["schema"] is { } schema)
            {
                var body = Value(schema, document, known, 0);
                var text = body?.ToJsonString() ?? "null";
                request.Content = new StringContent(random.Next(30) == 0 ? Damage(text) : text, Encoding.UTF8, "application/json");
            }

            using var answer = await server.Http.SendAsync(request);
            var said = await answer.Content.ReadAsStringAsync();
            statuses[(int)answer.StatusCode] = statuses.GetValueOrDefault((int)answer.StatusCode) + 1;
            Assert.True((int)answer.StatusCode < 500, $"{method} {request.RequestUri}: {(int)answer.StatusCode} {said}\n{(request.Content is null ? "" : Shown(await request.Content.ReadAsStringAsync()))}");

            // What a request threw away comes back, so that the next ones meet something.
            if (method == "DELETE" && path == "/api/lectures/{id}")
            {
                await server.Send(HttpMethod.Post, $"/api/lectures/{id}/restore");
            }
        }

        Report($"{Requests} requests to {operations.Count} addresses: {string.Join(", ", statuses.Select(s => $"{s.Value} × {s.Key}"))}");
        Assert.Contains(statuses.Keys, s => s == 200);
        LibraryDatabase.IsWhole(server.Folder);
    }

    /// <summary>Recordings, captions and transcripts with bytes changed, cut out, doubled and mixed.</summary>
    [Fact]
    public async Task No_damaged_file_is_a_failure_of_the_program()
    {
        var good = new (string Ending, byte[] Bytes)[]
        {
            ("mp3", Clips.Speech(2)), ("opus", Clips.Speech(2, "opus")), ("flac", Clips.Speech(2, "flac")), ("wav", Clips.Speech(2, "wav")), ("mp4", Clips.Video(2, withSound: true)),
            ("srt", Encoding.UTF8.GetBytes(BroughtLecture.Srt)), ("vtt", "WEBVTT\n\n00:01.000 --> 00:04.000\n<v Ines>The tide rises.\n\n00:05.000 --> 00:09.000\nAnd it falls."u8.ToArray()),
            ("json", await Export(await server.BringText())), ("tsv", "start\tend\ttext\n0\t1000\tThe tide rises.\n1000\t2000\tIt falls.\n"u8.ToArray()), ("md", "# Tides\n\n[0:01] The tide rises.\n\n[0:09] It falls.\n"u8.ToArray()),
        };
        var statuses = new SortedDictionary<int, int>();
        var made = new List<string>();
        for (var i = 0; i < Files; i++)
        {
            var (ending, bytes) = good[i % good.Length];
            var damaged = Damage(bytes) is { Length: > 0 } some ? some : [0];
            var address = await server.CreateUpload($"damaged.{ending}", damaged.Length);
            using var answer = await server.SendPiece(address, 0, damaged);
            statuses[(int)answer.StatusCode] = statuses.GetValueOrDefault((int)answer.StatusCode) + 1;
            Assert.True((int)answer.StatusCode < 500, $"File {i} ({ending}): {(int)answer.StatusCode} {await answer.Content.ReadAsStringAsync()}");
            if (answer.IsSuccessStatusCode)
            {
                made.Add(address.Split('/')[^1]);
            }
        }

        var ended = 0;
        var failed = 0;
        foreach (var id in made)
        {
            var lecture = await server.Ended(id);
            failed += lecture["progress"] is null ? 0 : 1;
            Assert.DoesNotContain("Something went wrong", (string?)lecture["progress"]?["problem"] ?? "", StringComparison.Ordinal);
            (await server.Http.GetAsync($"/api/lectures/{id}/transcript")).EnsureSuccessStatusCode();
            using var study = await server.Send(HttpMethod.Post, $"/api/lectures/{id}/cards");
            Assert.True((int)study.StatusCode < 500);
            ended++;
        }

        Report($"{Files} damaged files: {string.Join(", ", statuses.Select(s => $"{s.Value} × {s.Key}"))}; of {ended} that were taken, {failed} ended with a reason, the others with a text");
        LibraryDatabase.IsWhole(server.Folder);
    }

    private static int Count(string name, int usual) => int.TryParse(Environment.GetEnvironmentVariable(name), CultureInfo.InvariantCulture, out var count) ? count : usual;

    private static void Report(string line)
    {
        if (Environment.GetEnvironmentVariable("KOSTEL_REPORT") is { Length: > 0 } path)
        {
            File.AppendAllText(path, line + "\n");
        }
    }

    private static string Shown(string text) => text.Length < 1_000 ? text : text[..1_000];

    private async Task<byte[]> Export(string id) => await server.Http.GetByteArrayAsync($"/api/lectures/{id}/export?format=json");

    private string Address(string path, JsonNode operation, Dictionary<string, string> known)
    {
        var query = new List<string>();
        foreach (var parameter in operation["parameters"]?.AsArray() ?? [])
        {
            var name = (string)parameter!["name"]!;
            var isText = Types(parameter["schema"]!).Contains("string");
            var value = random.Next(5) > 0 && known.TryGetValue(name, out var real) ? real : Odd(isText);
            if ((string?)parameter["in"] == "path")
            {
                path = path.Replace($"{{{name}}}", Uri.EscapeDataString(value.Length == 0 || value is "." or ".." ? "-" : value), StringComparison.Ordinal);
            }
            else if (random.Next(4) > 0)
            {
                query.Add($"{name}={Uri.EscapeDataString(name == "format" && random.Next(3) > 0 ? Pick("txt", "json", "docx", "pdf", "marks", "vtt", "99", "txt,json") : value)}");
            }
        }

        return path + (query.Count > 0 ? "?" + string.Join('&', query) : "");
    }

    private string Odd(bool isText) => isText
        ? Pick("nowhere", "", "..", "a/b", "\u0000x", "\ud83c\udf0a", new string('a', 300), "%00", "true", "-1", "' OR 1=1 --")
        : Pick("0", "-1", "1", "2147483647", "-2147483648", "99999999999999", "1e5", "x", "true");

    private JsonNode? Value(JsonNode schema, JsonNode document, Dictionary<string, string> known, int depth)
    {
        if (random.Next(12) == 0 || depth > 6)
        {
            return random.Next(8) switch
            {
                0 => null,
                1 => int.MaxValue,
                2 => -1,
                3 => "",
                4 => new JsonObject(),
                5 => new JsonArray(null, null),
                6 => true,
                _ => 1e300,
            };
        }

        if (schema["$ref"] is { } reference)
        {
            return Value(document["components"]!["schemas"]![((string)reference!).Split('/')[^1]]!, document, known, depth + 1);
        }

        if ((schema["oneOf"] ?? schema["anyOf"]) is JsonArray choices)
        {
            return Value(choices[random.Next(choices.Count)]!, document, known, depth + 1);
        }

        if (schema["enum"] is JsonArray values)
        {
            return random.Next(6) == 0 ? Pick("none", "forgot,atOnce", "99", "") : values[random.Next(values.Count)]?.DeepClone();
        }

        var types = Types(schema);
        return types.Length == 0 ? (JsonNode?)"anything" : types[random.Next(types.Length)] switch
        {
            "object" => new JsonObject((schema["properties"]?.AsObject() ?? []).Where(_ => random.Next(15) > 0).Select(p => new KeyValuePair<string, JsonNode?>(p.Key, Value(p.Value!, document, known, depth + 1)))),
            "array" => new JsonArray(Enumerable.Range(0, random.Next(4)).Select(_ => Value(schema["items"]!, document, known, depth + 1)).ToArray()),
            "integer" => Pick(0, 1, 2, 3, -1, 1_000, int.MaxValue, int.MinValue),
            "number" => Pick(0.0, 1.5, -1, 1e18, 1e-300),
            "boolean" => random.Next(2) == 0,
            "null" => null,
            _ => Pick("The", "tide", "p1", "v1", "p2", "", " ", known["id"], "2026-11-26", "\u0000", "\u202e\ud83c\udf0a", new string('w', 3_000), "What is a tide?", "http://127.0.0.1:1/v1", "card:1"),
        };
    }

    private static string[] Types(JsonNode schema) => schema["type"] switch
    {
        JsonArray list => list.Select(t => (string)t!).ToArray(),
        JsonValue one => [(string)one!],
        _ => [],
    };

    private T Pick<T>(params T[] from) => from[random.Next(from.Length)];

    private string Damage(string text) => Encoding.UTF8.GetString(Damage(Encoding.UTF8.GetBytes(text)));

    private byte[] Damage(byte[] bytes)
    {
        var damaged = bytes.ToList();
        for (var change = random.Next(1, 6); change > 0 && damaged.Count > 0; change--)
        {
            var at = random.Next(damaged.Count);
            var length = Math.Min(random.Next(1, 1 + Math.Max(1, damaged.Count / 10)), damaged.Count - at);
            switch (random.Next(5))
            {
                case 0: damaged[at] = (byte)random.Next(256); break;
                case 1: damaged.RemoveRange(at, length); break;
                case 2: damaged.InsertRange(at, damaged.GetRange(at, length)); break;
                case 3: damaged.InsertRange(at, Enumerable.Range(0, Math.Min(length, 64)).Select(_ => (byte)random.Next(256))); break;
                default: damaged.RemoveRange(at, damaged.Count - at); break;
            }
        }

        return [.. damaged];
    }
}
