using System.Net;

namespace Kostel.Server.Tests;

/// <summary>What else a chapter could be called is at hand where its title is written.</summary>
public sealed class ChapterNameTests(SharedServer shared) : IClassFixture<SharedServer>
{
    private readonly ServerProcess server = shared.Server;

    [Fact]
    public async Task A_chapter_has_other_titles_by_what_is_said_in_it()
    {
        var id = await server.BringTides();
        var chapters = (await server.Get($"/api/lectures/{id}/transcript"))["chapters"]!.AsArray();
        var titles = chapters.Select(c => (string)c!["title"]!).ToList();
        var others = (await server.Get($"/api/lectures/{id}/chapters/{chapters[0]!["startMs"]}/titles")).AsArray().Select(t => (string)t!).ToList();
        Assert.InRange(others.Count, 1, 5);
        Assert.Empty(others.Intersect(titles, StringComparer.OrdinalIgnoreCase));
    }

    [Fact]
    public async Task Where_no_chapter_begins_there_are_none()
    {
        var id = await server.BringTides();
        Assert.Empty((await server.Get($"/api/lectures/{id}/chapters/123456/titles")).AsArray());
        Assert.Equal(HttpStatusCode.NotFound, (await server.Send(HttpMethod.Get, "/api/lectures/nowhere/chapters/0/titles")).StatusCode);
    }
}
