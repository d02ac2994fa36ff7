using System.Net;
using System.Net.Http.Headers;
using System.Text.Json.Nodes;

namespace Kostel.Server.Tests;

/// <summary>Recordings that arrive piece by piece: in their order, whatever is sent twice, killed or taken up elsewhere.</summary>
public sealed class RecordingTests : IDisposable
{
    private const int PieceBytes = 16_000;

    private readonly string folder = Directory.CreateTempSubdirectory("kostel-record-").FullName;
    private readonly ServerProcess server;

    public RecordingTests() => server = new ServerProcess(folder);

    public void Dispose()
    {
        server.Dispose();
        Directory.Delete(folder, recursive: true);
    }

    /// <summary>Speech as it comes from a microphone, in pieces of half a second.</summary>
    private static List<byte[]> Speech(double seconds) => Clips.Speech(seconds, "s16le -ar 16000").Chunk(PieceBytes).Where(c => c.Length % 2 == 0).ToList();

    private Task<JsonNode> Begin(bool keepsSound = true) =>
        server.Post("/api/recordings", new { title = "Fog at the quay", course = "Weather", keepsSound, agreed = true, heldOn = "2026-11-26" });

    private Task<HttpResponseMessage> Send(JsonNode recording, int number, byte[] piece, int since = 0) => SendTo(server, recording, number, piece, since);

    private static async Task<HttpResponseMessage> SendTo(ServerProcess server, JsonNode recording, int number, byte[] piece, int since = 0)
    {
        using var body = new ByteArrayContent(piece);
        body.Headers.ContentType = new MediaTypeHeaderValue("application/octet-stream");
        return await server.Http.PostAsync($"/api/recordings/{recording["id"]}/pieces/{number}?turn={recording["turn"]}&since={since}", body);
    }

    private async Task<JsonNode> Sent(JsonNode recording, int number, byte[] piece)
    {
        using var answer = await Send(recording, number, piece);
        Assert.True(answer.IsSuccessStatusCode, await answer.Content.ReadAsStringAsync());
        return JsonNode.Parse(await answer.Content.ReadAsStringAsync())!;
    }

    [Fact]
    public async Task What_was_sent_is_the_lecture_s_sound_sample_by_sample_with_its_marks_at_their_seconds()
    {
        var (recording, pieces) = (await Begin(), Speech(7));
        for (var i = 0; i < pieces.Count; i++)
        {
            await Sent(recording, i, pieces[i]);
            if (i % 3 == 0)
            {
                // Its answer was lost: it comes once more, and one comes too early.
                Assert.Equal(i + 1, (int)(await Sent(recording, i, pieces[i]))["nextPiece"]!);
                Assert.Equal(i + 1, (int)(await Sent(recording, i + 5, pieces[i]))["nextPiece"]!);
            }
        }

        await server.Post($"/api/recordings/{recording["id"]}/marks", new { kind = "unclear", atMs = 2_500 });
        await server.Post($"/api/recordings/{recording["id"]}/marks", new { kind = "note", atMs = 4_000, text = "Ask about this" });
        var id = (string)(await server.Post($"/api/recordings/{recording["id"]}/end"))["lectureId"]!;
        await server.Ended(id);
        var lecture = await server.Get($"/api/lectures/{id}");
        Assert.Equal(("Fog at the quay", "Weather", "2026-11-26"), ((string)lecture["title"]!, (string)lecture["course"]!, (string)lecture["heldOn"]!));
        Assert.Contains("fog", await server.Text(id), StringComparison.OrdinalIgnoreCase);
        var file = await File.ReadAllBytesAsync(Path.Combine(folder, "lectures", id, "original"));
        Assert.Equal(pieces.SelectMany(p => p), file.Skip(44));
        Assert.Equal(file.Length - 8, BitConverter.ToInt32(file, 4));
        var marks = (await server.Get($"/api/lectures/{id}/marks")).AsArray();
        Assert.Equal([("unclear", 2_500), ("note", 4_000)], marks.Select(m => ((string)m!["kind"]!, (int)m["startMs"]!)));
        Assert.Empty((await server.Get("/api/recordings")).AsArray());
    }

