using System.IO.Compression;
using System.Net;
using System.Text.Json.Nodes;

namespace Kostel.Server.Tests;

/// <summary>Courses in an own order, and several lectures at once.</summary>
public sealed class CourseTests(SharedServer shared) : IClassFixture<SharedServer>
{
    private readonly ServerProcess server = shared.Server;

    private async Task<List<string>> Courses(string which = "courses") => (await server.Get("/api/library"))[which]!.AsArray().Select(c => c!.GetValue<string>()).ToList();

    [Fact]
    public async Task A_course_is_renamed_reordered_and_put_out_of_the_way()
    {
        await server.BringText(course: "Anchors");
        var id = await server.BringText(BroughtLecture.Srt.Replace("twice", "now and then", StringComparison.Ordinal), course: "Buoys");
        await server.Send(HttpMethod.Put, "/api/courses/Buoys/terms", new { text = "spar", version = 0 });
        await server.Send(HttpMethod.Post, "/api/courses/order", new { titles = new[] { "Buoys", "Anchors" } });
        Assert.Equal(["Buoys", "Anchors"], (await Courses()).Where(c => c is "Buoys" or "Anchors"));
        using var taken = await server.Send(HttpMethod.Put, "/api/courses/Buoys", new { title = "Anchors", isArchived = false });
        Assert.Equal(HttpStatusCode.BadRequest, taken.StatusCode);
        await server.Send(HttpMethod.Put, "/api/courses/Buoys", new { title = "Beacons", isArchived = true });
        Assert.Contains("Beacons", await Courses("archived"));
        var course = await server.Get("/api/courses/Beacons");
        Assert.Equal((1, id), (course["termCount"]!.GetValue<int>(), course["lectures"]![0]!["id"]!.GetValue<string>()));
        Assert.Equal(id, course["staves"]![0]!["lectureId"]!.GetValue<string>());
        using var nowhere = await server.Send(HttpMethod.Get, "/api/courses/Buoys");
        Assert.Equal(HttpStatusCode.NotFound, nowhere.StatusCode);
    }

    [Fact]
    public async Task Several_lectures_are_moved_taken_away_binned_and_brought_back()
    {
        var ids = new List<string>();
        foreach (var word in new[] { "once", "thrice" })
        {
            ids.Add(await server.BringText(BroughtLecture.Srt.Replace("twice", word, StringComparison.Ordinal)));
        }

        Assert.Equal(2, (await server.Post("/api/library/move", new { ids = ids.Append("nobody"), course = "Moved" }))["done"]!.GetValue<int>());
        using var zip = await server.Send(HttpMethod.Post, "/api/library/export", new { ids, format = "md" });
        using var archive = new ZipArchive(await zip.Content.ReadAsStreamAsync(TestContext.Current.CancellationToken));
        Assert.Equal(["Moved/Tides 2.md", "Moved/Tides.md"], archive.Entries.Select(e => e.FullName).Order(StringComparer.Ordinal));
        using var odd = await server.Send(HttpMethod.Post, "/api/library/export", new { ids, format = "exe" });
        Assert.Equal(HttpStatusCode.BadRequest, odd.StatusCode);

        // A text without a recording has nothing to be heard anew.
        Assert.Equal(0, (await server.Post("/api/library/transcribe", new { ids }))["done"]!.GetValue<int>());
        Assert.Equal(2, (await server.Post("/api/library/bin", new { ids }))["done"]!.GetValue<int>());
        Assert.Empty(await InLibrary(ids));
        Assert.Equal(2, (await server.Post("/api/library/restore", new { ids }))["done"]!.GetValue<int>());
        Assert.Equal(2, (await InLibrary(ids)).Count);
    }

    private async Task<List<JsonNode?>> InLibrary(List<string> ids) =>
        (await server.Get("/api/library"))["lectures"]!.AsArray().Where(l => ids.Contains(l!["id"]!.GetValue<string>())).ToList();
}
