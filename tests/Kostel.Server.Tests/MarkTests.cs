using System.Net;
using System.Text.Json.Nodes;

namespace Kostel.Server.Tests;

public sealed class MarkTests(SharedServer shared) : IClassFixture<SharedServer>
{
    private readonly ServerProcess server = shared.Server;

    [Fact]
    public async Task A_mark_is_made_changed_resolved_taken_away_and_brought_back()
    {
        var id = await server.BringText();
        var mark = await server.Post($"/api/lectures/{id}/marks", new { kind = "unclear", startMs = 5_000, endMs = 9_000, quote = "A spring tied", text = "Why spring?" });
        var address = $"/api/lectures/{id}/marks/{mark["id"]}";
        using var resolved = await server.Send(HttpMethod.Put, address, new { kind = "unclear", text = "Why spring?", resolved = "It leaps up.", version = 0 });
        Assert.Equal(HttpStatusCode.OK, resolved.StatusCode);
        using var stale = await server.Send(HttpMethod.Put, address, new { kind = "unclear", text = "Other", resolved = (string?)null, version = 0 });
        Assert.Equal(HttpStatusCode.Conflict, stale.StatusCode);
        Assert.Equal("It leaps up.", (await One(id))["resolved"]!.GetValue<string>());

        await server.Send(HttpMethod.Delete, address);
        Assert.Empty((await server.Get($"/api/lectures/{id}/marks")).AsArray());
        await server.Send(HttpMethod.Post, $"{address}/restore");
        Assert.Equal("Why spring?", (await One(id))["text"]!.GetValue<string>());
    }

    [Fact]
    public async Task What_is_still_unclear_stands_on_the_first_screen_until_it_is_resolved()
    {
        var id = await server.BringText();
        async Task<List<string>> Unclear() => (await server.Get("/api/today"))["unclear"]!.AsArray().Where(u => u!["lectureId"]!.GetValue<string>() == id).Select(u => u!["text"]!.GetValue<string>()).ToList();
        await server.Post($"/api/lectures/{id}/marks", new { kind = "key", startMs = 0, endMs = 1_000, quote = "", text = "No question" });
        var mark = await server.Post($"/api/lectures/{id}/marks", new { kind = "unclear", startMs = 5_000, endMs = 9_000, quote = "A spring tied", text = "Why spring?" });
        Assert.Equal(["Why spring?"], await Unclear());
        using var resolved = await server.Send(HttpMethod.Put, $"/api/lectures/{id}/marks/{mark["id"]}", new { kind = "unclear", text = "Why spring?", resolved = "It leaps up.", version = 0 });
        Assert.True(resolved.IsSuccessStatusCode);
        Assert.Empty(await Unclear());
        await server.Post($"/api/lectures/{id}/marks", new { kind = "unclear", startMs = 0, endMs = 0, quote = "", text = "And neap?" });
        await server.Send(HttpMethod.Delete, $"/api/lectures/{id}");
        Assert.Empty(await Unclear());
    }

    [Fact]
    public async Task A_mark_outside_the_lecture_is_brought_inside_and_a_label_needs_a_name()
    {
        var id = await server.BringText();
        var mark = await server.Post($"/api/lectures/{id}/marks", new { kind = "key", startMs = -5, endMs = 9_000_000, quote = "", text = "" });
        Assert.Equal((0, 14_000), (mark["startMs"]!.GetValue<int>(), mark["endMs"]!.GetValue<int>()));
        using var nameless = await server.Send(HttpMethod.Post, $"/api/lectures/{id}/marks", new { kind = "label", startMs = 0, endMs = 1, quote = "", text = " " });
        Assert.Equal("A label cannot be empty.", await ServerProcess.Detail(nameless));
    }

    [Fact]
    public async Task A_picture_stands_at_its_time_and_what_is_no_picture_is_refused()
    {
        var id = await server.BringText();
        async Task<HttpResponseMessage> Send(byte[] bytes) => await server.Http.PostAsync($"/api/lectures/{id}/marks/picture?atMs=6000", new ByteArrayContent(bytes));
        using var sent = await Send(Clips.Png);
        var mark = JsonNode.Parse(await sent.Content.ReadAsStringAsync(TestContext.Current.CancellationToken))!;
        Assert.Equal((6_000, true), (mark["startMs"]!.GetValue<int>(), mark["hasPicture"]!.GetValue<bool>()));
        using var shown = await server.Http.GetAsync($"/api/lectures/{id}/marks/{mark["id"]}/picture", TestContext.Current.CancellationToken);
        Assert.Equal("image/png", shown.Content.Headers.ContentType!.MediaType);

        // Written anew: other bytes, the same picture.
        Assert.Equal(Clips.Pixels(Clips.Png), Clips.Pixels(await shown.Content.ReadAsByteArrayAsync(TestContext.Current.CancellationToken)));
        using var script = await Send("<svg onload=alert(1)>"u8.ToArray());
        Assert.Equal(HttpStatusCode.UnsupportedMediaType, script.StatusCode);
        using var empty = await Send([]);
        Assert.Equal(HttpStatusCode.UnsupportedMediaType, empty.StatusCode);
    }

    [Fact]
    public async Task Marks_and_labels_go_out_as_a_table()
    {
        var id = await server.BringText();
        await server.Post($"/api/lectures/{id}/marks", new { kind = "label", startMs = 1_000, endMs = 4_000, quote = "The tied", text = "theory" });
        var table = await server.Http.GetStringAsync($"/api/lectures/{id}/export?format=marks", TestContext.Current.CancellationToken);
        Assert.Equal("start\tend\tmark\ttext\tquote\tresolved\n1000\t4000\tlabel\ttheory\tThe tied\t\n", table);
    }

    private async Task<JsonNode> One(string id) => (await server.Get($"/api/lectures/{id}/marks"))[0]!;
}
