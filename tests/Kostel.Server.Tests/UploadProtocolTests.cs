using System.Net;
using System.Net.Sockets;
using System.Security.Cryptography;
using System.Text;

namespace Kostel.Server.Tests;

/// <summary>The open upload protocol tus 1.0 (core, creation, expiration, checksum, termination), and what goes wrong around it.</summary>
public sealed class UploadProtocolTests(SharedServer shared) : IClassFixture<SharedServer>
{
    private const int ManyAtOnce = 15;
    private readonly ServerProcess server = shared.Server;

    [Theory]
    [InlineData("0.2.2")]
    [InlineData("")]
    public async Task Another_version_or_none_is_refused_with_the_one_that_is_spoken(string version)
    {
        using var http = new HttpClient { BaseAddress = server.Http.BaseAddress };
        http.DefaultRequestHeaders.Add("Cookie", server.CookieHeader);
        using var request = new HttpRequestMessage(HttpMethod.Post, "/api/uploads");
        request.Headers.Add("Upload-Length", "3");
        if (version.Length > 0)
        {
            request.Headers.Add("Tus-Resumable", version);
        }

        using var answer = await http.SendAsync(request);
        Assert.Equal(HttpStatusCode.PreconditionFailed, answer.StatusCode);
        Assert.Equal("1.0.0", answer.Headers.GetValues("Tus-Version").Single());
        Assert.Equal("1.0.0", answer.Headers.GetValues("Tus-Resumable").Single());
    }

    [Fact]
    public async Task Every_answer_says_the_version_also_one_that_refuses()
    {
        var address = await server.CreateUpload("a.mp3", 10);
        using var elsewhere = await server.SendPiece(address, 5, [1]);
        using var type = await Patch(address, 0, [1], "text/plain");
        using var length = await Create(("Upload-Length", "much"));
        using var gone = await server.Send(HttpMethod.Head, "/api/uploads/nowhere");
        (HttpResponseMessage Answer, HttpStatusCode Status)[] expected =
        [
            (elsewhere, HttpStatusCode.Conflict), (type, HttpStatusCode.UnsupportedMediaType), (length, HttpStatusCode.BadRequest), (gone, HttpStatusCode.NotFound),
        ];
        foreach (var (answer, status) in expected)
        {
            Assert.Equal(status, answer.StatusCode);
            Assert.Equal("1.0.0", answer.Headers.GetValues("Tus-Resumable").Single());
        }
    }

    [Fact]
    public async Task An_upload_says_until_when_it_is_kept_and_can_be_ended()
    {
        var address = await server.CreateUpload("a.mp3", 10);
        using var piece = await server.SendPiece(address, 0, [1, 2, 3]);
        var until = DateTimeOffset.Parse(piece.Headers.GetValues("Upload-Expires").Single());
        Assert.InRange(until - DateTimeOffset.UtcNow, TimeSpan.FromDays(6.9), TimeSpan.FromDays(7.1));
        using var ended = await server.Send(HttpMethod.Delete, address);
        Assert.Equal(HttpStatusCode.NoContent, ended.StatusCode);
        Assert.Null(await server.Offset(address));
        using var again = await server.Send(HttpMethod.Delete, address);
        Assert.Equal(HttpStatusCode.NotFound, again.StatusCode);
    }

    [Fact]
    public async Task A_piece_that_arrived_damaged_is_dropped()
    {
        var address = await server.CreateUpload("a.mp3", 10);
        byte[] piece = [1, 2, 3, 4];
        var sum = Convert.ToBase64String(SHA256.HashData(piece));
        using var damaged = await Patch(address, 0, [1, 2, 3, 5], "application/offset+octet-stream", ("Upload-Checksum", $"sha256 {sum}"));
        Assert.Equal(460, (int)damaged.StatusCode);
        Assert.Equal(0, await server.Offset(address));
        using var whole = await Patch(address, 0, piece, "application/offset+octet-stream", ("Upload-Checksum", $"sha256 {sum}"));
        Assert.Equal(HttpStatusCode.NoContent, whole.StatusCode);
        using var unknown = await Patch(address, 4, [1], "application/offset+octet-stream", ("Upload-Checksum", "crc32 AAAA"));
        Assert.Equal(HttpStatusCode.BadRequest, unknown.StatusCode);
    }

