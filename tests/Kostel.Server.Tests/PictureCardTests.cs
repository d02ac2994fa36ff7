using System.Net;

namespace Kostel.Server.Tests;

/// <summary>Cards that show a picture with their question.</summary>
public sealed class PictureCardTests(SharedServer shared) : IClassFixture<SharedServer>
{
    private readonly ServerProcess server = shared.Server;

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    [Fact]
    public async Task A_card_of_a_mark_keeps_its_picture_when_it_is_worded_anew_and_when_the_mark_goes()
    {
        var id = await server.BringText();
        var mark = await server.PictureMark(id);
        var card = await server.Post($"/api/lectures/{id}/cards/own", new { front = "What is drawn here?", back = "A spring tide.", startMs = 6_000, endMs = 6_000, mark });
        Assert.True((bool)card["hasPicture"]!);
        using var worded = await server.Send(HttpMethod.Put, $"/api/cards/{card["id"]}", new { front = "Which tide is this?", back = "A spring tide.", version = 0 });
        Assert.Equal(HttpStatusCode.NoContent, worded.StatusCode);
        await server.Send(HttpMethod.Delete, $"/api/lectures/{id}/marks/{mark}");
        var now = (await server.Get($"/api/lectures/{id}/study"))["cards"]!.AsArray().Single();
        Assert.Equal(("Which tide is this?", true), ((string)now!["front"]!, (bool)now["hasPicture"]!));
        using var shown = await server.Http.GetAsync($"/api/cards/{card["id"]}/picture", Cancel);
        Assert.Equal("image/png", shown.Content.Headers.ContentType!.MediaType);
        Assert.Equal(Clips.Pixels(Clips.Png), Clips.Pixels(await shown.Content.ReadAsByteArrayAsync(Cancel)));
    }

    [Fact]
    public async Task A_picture_goes_out_and_comes_in_with_its_card()
    {
        var id = await server.BringText();
        var mark = await server.PictureMark(id);
        await server.Post($"/api/lectures/{id}/cards/own", new { front = "What is drawn here?", back = "A spring tide.", startMs = 6_000, endMs = 6_000, mark });
        await server.Post($"/api/lectures/{id}/cards/own", new { front = "Without one?", back = "Yes.", startMs = 5_000, endMs = 9_000 });
        var copy = await server.BringIn("with-pictures.json", await server.Http.GetByteArrayAsync($"/api/lectures/{id}/export?format=json", Cancel));
        var cards = (await server.Get($"/api/lectures/{copy}/study"))["cards"]!.AsArray();
        Assert.Equal([("What is drawn here?", true), ("Without one?", false)], cards.Select(c => ((string)c!["front"]!, (bool)c["hasPicture"]!)).Order());
        using var shown = await server.Http.GetAsync($"/api/cards/{cards.Single(c => (bool)c!["hasPicture"]!)!["id"]}/picture", Cancel);
        Assert.True(shown.IsSuccessStatusCode);
    }

    [Fact]
    public async Task A_card_shows_what_the_video_shows_at_its_moment()
    {
        var id = await server.BringIn("slides.mp4", Clips.Video(8, withSound: true));
        await server.Ended(id);
        var card = await server.Post($"/api/lectures/{id}/cards/own", new { front = "What is on the slide?", back = "A test picture.", startMs = 2_000, endMs = 3_000, withPicture = true });
        using var shown = await server.Http.GetAsync($"/api/cards/{card["id"]}/picture", Cancel);
        Assert.Equal("image/jpeg", shown.Content.Headers.ContentType!.MediaType);
        Assert.Equal([0xFF, 0xD8], (await shown.Content.ReadAsByteArrayAsync(Cancel))[..2]);
    }

    [Fact]
    public async Task Where_there_is_no_picture_it_is_said_and_no_card_is_made()
    {
        var id = await server.BringText();
        var plain = await server.Post($"/api/lectures/{id}/marks", new { kind = "key", startMs = 5_000, endMs = 9_000, quote = "", text = "" });
        using var still = await server.Send(HttpMethod.Post, $"/api/lectures/{id}/cards/own", new { front = "F?", back = "B", startMs = 5_000, endMs = 9_000, withPicture = true });
        Assert.Equal("This lecture has no picture to show.", await ServerProcess.Detail(still));
        foreach (var mark in new[] { (int)plain["id"]!, 999_999 })
        {
            using var none = await server.Send(HttpMethod.Post, $"/api/lectures/{id}/cards/own", new { front = "F?", back = "B", startMs = 5_000, endMs = 9_000, mark });
            Assert.Equal(HttpStatusCode.NotFound, none.StatusCode);
        }

        Assert.Empty((await server.Get($"/api/lectures/{id}/study"))["cards"]!.AsArray());
        var card = await server.Post($"/api/lectures/{id}/cards/own", new { front = "Plain?", back = "Yes.", startMs = 5_000, endMs = 9_000 });
        using var picture = await server.Http.GetAsync($"/api/cards/{card["id"]}/picture", Cancel);
        Assert.Equal(HttpStatusCode.NotFound, picture.StatusCode);
    }
}
