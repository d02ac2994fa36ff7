using System.IO.Compression;
using System.Net;
using System.Text.Json.Nodes;

namespace Kostel.Server.Tests;

/// <summary>Sheets of a lecture: made, changed, made again, taken back, found, corrected and taken away.</summary>
public sealed class SheetTests(SharedServer shared) : IClassFixture<SharedServer>
{
    private readonly ServerProcess server = shared.Server;

    [Theory]
    [InlineData("points")]
    [InlineData("outline")]
    [InlineData("cues")]
    [InlineData("terms")]
    [InlineData("numbers")]
    public async Task Every_line_that_is_made_plays_what_the_lecture_says(string form)
    {
        var (id, sheet) = await Make(form);
        var text = await server.Text(id);
        var lines = Lines(sheet);
        Assert.NotEmpty(lines);
        Assert.All(lines, l => Assert.True(l["source"]!["now"] is null && l["cells"]!.AsArray().Count == sheet["columns"]!.AsArray().Count));
        Assert.All(lines, l => Assert.Contains(l["source"]!["quote"]!.GetValue<string>().TrimEnd('.'), text, StringComparison.OrdinalIgnoreCase));
    }

    [Fact]
    public async Task A_lecture_that_has_nothing_for_a_form_says_so_and_gets_no_sheet()
    {
        var id = await server.BringText();
        using var tasks = await server.Send(HttpMethod.Post, $"/api/lectures/{id}/sheets", new { form = "tasks", ofMarks = false });
        Assert.Equal(HttpStatusCode.UnprocessableEntity, tasks.StatusCode);
        using var marks = await server.Send(HttpMethod.Post, $"/api/lectures/{id}/sheets", new { form = "points", ofMarks = true });
        Assert.Contains("Nothing is marked", await ServerProcess.Detail(marks), StringComparison.Ordinal);
        Assert.Empty((await server.Get($"/api/lectures/{id}/sheets")).AsArray());
    }

    [Fact]
    public async Task Of_two_windows_neither_loses_what_it_wrote()
    {
        var (id, sheet) = await Make("points");
        var address = $"/api/sheets/{sheet["id"]}";
        using var first = await Change(address, sheet, "Mine", false);
        Assert.Equal(HttpStatusCode.OK, first.StatusCode);
        using var second = await Change(address, sheet, "Theirs", false);
        Assert.Equal(HttpStatusCode.Conflict, second.StatusCode);
        using var over = await Change(address, sheet, "Theirs", true);
        Assert.Equal(HttpStatusCode.OK, over.StatusCode);
        Assert.Equal("Theirs", (await server.Get(address))["name"]!.GetValue<string>());
        var earlier = (await server.Get($"{address}/earlier")).AsArray();
        Assert.Equal(["Mine", "Key points"], earlier.Select(e => e!["name"]!.GetValue<string>()));
        var back = await server.Post($"{address}/earlier/{earlier[0]!["version"]}", new { version = 2 });
        Assert.Equal(("Mine", 3), (back["name"]!.GetValue<string>(), back["version"]!.GetValue<int>()));
    }

    [Fact]
    public async Task Made_again_it_keeps_what_was_worded_and_shows_before_what_would_change()
    {
        var (id, sheet) = await Make("points");
        var address = $"/api/sheets/{sheet["id"]}";
        var parts = Parts(sheet);
        parts[0]!["lines"]![0]!["cells"]![0] = "Worded by me.";
        using var changed = await server.Send(HttpMethod.Put, address, new { name = "Key points", parts, version = 0, over = false });
        Assert.True(changed.IsSuccessStatusCode);
        Assert.Empty((await server.Get($"{address}/again"))["differences"]!.AsArray());
        var again = await server.Post($"{address}/again", new { version = 1 });
        var line = Lines(again)[0];
        Assert.Equal(("Worded by me.", true), (line["cells"]![0]!.GetValue<string>(), line["isOwn"]!.GetValue<bool>()));
        Assert.NotNull(line["source"]);
    }

    [Fact]
    public async Task A_name_that_is_put_right_is_put_right_on_the_sheet()
    {
        var id = await server.BringText();
        var own = await server.Post($"/api/lectures/{id}/sheets", new { form = "own", ofMarks = false });
        var address = $"/api/sheets/{own["id"]}";
        var line = Lines(await server.Post($"{address}/lines", new { startMs = 5_000, endMs = 9_000 }))[0];
        Assert.Equal("A spring tied is the highest of all.", line["cells"]![0]!.GetValue<string>());
        await server.Rewrite(id, t => t.Replace("tied", "tide", StringComparison.Ordinal));
        var now = Lines(await server.Get(address))[0];
        Assert.Contains("A spring tide", now["source"]!["now"]?.GetValue<string>() ?? now["cells"]![0]!.GetValue<string>(), StringComparison.Ordinal);
        var elsewhere = await server.Get($"/api/lectures/{id}/study");
        Assert.NotNull(elsewhere);
    }

