using System.Net;
using Kostel.Core.Speech;

namespace Kostel.Server.Tests;

public sealed class ImportTests(SharedServer shared) : IClassFixture<SharedServer>
{
    private ServerProcess Server => shared.Server;

    [Fact]
    public async Task A_recording_becomes_a_lecture_with_words_times_and_chapters()
    {
        var id = await Server.BringIn("fog.mp3", Clips.Speech(40), "Fog", "Talks");
        var lecture = await Server.Ended(id);
        Assert.Null(lecture["progress"]);
        Assert.Equal("Fog", lecture["title"]!.GetValue<string>());
        Assert.Equal("Talks", lecture["course"]!.GetValue<string>());
        Assert.InRange(lecture["durationMs"]!.GetValue<int>(), 39_000, 41_000);

        var said = string.Join(' ', (await File.ReadAllLinesAsync(Path.Combine(ServerProcess.Root, "demo/texts/09-fog.txt"))).Skip(5));
        var heard = await Server.Text(id);
        var spokenPart = string.Join(' ', said.Split(' ', StringSplitOptions.RemoveEmptyEntries).Take(heard.Split(' ').Length));
        var errors = WordErrorRate.Compare(spokenPart, heard);
        Assert.True(errors.Rate < 0.3, $"{errors}: {heard}");

        var transcript = await Server.Get($"/api/lectures/{id}/transcript");
        var starts = transcript["passages"]!.AsArray().SelectMany(p => p!["startsMs"]!.AsArray()).Select(w => w!.GetValue<int>()).ToList();
        Assert.Equal(starts.Order(), starts);
        Assert.True(transcript["chapters"]!.AsArray().Count > 0);
        Assert.True(transcript["isWhole"]!.GetValue<bool>());
    }

    [Fact]
    public async Task The_recording_plays_in_parts_and_the_stave_gets_its_peaks()
    {
        var id = await Server.BringIn("short.mp3", Clips.Speech(6));
        await Server.Ended(id);
        using var request = new HttpRequestMessage(HttpMethod.Get, $"/api/lectures/{id}/media");
        request.Headers.Range = new(0, 99);
        using var part = await Server.Http.SendAsync(request);
        Assert.Equal(HttpStatusCode.PartialContent, part.StatusCode);
        Assert.Equal("audio/mpeg", part.Content.Headers.ContentType!.MediaType);
        Assert.InRange((await Server.Http.GetByteArrayAsync($"/api/lectures/{id}/peaks")).Length, 118, 123);
    }

    [Fact]
    public async Task A_video_keeps_its_picture()
    {
        var id = await Server.BringIn("slides.mp4", Clips.Video(12, withSound: true));
        var lecture = await Server.Ended(id);
        Assert.True(lecture["hasPicture"]!.GetValue<bool>());
        Assert.NotEmpty(await Server.Text(id));
    }

    [Fact]
    public async Task An_upload_that_broke_off_goes_on_where_it_was()
    {
        var bytes = Clips.Speech(7);
        var address = await Server.CreateUpload("broken.mp3", bytes.Length);
        (await Server.SendPiece(address, 0, bytes[..20_000])).EnsureSuccessStatusCode();
        Assert.Equal(20_000, await Server.Offset(address));
        Assert.Equal(HttpStatusCode.Conflict, (await Server.SendPiece(address, 5, bytes[..10])).StatusCode);
        (await Server.SendPiece(address, 20_000, bytes[20_000..])).EnsureSuccessStatusCode();
        Assert.Equal(bytes.Length, await Server.Offset(address));
        var id = address.Split('/')[^1];
        await Server.Ended(id);
        Assert.Equal(bytes, await Server.Http.GetByteArrayAsync($"/api/lectures/{id}/media"));
    }

    [Fact]
    public async Task A_transcription_can_be_stopped_and_tried_again()
    {
        var id = await Server.BringIn("long.mp3", Clips.Speech(90));
        await Server.Post($"/api/lectures/{id}/cancel");
        Assert.Equal("cancelled", (await Server.Ended(id))["progress"]!["state"]!.GetValue<string>());
        await Server.Post($"/api/lectures/{id}/retry");
        Assert.Null((await Server.Ended(id))["progress"]);
        Assert.NotEmpty(await Server.Text(id));
    }

    [Fact]
    public async Task A_deleted_lecture_can_be_brought_back()
    {
        var id = await Server.BringIn("bin.mp3", Clips.Speech(3));
        await Server.Ended(id);
        (await Server.Http.DeleteAsync($"/api/lectures/{id}")).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.NotFound, (await Server.Http.GetAsync($"/api/lectures/{id}")).StatusCode);
        Assert.Contains((await Server.Get("/api/library"))["bin"]!.AsArray(), l => l!["id"]!.GetValue<string>() == id);
        await Server.Post($"/api/lectures/{id}/restore");
        Assert.Equal("bin", (await Server.Get($"/api/lectures/{id}"))["title"]!.GetValue<string>());
    }
}
