using System.CommandLine;
using System.Globalization;
using System.Net;
using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json;
using Kostel.Core.Links;
using Kostel.Core.Speech;
using Kostel.Core.Speech.Languages;
using Kostel.Data.Folder;

namespace Kostel.Cli;

/// <summary><c>add FILE_OR_LINK…</c>: brings files and links in to the Kostel that is open.</summary>
internal static class AddCommand
{
    private const int Piece = 8 << 20;

    public static Command Create()
    {
        var things = new Argument<string[]>("FILE_OR_LINK") { Description = "Recordings, videos, texts, or addresses that begin with https:// or http://.", Arity = ArgumentArity.OneOrMore };
        var course = new Option<string>("--course") { Description = "The course that they go into.", DefaultValueFactory = _ => "" };
        var title = new Option<string>("--title") { Description = "A title, where only one thing is added." };
        var date = new Option<DateOnly?>("--date") { Description = "When it was held: 2026-11-05." };
        var language = new Option<string>("--language") { Description = "The code of what is spoken; found out without." };
        var accuracy = new Option<Accuracy>("--accuracy") { Description = "accurate or fast.", DefaultValueFactory = _ => Accuracy.Accurate };
        var data = LibraryCommands.Folder();
        var command = new Command("add", "Brings files and links in to the Kostel that is open.") { things, course, title, date, language, accuracy, data };
        command.SetAction(async (parsed, cancel) =>
        {
            var wanted = parsed.GetRequiredValue(things);
            var said = new Said(parsed.GetValue(course)!, parsed.GetValue(title), parsed.GetValue(date), parsed.GetValue(language), parsed.GetValue(accuracy));
            if (said.Title is not null && wanted.Length > 1)
            {
                throw new FormatException("A title is for one thing; give several without one.");
            }

            if (said.Language is { } code && !SpokenLanguages.IsCode(code))
            {
                throw new FormatException("A language has a code of two or three letters.");
            }

            using var http = Open(parsed.GetValue(data)!.FullName);
            foreach (var thing in wanted)
            {
                var added = IsLink(thing) ? await Link(http, thing, said, cancel) : await Upload(http, new FileInfo(thing), said, cancel);
                await Console.Out.WriteLineAsync(added);
            }
        });
        return command;
    }

    private static bool IsLink(string thing) => thing.StartsWith("https://", StringComparison.OrdinalIgnoreCase) || thing.StartsWith("http://", StringComparison.OrdinalIgnoreCase);

    private static HttpClient Open(string folder)
    {
        if (Opened.Read(folder) is not { } opened || !LibraryLock.IsHeld(folder))
        {
            throw new IOException($"Kostel is not open on {folder}. Open it with ./kostel start or ./kostel demo.");
        }

        var http = new HttpClient { BaseAddress = new Uri(opened.Address), Timeout = TimeSpan.FromMinutes(30) };
        http.DefaultRequestHeaders.Authorization = new AuthenticationHeaderValue("Bearer", DoorKey.Open(Path.Combine(folder, "keys"), opened.Run).Pass);
        http.DefaultRequestHeaders.Add("Tus-Resumable", "1.0.0");
        return http;
    }

    /// <summary>Sends a file (tus 1.0), going on where it was after a break.</summary>
    private static async Task<string> Upload(HttpClient http, FileInfo file, Said said, CancellationToken cancel)
    {
        if (!file.Exists)
        {
            throw new IOException($"There is no file {file.FullName}.");
        }

        using var create = new HttpRequestMessage(HttpMethod.Post, "/api/uploads");
        create.Headers.Add("Upload-Length", file.Length.ToString(CultureInfo.InvariantCulture));
        create.Headers.Add("Upload-Metadata", said.Metadata(file));
        using var created = await Send(http, create, cancel);
        var address = created.Headers.Location!.ToString();
        await using var content = file.OpenRead();
        var buffer = new byte[Piece];
        for (long offset = 0; offset < file.Length;)
        {
            content.Position = offset;
            var read = await content.ReadAtLeastAsync(buffer, buffer.Length, throwOnEndOfStream: false, cancel);
            using var piece = new HttpRequestMessage(HttpMethod.Patch, address) { Content = new ByteArrayContent(buffer, 0, read) };
            piece.Headers.Add("Upload-Offset", offset.ToString(CultureInfo.InvariantCulture));
            piece.Content.Headers.ContentType = new MediaTypeHeaderValue("application/offset+octet-stream");
            using var answer = await Send(http, piece, cancel);
            offset += read;
        }

        var id = address.Split('/')[^1];
        var waiting = await http.GetFromJsonAsync<JsonElement>("/api/uploads", cancel);
        var same = waiting.EnumerateArray().FirstOrDefault(u => u.GetProperty("id").GetString() == id && u.GetProperty("same").ValueKind == JsonValueKind.Object);
        if (same.ValueKind == JsonValueKind.Undefined)
        {
            return $"{file.Name} is in the library: {http.BaseAddress}lecture/{id}";
        }

        using var drop = new HttpRequestMessage(HttpMethod.Delete, $"/api/uploads/{id}/unfinished");
        using var dropped = await Send(http, drop, cancel);
        return $"{file.Name} is there already, as “{same.GetProperty("same").GetProperty("title").GetString()}”. Nothing was added.";
    }