    [Fact]
    public async Task It_is_found_by_search_taken_away_and_brought_back()
    {
        var id = await server.BringText();
        var own = await server.Post($"/api/lectures/{id}/sheets", new { form = "own", ofMarks = false });
        var address = $"/api/sheets/{own["id"]}";
        await server.Post($"{address}/lines", new { startMs = 5_000, endMs = 9_000, text = "Perigee doubles the quarrel." });
        async Task<int> Found() => (await server.Get("/api/search?text=perigee%20quarrel"))["lectures"]!.AsArray().SelectMany(l => l!["hits"]!.AsArray()).Count(h => h!["kind"]!.GetValue<string>() == "sheet" && h["ref"]!.GetValue<string>() == own["id"]!.ToString());
        Assert.Equal(1, await Found());
        using var gone = await server.Send(HttpMethod.Delete, address);
        Assert.True(gone.IsSuccessStatusCode);
        Assert.Equal(0, await Found());
        using var missing = await server.Http.GetAsync(address, Cancel);
        Assert.Equal(HttpStatusCode.NotFound, missing.StatusCode);
        using var back = await server.Send(HttpMethod.Post, $"{address}/restore");
        Assert.Equal(1, await Found());
    }

    [Fact]
    public async Task A_sheet_goes_with_its_lecture_into_a_file_and_out_of_it()
    {
        var (id, sheet) = await Make("terms");
        var copy = await server.BringIn("copy.json", await server.Http.GetByteArrayAsync($"/api/lectures/{id}/export?format=json", Cancel), "A copy");
        var there = Assert.Single((await server.Get($"/api/lectures/{copy}/sheets")).AsArray())!;
        var brought = await server.Get($"/api/sheets/{there["id"]}");
        Assert.Equal(Lines(sheet).Select(l => l["cells"]!.ToJsonString()), Lines(brought).Select(l => l["cells"]!.ToJsonString()));
        Assert.All(Lines(brought), l => Assert.Equal(copy, l["source"]!["lectureId"]!.GetValue<string>()));
    }

    /// <summary>Against poppler's pdftotext and LibreOffice: each cell is there, in its order.</summary>
    [Theory]
    [InlineData("points")]
    [InlineData("terms")]
    public async Task As_a_document_it_has_the_words_of_the_sheet(string form)
    {
        var (id, sheet) = await Make(form);
        var folder = Directory.CreateTempSubdirectory("kostel-sheet").FullName;
        foreach (var format in new[] { "pdf", "docx" })
        {
            await File.WriteAllBytesAsync(Path.Combine(folder, $"sheet.{format}"), await server.Http.GetByteArrayAsync($"/api/sheets/{sheet["id"]}/export?format={format}", Cancel), Cancel);
        }

        var pdf = OutsideReader.Run("pdftotext", "-layout", Path.Combine(folder, "sheet.pdf"), "-");
        OutsideReader.Run("soffice", "--headless", $"-env:UserInstallation=file://{folder}/profile", "--convert-to", "txt:Text (encoded):UTF8", "--outdir", folder, Path.Combine(folder, "sheet.docx"));
        var docx = OutsideReader.Words(await File.ReadAllTextAsync(Path.Combine(folder, "sheet.txt"), Cancel));
        Assert.All(Lines(sheet).SelectMany(l => l["cells"]!.AsArray().Select(c => c!.GetValue<string>())).Where(c => c.Length > 0), cell =>
        {
            Assert.Contains(OutsideReader.Words(cell), docx, StringComparison.Ordinal);
            Assert.All(cell.Split(' '), w => Assert.Contains(w, pdf, StringComparison.Ordinal));
        });
        Directory.Delete(folder, recursive: true);
    }

