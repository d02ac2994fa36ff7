using System.IO.Compression;
using System.Net;
using System.Text;
using System.Text.Json.Nodes;

namespace Kostel.Server.Tests;

/// <summary>The sheet of a course: made lecture by lecture, kept, found, corrected and taken away.</summary>
public sealed class CourseSheetTests(SharedServer shared) : IClassFixture<SharedServer>
{
    private const string First = "A leaven is a dough that ferments by itself with wild yeast. A leaven must always be fed with flour and water every twelve hours. The leaven rises best at a temperature of 26 degrees. A crust is the hard skin of a loaf, and it cracks because of the cold draught.";
    private const string Second = "A leaven must always be fed with flour and water every twelve hours. The leaven rises best at a temperature of 30 degrees. Salt slows the yeast down and makes the dough firm. The crust of the loaf is dry and brown.";

    private readonly ServerProcess server = shared.Server;

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    [Fact]
    public async Task It_says_how_far_it_is_and_holds_each_lecture_with_what_both_say_once()
    {
        var (course, ids) = await Course();
        var pieces = await Make(course);
        Assert.Equal([0, 1, 2], pieces.Select(p => p["read"]!.GetValue<int>()));
        var sheet = pieces[^1]["sheet"]!;
        Assert.Equal((course, 2), (sheet["course"]!.GetValue<string>(), sheet["lectures"]!.AsArray().Count));
        var lines = sheet["parts"]!.AsArray().SelectMany(p => p!["lines"]!.AsArray()).ToList();
        Assert.Equal("One; Two", Assert.Single(lines, l => l!["cells"]![1]!.GetValue<string>().Contains("twelve hours", StringComparison.Ordinal))!["cells"]![0]!.GetValue<string>());
        Assert.Equal(ids.Order(), lines.Select(l => l!["source"]!["lectureId"]!.GetValue<string>()).Distinct().Order());
        Assert.Contains(sheet["parts"]!.AsArray(), p => p!["heading"]!.GetValue<string>() == "Where the lectures differ");
        Assert.Empty((await server.Get($"/api/sheets/{sheet["id"]}/again"))["differences"]!.AsArray());
    }

    [Fact]
    public async Task A_name_that_is_corrected_is_corrected_on_it_and_it_is_found_and_taken_away_with_the_course()
    {
        var (course, ids) = await Course();
        var sheet = (await Make(course))[^1]["sheet"]!;
        var made = new[] { sheet["key"]!.GetValue<string>() };
        var replaced = await server.Post($"/api/lectures/{ids[0]}/replace", new { phrase = "draught", text = "draft", lectures = Array.Empty<object>(), made });
        Assert.Equal(1, replaced["made"]!.GetValue<int>());
        Assert.Contains("cold draft", (await server.Get($"/api/sheets/{sheet["id"]}")).ToJsonString(), StringComparison.Ordinal);
        var found = await server.Get($"/api/search?text={Uri.EscapeDataString("wild yeast")}");
        Assert.Contains(found["courses"]!.AsArray(), c => c!["kind"]!.GetValue<string>() == "sheet" && c["course"]!.GetValue<string>() == course);
        await using var zip = new ZipArchive(await server.Http.GetStreamAsync($"/api/courses/{course}/archive", Cancel));
        Assert.Contains(zip.Entries, e => e.FullName.EndsWith("The course on a sheet.pdf", StringComparison.Ordinal));
        var page = await server.Http.GetStringAsync($"/api/sheets/{sheet["id"]}/export?format=md", Cancel);
        Assert.All(ids, id => Assert.Contains($"/lecture/{id}?t=", page, StringComparison.Ordinal));
    }

    [Fact]
    public async Task Its_cards_go_to_the_lectures_that_its_lines_rest_on_and_a_quiz_is_refused()
    {
        var (course, ids) = await Course();
        var address = $"/api/sheets/{(await Make(course))[^1]["sheet"]!["id"]}";
        var drafts = (await server.Post($"{address}/cards/drafts", new { })).AsArray();
        var of = drafts.GroupBy(d => d!["source"]!["lectureId"]!.GetValue<string>()).ToDictionary(g => g.Key, g => g.ToList());
        Assert.Equal(ids.Order(), of.Keys.Order());
        Assert.Equal(drafts.Count, drafts.Select(d => (string)d!["key"]!).Distinct().Count());
        var kept = of.Values.Select(d => new { key = (string)d[0]!["key"]!, front = (string)d[0]!["front"]!, back = (string)d[0]!["back"]! }).ToList();
        using var stale = await server.Send(HttpMethod.Post, $"{address}/cards/kept", new { kept = kept.Append(new { key = "none", front = "F?", back = "B" }) });
        Assert.Equal(HttpStatusCode.Conflict, stale.StatusCode);
        (await server.Send(HttpMethod.Post, $"{address}/cards/kept", new { kept })).EnsureSuccessStatusCode();
        foreach (var id in ids)
        {
            var card = Assert.Single((await server.Get($"/api/lectures/{id}/study"))["cards"]!.AsArray())!;
            Assert.Contains((string)card["front"]!, kept.Select(k => k.front));
        }

        Assert.Equal(drafts.Count - kept.Count, (await server.Post($"{address}/cards/drafts", new { })).AsArray().Count);
        using var quiz = await server.Send(HttpMethod.Post, $"{address}/quiz", new { });
        Assert.Equal("A quiz is made of a lecture's sheet; of a course's there are cards.", await ServerProcess.Detail(quiz));
    }