    [Fact]
    public async Task After_a_kill_it_is_taken_up_where_it_was_and_its_words_are_there()
    {
        var (recording, pieces) = (await Begin(), Speech(9));
        for (var i = 0; i < 8; i++)
        {
            await Sent(recording, i, pieces[i]);
        }

        server.Kill();
        server.Start();
        var waiting = Assert.Single((await server.Get("/api/recordings")).AsArray())!;
        Assert.Equal((8, 4_000), ((int)waiting["nextPiece"]!, (int)waiting["atMs"]!));
        for (var i = 8; i < pieces.Count; i++)
        {
            await Sent(recording, i, pieces[i]);
        }

        var id = (string)(await server.Post($"/api/recordings/{recording["id"]}/end"))["lectureId"]!;
        var file = await File.ReadAllBytesAsync(Path.Combine(folder, "lectures", id, "original"));
        Assert.Equal(pieces.SelectMany(p => p), file.Skip(44));
    }

    [Fact]
    public async Task On_a_full_disk_what_was_recorded_is_kept_and_with_room_again_it_goes_on()
    {
        using var disk = new SmallDisk("24m");
        using var own = new ServerProcess(disk.Folder);
        var recording = await own.Post("/api/recordings", new { title = "Fog at the quay", course = "Weather", keepsSound = true, agreed = true, heldOn = "2026-11-26" });
        var pieces = Speech(9);
        for (var i = 0; i < 6; i++)
        {
            using var taken = await SendTo(own, recording, i, pieces[i]);
            Assert.True(taken.IsSuccessStatusCode, await taken.Content.ReadAsStringAsync());
        }

        var filler = disk.Fill();
        var refusedAt = 6;
        while (refusedAt < pieces.Count)
        {
            // What room its file has already may hold one more.
            using var answer = await SendTo(own, recording, refusedAt, pieces[refusedAt]);
            if (!answer.IsSuccessStatusCode)
            {
                Assert.Equal(HttpStatusCode.InsufficientStorage, answer.StatusCode);
                Assert.Contains("The disk is full", await ServerProcess.Detail(answer), StringComparison.Ordinal);
                break;
            }

            refusedAt++;
        }

        Assert.InRange(refusedAt, 6, 8);
        File.Delete(filler);
        for (var i = refusedAt; i < pieces.Count; i++)
        {
            using var taken = await SendTo(own, recording, i, pieces[i]);
            Assert.True(taken.IsSuccessStatusCode, await taken.Content.ReadAsStringAsync());
        }

        var id = (string)(await own.Post($"/api/recordings/{recording["id"]}/end"))["lectureId"]!;
        var file = await File.ReadAllBytesAsync(Path.Combine(disk.Folder, "lectures", id, "original"));
        Assert.Equal(pieces.SelectMany(p => p), file.Skip(44));
    }

    [Fact]
    public async Task Of_text_only_no_sound_is_found_on_the_disk_not_even_in_passing()
    {
        var (recording, pieces) = (await Begin(keepsSound: false), Speech(8));
        for (var i = 0; i < pieces.Count; i++)
        {
            await Sent(recording, i, pieces[i]);
            AssertNoSound(pieces);
        }

        var id = (string)(await server.Post($"/api/recordings/{recording["id"]}/end"))["lectureId"]!;
        var lecture = await server.Get($"/api/lectures/{id}");
        Assert.False((bool)lecture["hasSound"]!);
        Assert.Contains("fog", await server.Text(id), StringComparison.OrdinalIgnoreCase);
        AssertNoSound(pieces);
    }