    [Fact]
    public async Task Tasks_are_read_by_a_calendar()
    {
        var id = await server.BringText("""
            1
            00:00:01,000 --> 00:00:04,000
            The tide rises twice a day.

            2
            00:00:05,000 --> 00:00:09,000
            Please read chapter four by 3 November 2026.

            3
            00:00:10,000 --> 00:00:14,000
            Slack water comes between two streams.
            """);
        var sheet = await server.Post($"/api/lectures/{id}/sheets", new { form = "tasks", ofMarks = false });
        var calendar = Ical.Net.Calendar.Load(await server.Http.GetStringAsync($"/api/sheets/{sheet["id"]}/export?format=ics", Cancel))!;
        var todo = Assert.Single(calendar.Todos);
        Assert.Equal("Please read chapter four by 3 November 2026.", todo.Summary);
        Assert.Equal(new DateOnly(2026, 11, 3), todo.Due!.Date);
        Assert.EndsWith("?t=5", todo.Url!.ToString(), StringComparison.Ordinal);
        using var points = await server.Http.GetAsync($"/api/sheets/{sheet["id"]}/export?format=exe", Cancel);
        Assert.Equal(HttpStatusCode.BadRequest, points.StatusCode);
    }

    [Fact]
    public async Task Everything_of_a_lecture_and_of_a_course_goes_into_one_archive()
    {
        var id = await server.BringIn("tides.json", DemoText.Tides, "Tides for all", "Archived");
        await server.Post($"/api/lectures/{id}/sheets", new { form = "points", ofMarks = false });
        await server.Post($"/api/lectures/{id}/summary", new { });
        await server.Post($"/api/lectures/{id}/cards");
        await server.Post($"/api/lectures/{id}/quiz", new { });
        await server.BringIn("other.json", DemoText.Read("05-soil-texture"), "Soils", "Archived");
        var names = await Names($"/api/lectures/{id}/archive");
        Assert.All(
            new[] { "Tides for all.md", "Tides for all.vtt", "Tides for all Summary.docx", "Tides for all Key points.pdf", "Tides for all cards.csv", "Tides for all quiz qti.zip" },
            wanted => Assert.Contains(wanted, names));
        var course = await Names("/api/courses/Archived/archive");
        Assert.Contains("Tides for all/Tides for all.md", course);
        Assert.Contains("Soils/Soils.md", course);
    }

    private async Task<List<string>> Names(string address)
    {
        using var zip = new ZipArchive(new MemoryStream(await server.Http.GetByteArrayAsync(address, Cancel)));
        Assert.All(zip.Entries, e => Assert.True(e.Length > 0, e.FullName));
        return zip.Entries.Select(e => e.FullName).ToList();
    }

    [Fact]
    public async Task Two_things_are_compared_made_again_the_same_and_what_is_not_spoken_of_is_refused()
    {
        var id = await server.BringTides();
        Assert.Contains((await server.Get($"/api/lectures/{id}/sheets/pairs")).AsArray(), p => $"{p!["one"]} {p["other"]}".Contains("water", StringComparison.Ordinal));
        var sheet = await server.Post($"/api/lectures/{id}/sheets", new { form = "comparison", compared = new[] { "spring tide", "neap tide" } });
        Assert.Equal("Spring tide and neap tide", (string)sheet["name"]!);
        Assert.Contains(Lines(sheet), l => (string)l["cells"]![0]! == "Neap tide");
        Assert.Empty((await server.Get($"/api/sheets/{sheet["id"]}/again"))["differences"]!.AsArray());
        using var unspoken = await server.Send(HttpMethod.Post, $"/api/lectures/{id}/sheets", new { form = "comparison", compared = new[] { "spring tide", "sourdough" } });
        Assert.Contains("does not speak of both", await ServerProcess.Detail(unspoken), StringComparison.Ordinal);
        using var one = await server.Send(HttpMethod.Post, $"/api/lectures/{id}/sheets", new { form = "comparison", compared = new[] { "spring tide" } });
        Assert.Equal(HttpStatusCode.BadRequest, one.StatusCode);
    }

    private async Task<(string Id, JsonNode Sheet)> Make(string form)
    {
        var id = await server.BringTides();
        return (id, await server.Post($"/api/lectures/{id}/sheets", new { form, ofMarks = false }));
    }

    private Task<HttpResponseMessage> Change(string address, JsonNode sheet, string name, bool over) => server.Send(HttpMethod.Put, address, new { name, parts = Parts(sheet), version = 0, over });

    private static JsonArray Parts(JsonNode sheet)
    {
        var at = 0;
        return [.. sheet["parts"]!.AsArray().Select(p => new JsonObject
        {
            ["heading"] = p!["heading"]!.GetValue<string>(),
            ["lines"] = new JsonArray([.. p["lines"]!.AsArray().Select(l => new JsonObject { ["cells"] = l!["cells"]!.DeepClone(), ["from"] = at++ })]),
        })];
    }

    private static List<JsonNode> Lines(JsonNode sheet) => sheet["parts"]!.AsArray().SelectMany(p => p!["lines"]!.AsArray()).Select(l => l!).ToList();

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;
}