    private static async Task<string> Link(HttpClient http, string text, Said said, CancellationToken cancel)
    {
        var address = LinkAddress.Read(text).AbsoluteUri;
        using var looked = await http.PostAsJsonAsync("/api/links/look", new { addresses = new[] { address } }, cancel);
        var result = (await Read(looked, cancel))[0];
        if (result.GetProperty("found") is not { ValueKind: JsonValueKind.Object } found)
        {
            throw new IOException(result.GetProperty("problem").GetString());
        }

        if (found.GetProperty("kind").GetString() == "feed")
        {
            using var followed = await http.PostAsJsonAsync("/api/feeds", new { address = found.GetProperty("media").GetString(), course = said.Course, isFollowed = true }, cancel);
            var feed = await Read(followed, cancel);
            return $"{feed.GetProperty("title").GetString()} is followed: new episodes come in by themselves.";
        }

        var link = new
        {
            address,
            media = found.GetProperty("media").GetString(),
            kind = found.GetProperty("kind").GetString(),
            title = said.Title ?? found.GetProperty("title").GetString(),
            titleIsGuessed = said.Title is null && found.GetProperty("titleIsGuessed").GetBoolean(),
            heldOn = said.Date?.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture) ?? found.GetProperty("date").GetString(),
            captions = found.GetProperty("captions").EnumerateArray().Cast<JsonElement?>().FirstOrDefault(),
            use = "beside",
            chapters = found.GetProperty("chapters"),
        };
        var choice = new { accuracy = said.Accuracy.ToString().ToLowerInvariant(), language = said.Language };
        using var brought = await http.PostAsJsonAsync("/api/links", new { links = new[] { link }, course = said.Course, choice }, cancel);
        var id = (await Read(brought, cancel)).GetProperty("lectureIds")[0].GetString();
        return $"“{link.title}” is on its way: {http.BaseAddress}lecture/{id}";
    }

    private static async Task<HttpResponseMessage> Send(HttpClient http, HttpRequestMessage request, CancellationToken cancel)
    {
        var answer = await http.SendAsync(request, cancel);
        return answer.IsSuccessStatusCode ? answer : throw await Problem(answer, cancel);
    }

    private static async Task<JsonElement> Read(HttpResponseMessage answer, CancellationToken cancel) =>
        answer.IsSuccessStatusCode ? await answer.Content.ReadFromJsonAsync<JsonElement>(cancel) : throw await Problem(answer, cancel);

    private static async Task<IOException> Problem(HttpResponseMessage answer, CancellationToken cancel)
    {
        try
        {
            return new IOException((await answer.Content.ReadFromJsonAsync<JsonElement>(cancel)).GetProperty("detail").GetString());
        }
        catch (Exception e) when (e is JsonException or KeyNotFoundException or InvalidOperationException)
        {
            return new IOException(answer.StatusCode == HttpStatusCode.Unauthorized ? "Kostel does not know this library's key." : $"Kostel answers {(int)answer.StatusCode}.");
        }
    }

    private sealed record Said(string Course, string? Title, DateOnly? Date, string? Language, Accuracy Accuracy)
    {
        public string Metadata(FileInfo file) => string.Join(',', new Dictionary<string, string>
        {
            ["filename"] = file.Name,
            ["title"] = Title ?? "",
            ["heldOn"] = (Date ?? DateOnly.FromDateTime(file.LastWriteTime)).ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
            ["heldOnIsGuessed"] = Date is null ? "yes" : "",
            ["course"] = Course,
            ["language"] = Language ?? "",
            ["accuracy"] = Accuracy.ToString().ToLowerInvariant(),
        }.Where(v => v.Value.Length > 0).Select(v => $"{v.Key} {Convert.ToBase64String(Encoding.UTF8.GetBytes(v.Value))}"));
    }
}