    /// <summary>No file of the library, nor of the computer's folder for passing files made since, holds a run of these samples.</summary>
    private void AssertNoSound(List<byte[]> pieces)
    {
        var run = pieces[pieces.Count / 2].AsSpan(4_000, 64).ToArray();
        var passing = Directory.EnumerateFiles(Path.GetTempPath()).Where(f => File.GetLastWriteTimeUtc(f) > DateTime.UtcNow.AddMinutes(-2));

        // A pipe has no length, and reading it would not end.
        foreach (var file in Directory.EnumerateFiles(folder, "*", SearchOption.AllDirectories).Concat(passing).Where(f => new FileInfo(f) is { Exists: true, Length: > 0 }))
        {
            try
            {
                using var stream = new FileStream(file, FileMode.Open, FileAccess.Read, FileShare.ReadWrite | FileShare.Delete);
                var bytes = new byte[stream.Length];
                stream.ReadExactly(bytes);
                Assert.True(bytes.AsSpan().IndexOf(run) < 0, $"Sound lies in {Path.GetFileName(file)}.");
            }
            catch (Exception e) when (e is IOException or UnauthorizedAccessException)
            {
                // Somebody else's, or gone already.
            }
        }
    }

    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public async Task What_is_put_right_and_shown_while_it_runs_is_in_the_lecture(bool keepsSound)
    {
        var (recording, pieces) = (await Begin(keepsSound), Speech(keepsSound ? 8.5 : 9.5));
        for (var i = 0; i < pieces.Count; i++)
        {
            await Sent(recording, i, pieces[i]);
        }

        JsonArray words;
        do
        {
            await Task.Delay(300, TestContext.Current.CancellationToken);
            words = (await server.Get($"/api/recordings/{recording["id"]}/text?since=0"))["words"]!.AsArray();
        }
        while (words.Count < 4);
        var (first, second) = (words[1]!, words[2]!);
        await server.Post($"/api/recordings/{recording["id"]}/corrections", new { startMs = (int)first["startMs"]!, endMs = (int)second["endMs"]!, text = "quokka quartz" });
        using var picture = new ByteArrayContent(Clips.Png);
        using var kept = await server.Http.PostAsync($"/api/recordings/{recording["id"]}/pictures?atMs=1500", picture);
        Assert.True(kept.IsSuccessStatusCode, await kept.Content.ReadAsStringAsync());
        Assert.NotEmpty(await server.Http.GetByteArrayAsync($"/api/recordings/{recording["id"]}/pictures/0"));
        var answer = await server.Post($"/api/recordings/{recording["id"]}/questions", new { text = "What is quokka quartz?" });
        Assert.Contains(answer["lines"]!.AsArray(), l => ((string)l!["quote"]!).Contains("quokka quartz", StringComparison.OrdinalIgnoreCase));

        var id = (string)(await server.Post($"/api/recordings/{recording["id"]}/end"))["lectureId"]!;
        await server.Ended(id);
        Assert.Contains("quokka quartz", await server.Text(id), StringComparison.OrdinalIgnoreCase);
        var mark = Assert.Single((await server.Get($"/api/lectures/{id}/marks")).AsArray())!;
        Assert.Equal((1_500, true), ((int)mark["startMs"]!, (bool)mark["hasPicture"]!));
        Assert.NotEmpty(await server.Http.GetByteArrayAsync($"/api/lectures/{id}/marks/{mark["id"]}/picture"));
    }

    [Fact]
    public async Task Another_window_that_takes_it_up_is_the_one_that_goes_on()
    {
        var (first, pieces) = (await Begin(), Speech(2));
        await Sent(first, 0, pieces[0]);
        var second = await server.Post($"/api/recordings/{first["id"]}/turn");
        using var refused = await Send(first, 1, pieces[1]);
        Assert.Equal(HttpStatusCode.Conflict, refused.StatusCode);
        Assert.Contains("another window", await ServerProcess.Detail(refused), StringComparison.Ordinal);
        Assert.Equal(2, (int)(await Sent(second, 1, pieces[1]))["nextPiece"]!);
    }

