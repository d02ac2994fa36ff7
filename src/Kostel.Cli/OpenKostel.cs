using System.Globalization;
using System.Net;
using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json;
using Kostel.Core.Speech;
using Kostel.Data.Folder;

namespace Kostel.Cli;

/// <summary>What became of a file that was sent.</summary>
/// <param name="IsNew">False where the library has the same recording.</param>
internal sealed record Uploaded(bool IsNew, string Told);

/// <summary>The Kostel that is open on a library, as other commands reach it.</summary>
internal static class OpenKostel
{
    private const int Piece = 8 << 20;

    /// <summary>The way to the Kostel that is open on a library.</summary>
    /// <exception cref="IOException">None is.</exception>
    public static HttpClient Reach(string folder)
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
    public static async Task<Uploaded> Upload(HttpClient http, FileInfo file, SaidOf said, CancellationToken cancel)
    {
        file.Refresh();
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
            return new Uploaded(IsNew: true, $"{file.Name} is in the library: {http.BaseAddress}lecture/{id}");
        }

        using var drop = new HttpRequestMessage(HttpMethod.Delete, $"/api/uploads/{id}/unfinished");
        using var dropped = await Send(http, drop, cancel);
        return new Uploaded(IsNew: false, $"{file.Name} is there already, as “{same.GetProperty("same").GetProperty("title").GetString()}”. Nothing was added.");
    }

    private static async Task<HttpResponseMessage> Send(HttpClient http, HttpRequestMessage request, CancellationToken cancel)
    {
        var answer = await http.SendAsync(request, cancel);
        return answer.IsSuccessStatusCode ? answer : throw await Problem(answer, cancel);
    }

    /// <summary>What an answer says.</summary>
    /// <exception cref="IOException">It says that something is wrong.</exception>
    public static async Task<JsonElement> Read(HttpResponseMessage answer, CancellationToken cancel) =>
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
}

/// <summary>What a person says of what they bring in.</summary>
internal sealed record SaidOf(string Course, string? Title, DateOnly? Date, string? Language, Accuracy Accuracy)
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