    [Fact]
    public async Task It_outlives_a_lecture_and_needs_two_to_be_made()
    {
        var (course, ids) = await Course();
        var sheet = (await Make(course))[^1]["sheet"]!;
        (await server.Send(HttpMethod.Delete, $"/api/lectures/{ids[1]}")).Dispose();
        var after = await server.Get($"/api/sheets/{sheet["id"]}");
        Assert.Equal([ids[0]], after["lectures"]!.AsArray().Select(l => l!["id"]!.GetValue<string>()));
        Assert.Equal(sheet["parts"]!.AsArray().Count, after["parts"]!.AsArray().Count);
        using var alone = await server.Send(HttpMethod.Post, $"/api/courses/{course}/sheets", new { });
        Assert.Equal(HttpStatusCode.UnprocessableEntity, alone.StatusCode);
        using var nowhere = await server.Send(HttpMethod.Post, "/api/courses/No%20such%20course/sheets", new { });
        Assert.Equal(HttpStatusCode.NotFound, nowhere.StatusCode);
    }

    [Fact]
    public async Task An_empty_one_takes_passages_of_the_lectures_of_its_course_alone()
    {
        var (course, ids) = await Course();
        var own = await server.Post($"/api/courses/{course}/sheets/own", new { });
        Assert.Equal(("own", course), (own["form"]!.GetValue<string>(), own["course"]!.GetValue<string>()));
        foreach (var id in ids)
        {
            await server.Post($"/api/sheets/{own["id"]}/lines", new { startMs = 0, endMs = 2_000, lectureId = id });
        }

        var lines = (await server.Get($"/api/sheets/{own["id"]}"))["parts"]!.AsArray().SelectMany(p => p!["lines"]!.AsArray()).ToList();
        Assert.Equal(ids, lines.Select(l => l!["source"]!["lectureId"]!.GetValue<string>()));
        Assert.All(lines, l => Assert.Contains("leaven", l!["cells"]![0]!.GetValue<string>(), StringComparison.OrdinalIgnoreCase));
        var (_, elsewhere) = await Course();
        foreach (var wrong in new[] { elsewhere[0], null, "no-such-lecture" })
        {
            using var refused = await server.Send(HttpMethod.Post, $"/api/sheets/{own["id"]}/lines", new { startMs = 0, endMs = 2_000, lectureId = wrong });
            Assert.True(refused.StatusCode is HttpStatusCode.BadRequest or HttpStatusCode.NotFound, $"{wrong}: {refused.StatusCode}");
        }

        Assert.Empty((await server.Get($"/api/sheets/{own["id"]}/again"))["differences"]!.AsArray());
        var page = await server.Http.GetStringAsync($"/api/sheets/{own["id"]}/export?format=md", Cancel);
        Assert.All(ids, id => Assert.Contains($"/lecture/{id}?t=", page, StringComparison.Ordinal));
    }

    [Fact]
    public async Task It_can_be_of_some_lectures_and_stays_so_when_it_is_made_again()
    {
        var (course, ids) = await Course();
        ids.Add(await Bring("Three", "A peel is a flat shovel for loaves. The peel must be dry before a loaf is laid on it.", course));
        var sheet = (await Make(course, ids[..2]))[^1]["sheet"]!;
        Assert.Equal(ids[..2].Order(), sheet["lectures"]!.AsArray().Select(l => l!["id"]!.GetValue<string>()).Order());
        Assert.Empty((await server.Get($"/api/sheets/{sheet["id"]}/again"))["differences"]!.AsArray());
        var again = await server.Post($"/api/sheets/{sheet["id"]}/again", new { version = sheet["version"]!.GetValue<int>() });
        Assert.Equal(2, again["lectures"]!.AsArray().Count);
        Assert.Empty((await server.Get($"/api/sheets/{sheet["id"]}/again"))["differences"]!.AsArray());
        var whole = (await Make(course))[^1]["sheet"]!;
        Assert.Equal(ids.Order(), whole["lectures"]!.AsArray().Select(l => l!["id"]!.GetValue<string>()).Order());
        using var one = await server.Send(HttpMethod.Post, $"/api/courses/{course}/sheets", new { lectureIds = ids[..1] });
        Assert.Equal(HttpStatusCode.UnprocessableEntity, one.StatusCode);
    }

    private async Task<(string Course, List<string> Lectures)> Course()
    {
        var course = $"Bread {Guid.NewGuid():N}";
        return (course, [await Bring("One", First, course), await Bring("Two", Second, course)]);
    }

    private Task<string> Bring(string title, string text, string course)
    {
        var sentences = text.Split(". ").Select((s, i) => $"{i + 1}\n00:00:{6 * i:00},000 --> 00:00:{(6 * i) + 5:00},000\n{s.TrimEnd('.')}.\n");
        return server.BringIn($"{title}.srt", Encoding.UTF8.GetBytes(string.Join('\n', sentences)), title, course);
    }

    private async Task<List<JsonNode>> Make(string course, IReadOnlyList<string>? lectureIds = null)
    {
        using var answer = await server.Send(HttpMethod.Post, $"/api/courses/{course}/sheets", new { lectureIds });
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        return [.. (await answer.Content.ReadAsStringAsync(Cancel)).Split('\n', StringSplitOptions.RemoveEmptyEntries).Select(l => JsonNode.Parse(l)!)];
    }
}
