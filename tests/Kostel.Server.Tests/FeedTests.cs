using System.Net;
using System.Text.Json.Nodes;

namespace Kostel.Server.Tests;

/// <summary>Feeds: picked from, followed, refused, and lists of them; with the site that ships with Kostel.</summary>
public sealed class FeedTests(ArrivalTests.Fixture fixture) : IClassFixture<ArrivalTests.Fixture>
{
    private readonly ServerProcess server = fixture.Server;
    private readonly string site = fixture.Site;

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    [Fact]
    public async Task A_feed_is_picked_from_and_when_it_is_followed_a_new_episode_comes_in_by_itself()
    {
        var name = $"f{Guid.NewGuid():N}";
        var feed = await server.Post("/api/feeds", new { address = $"{site}/feed.xml?name={name}", course = "Evenings", isFollowed = false });
        Assert.Equal(("Evenings on the slip", 2, 0), ((string?)feed["title"], (int)feed["episodeCount"]!, (int)feed["takenCount"]!));
        var episodes = (await server.Get($"/api/feeds/{feed["id"]}/episodes")).AsArray();
        Assert.Equal(["What the barometer tells", "Lying safely at a mooring"], episodes.Select(e => (string?)e!["title"]));
        var taken = await server.Post($"/api/feeds/{feed["id"]}/episodes", new { keys = new[] { (string?)episodes[1]!["key"] } });
        Assert.Equal(1, (int)taken["takenCount"]!);
        using var follow = await server.Send(HttpMethod.Put, $"/api/feeds/{feed["id"]}", new { course = "Evenings", isFollowed = true });
        Assert.Equal(HttpStatusCode.OK, follow.StatusCode);
        (await fixture.Outside.PostAsync($"{site}/publish?name={name}", null, Cancel)).EnsureSuccessStatusCode();
        await server.Post($"/api/feeds/{feed["id"]}/visit");
        var lectures = (await server.Get("/api/library"))["lectures"]!.AsArray();
        var arrived = lectures.Single(l => (string?)l!["title"] == "Lights of the harbour at night" && (string?)l["course"] == "Evenings")!;
        var lecture = await server.Ended((string)arrived["id"]!);
        Assert.Equal(("2026-11-03", 2), ((string?)lecture["heldOn"], (int)lecture["chapterCount"]!));

        // Nothing changed since: nothing comes twice.
        await server.Post($"/api/feeds/{feed["id"]}/visit");
        Assert.Equal(2, (int)(await server.Get("/api/feeds")).AsArray().Single(f => (int)f!["id"]! == (int)feed["id"]!)!["takenCount"]!);
    }

    [Theory]
    [InlineData("feed-no-xml", "not XML")]
    [InlineData("feed-entities", "not XML")]
    [InlineData("gone", "nothing at this address")]
    public async Task A_feed_that_cannot_be_read_is_not_kept(string trouble, string says)
    {
        using var answer = await server.Send(HttpMethod.Post, "/api/feeds", new { address = $"{site}/trouble/{trouble}", course = "", isFollowed = true });
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        Assert.Contains(says, await ServerProcess.Detail(answer), StringComparison.Ordinal);
        Assert.DoesNotContain((await server.Get("/api/feeds")).AsArray(), f => ((string?)f!["address"])!.Contains(trouble, StringComparison.Ordinal));
    }

    [Fact]
    public async Task A_feed_of_five_thousand_episodes_is_listed_whole()
    {
        var feed = await server.Post("/api/feeds", new { address = $"{site}/trouble/feed-long", course = "", isFollowed = false });
        Assert.Equal(5_000, (int)feed["episodeCount"]!);
        Assert.Equal(5_000, (await server.Get($"/api/feeds/{feed["id"]}/episodes")).AsArray().Count);
        using var forget = await server.Send(HttpMethod.Delete, $"/api/feeds/{feed["id"]}");
        Assert.Equal(HttpStatusCode.NoContent, forget.StatusCode);
    }

    [Fact]
    public async Task A_list_of_feeds_goes_out_and_comes_in()
    {
        var list = $"<opml version=\"2.0\"><body><outline text=\"Elsewhere\" xmlUrl=\"{site}/feed.atom?name=opml\"/></body></opml>";
        using var content = new StringContent(list);
        var brought = JsonNode.Parse(await (await server.Http.PostAsync("/api/feeds/list", content, Cancel)).Content.ReadAsStringAsync(Cancel))!;
        Assert.Equal((1, 0), ((int)brought["added"]!, (int)brought["known"]!));
        Assert.Contains("feed.atom?name=opml", await server.Http.GetStringAsync("/api/feeds/list", Cancel), StringComparison.Ordinal);
    }
}