    [Fact]
    public async Task Nothing_is_recorded_of_those_who_did_not_agree_and_nothing_is_made_of_nothing()
    {
        using var asked = await server.Send(HttpMethod.Post, "/api/recordings", new { title = "Fog", keepsSound = true, agreed = false, heldOn = "2026-11-26" });
        Assert.Equal(HttpStatusCode.BadRequest, asked.StatusCode);
        var recording = await Begin();
        using var empty = await server.Send(HttpMethod.Post, $"/api/recordings/{recording["id"]}/end");
        Assert.Equal(HttpStatusCode.UnprocessableEntity, empty.StatusCode);
        using var odd = await Send(recording, 0, [1, 2, 3]);
        Assert.Equal(HttpStatusCode.BadRequest, odd.StatusCode);
        using var large = await Send(recording, 0, new byte[400_000]);
        Assert.False(large.IsSuccessStatusCode);
        (await server.Send(HttpMethod.Delete, $"/api/recordings/{recording["id"]}")).EnsureSuccessStatusCode();
        using var gone = await Send(recording, 0, new byte[100]);
        Assert.Equal(HttpStatusCode.NotFound, gone.StatusCode);
    }

    [Fact]
    public async Task Where_no_word_was_understood_it_can_be_gone_on_with()
    {
        var (recording, pieces) = (await Begin(keepsSound: false), Speech(8));
        await Sent(recording, 0, new byte[PieceBytes]);
        using (var silent = await server.Send(HttpMethod.Post, $"/api/recordings/{recording["id"]}/end"))
        {
            Assert.Equal(HttpStatusCode.UnprocessableEntity, silent.StatusCode);
            Assert.Contains("No word was understood", await ServerProcess.Detail(silent), StringComparison.Ordinal);
        }

        for (var i = 0; i < pieces.Count; i++)
        {
            await Sent(recording, i + 1, pieces[i]);
        }

        var id = (string)(await server.Post($"/api/recordings/{recording["id"]}/end"))["lectureId"]!;
        Assert.Contains("fog", await server.Text(id), StringComparison.OrdinalIgnoreCase);
    }

    [Fact]
    public async Task What_is_thrown_away_leaves_nothing_behind()
    {
        var (recording, pieces) = (await Begin(), Speech(2));
        await Sent(recording, 0, pieces[0]);
        Assert.NotEmpty(Directory.EnumerateFiles(Path.Combine(folder, "uploads")));
        (await server.Send(HttpMethod.Delete, $"/api/recordings/{recording["id"]}")).EnsureSuccessStatusCode();
        Assert.Empty(Directory.EnumerateFiles(Path.Combine(folder, "uploads")));
        Assert.Empty((await server.Get("/api/recordings")).AsArray());
    }

    [Fact]
    public async Task Words_come_while_it_runs()
    {
        var (recording, pieces) = (await Begin(), Speech(14));
        JsonNode text = await server.Get($"/api/recordings/{recording["id"]}/text?since=0");
        for (var i = 0; i < pieces.Count; i++)
        {
            text = await Sent(recording, i, pieces[i]);
        }

        for (var wait = 0; text["words"]!.AsArray().Count < 10 && wait < 120; wait++)
        {
            await Task.Delay(500, TestContext.Current.CancellationToken);
            text = await server.Get($"/api/recordings/{recording["id"]}/text?since=0");
        }

        Assert.Null((string?)text["problem"]);
        var words = text["words"]!.AsArray();
        Assert.True(words.Count >= 10, text.ToJsonString());
        Assert.Equal(words.Select(w => (int)w!["startMs"]!).Order(), words.Select(w => (int)w!["startMs"]!));
        Assert.Single((await server.Get($"/api/recordings/{recording["id"]}/text?since={words.Count - 1}"))["words"]!.AsArray());
    }
}