    [Fact]
    public async Task A_second_request_is_told_at_once_while_another_one_is_sending_and_a_stalled_one_is_let_go()
    {
        var address = await server.CreateUpload("a.mp3", 1_000);
        using var stalled = await Stalling(address);
        var watch = System.Diagnostics.Stopwatch.StartNew();
        using var second = await server.SendPiece(address, 3, [4]);
        Assert.Equal(HttpStatusCode.Locked, second.StatusCode);
        Assert.True(watch.Elapsed < TimeSpan.FromSeconds(4.5), $"{watch.Elapsed}");

        // A browser that was closed leaves its connection open and silent: after some seconds who asks again goes on.
        await Task.Delay(6_000);
        using var third = await server.SendPiece(address, 3, [4]);
        Assert.Equal(HttpStatusCode.NoContent, third.StatusCode);
        Assert.Equal(4, await server.Offset(address));
    }

    [Fact]
    public async Task Many_files_at_once_with_a_course_that_is_new_all_become_lectures()
    {
        var bytes = Encoding.UTF8.GetBytes(BroughtLecture.Srt);
        var ids = await Task.WhenAll(Enumerable.Range(0, ManyAtOnce).Select(i => server.BringIn($"part{i}.srt", bytes, $"Part {i}", "A new course")));
        var library = await server.Get("/api/library");
        Assert.Equal(ids.Order(), library["lectures"]!.AsArray().Where(l => (string?)l!["course"] == "A new course").Select(l => l!["id"]!.GetValue<string>()).Order());
        Assert.Single(library["courses"]!.AsArray(), c => c!.GetValue<string>() == "A new course");
    }

    [Fact]
    public async Task A_file_that_arrived_whole_and_is_no_lecture_yet_becomes_one_when_it_is_asked_about()
    {
        // As a failure between the last byte and the lecture leaves it.
        var bytes = Encoding.UTF8.GetBytes(BroughtLecture.Srt);
        var address = await server.CreateUpload("late.srt", bytes.Length, "Late");
        var id = address.Split('/')[^1];
        await File.WriteAllBytesAsync(Path.Combine(server.Folder, "uploads", id), bytes);
        Assert.Contains((await server.Get("/api/uploads")).AsArray(), u => (string?)u!["id"] == id);
        Assert.Equal(bytes.Length, await server.Offset(address));
        Assert.Equal("Late", (string?)(await server.Get($"/api/lectures/{id}"))["title"]);
    }

    [Fact]
    public async Task What_did_not_arrive_whole_stands_on_Today_until_it_is_cleared()
    {
        var address = await server.CreateUpload("half.mp3", 100, "Half");
        (await server.SendPiece(address, 0, new byte[40])).EnsureSuccessStatusCode();
        var unfinished = (await server.Get("/api/today"))["unfinished"]!.AsArray().Single(u => (string?)u!["title"] == "Half")!;
        Assert.Equal((100, 40), (unfinished["bytes"]!.GetValue<int>(), unfinished["arrived"]!.GetValue<int>()));
        (await server.Send(HttpMethod.Delete, $"{address}/unfinished")).EnsureSuccessStatusCode();
        Assert.DoesNotContain((await server.Get("/api/uploads")).AsArray(), u => (string?)u!["title"] == "Half");
    }

    /// <summary>A request that sends three bytes and then nothing.</summary>
    private async Task<TcpClient> Stalling(string address)
    {
        var client = new TcpClient();
        await client.ConnectAsync(server.Http.BaseAddress!.Host, server.Http.BaseAddress.Port);
        var head = $"PATCH {address} HTTP/1.1\r\nHost: {server.Http.BaseAddress.Authority}\r\nCookie: {server.CookieHeader}\r\nTus-Resumable: 1.0.0\r\nUpload-Offset: 0\r\n"
            + "Content-Type: application/offset+octet-stream\r\nContent-Length: 1000\r\n\r\n";
        await client.GetStream().WriteAsync(Encoding.ASCII.GetBytes(head));
        await client.GetStream().WriteAsync(new byte[] { 1, 2, 3 });
        for (var tries = 0; tries < 50 && await server.Offset(address) != 3; tries++)
        {
            await Task.Delay(50);
        }

        return client;
    }

    private async Task<HttpResponseMessage> Create(params (string Name, string Value)[] headers)
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, "/api/uploads");
        foreach (var (name, value) in headers)
        {
            request.Headers.Add(name, value);
        }

        return await server.Http.SendAsync(request);
    }

    private async Task<HttpResponseMessage> Patch(string address, long offset, byte[] piece, string type, params (string Name, string Value)[] headers)
    {
        var content = new ByteArrayContent(piece);
        content.Headers.ContentType = new(type);
        using var request = new HttpRequestMessage(HttpMethod.Patch, address) { Content = content };
        request.Headers.Add("Upload-Offset", $"{offset}");
        foreach (var (name, value) in headers)
        {
            request.Headers.Add(name, value);
        }

        return await server.Http.SendAsync(request);
    }
}
