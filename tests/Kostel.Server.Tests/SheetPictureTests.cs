using System.IO.Compression;
using System.Net;
using System.Text;
using System.Text.Json.Nodes;
using DocumentFormat.OpenXml.Packaging;
using DocumentFormat.OpenXml.Validation;

namespace Kostel.Server.Tests;

/// <summary>Pictures on a sheet of one's own: of marks, and of what a video shows.</summary>
public sealed class SheetPictureTests(SharedServer shared) : IClassFixture<SharedServer>
{
    private readonly ServerProcess server = shared.Server;

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    [Fact]
    public async Task A_mark_goes_on_a_sheet_with_its_picture_which_stays_when_the_mark_goes_and_the_words_do()
    {
        var id = await server.BringText();
        var mark = await server.PictureMark(id);
        var (address, line) = await Put(id, new { startMs = 6_000, endMs = 6_000, text = "The drawing", mark });
        Assert.Equal("The drawing", (string)line["cells"]![0]!);
        await server.Send(HttpMethod.Delete, $"/api/lectures/{id}/marks/{mark}");
        using var worded = await server.Send(HttpMethod.Put, address, new { name = "Mine", parts = new[] { new { heading = "", lines = new[] { new { cells = new[] { "" }, from = 0 } } } }, version = 1 });
        var now = JsonNode.Parse(await worded.Content.ReadAsStringAsync(Cancel))!["parts"]![0]!["lines"]![0]!;
        Assert.Equal((string)line["picture"]!, (string)now["picture"]!);
        using var shown = await server.Http.GetAsync($"{address}/pictures/{now["picture"]}", Cancel);
        Assert.Equal("image/png", shown.Content.Headers.ContentType!.MediaType);
        Assert.Equal(Clips.Pixels(Clips.Png), Clips.Pixels(await shown.Content.ReadAsByteArrayAsync(Cancel)));
    }

    [Fact]
    public async Task It_is_in_what_is_taken_away()
    {
        var id = await server.BringText();
        var (address, _) = await Put(id, new { startMs = 6_000, endMs = 6_000, mark = await server.PictureMark(id) });
        Assert.Contains("<img alt=\"\" src=\"data:image/png;base64,", Encoding.UTF8.GetString(await Export("html")), StringComparison.Ordinal);
        Assert.Contains("/Subtype /Image", Encoding.Latin1.GetString(await Export("pdf")), StringComparison.Ordinal);
        using var docx = WordprocessingDocument.Open(new MemoryStream(await Export("docx")), isEditable: false);
        Assert.Single(docx.MainDocumentPart!.ImageParts);
        Assert.Empty(new OpenXmlValidator().Validate(docx, Cancel));

        async Task<byte[]> Export(string format) => await server.Http.GetByteArrayAsync($"{address}/export?format={format}", Cancel);
    }

    [Fact]
    public async Task It_goes_out_and_comes_in_with_the_lecture()
    {
        var id = await server.BringText();
        await Put(id, new { startMs = 6_000, endMs = 6_000, mark = await server.PictureMark(id) });
        var file = await server.Http.GetByteArrayAsync($"/api/lectures/{id}/export?format=json", Cancel);
        var copy = await server.BringIn("with-sheet.json", file, "A copy");
        var sheet = (await server.Get($"/api/lectures/{copy}/sheets"))[0]!["id"]!;
        var picture = (string)(await server.Get($"/api/sheets/{sheet}"))["parts"]![0]!["lines"]![0]!["picture"]!;
        Assert.NotEmpty(await server.Http.GetByteArrayAsync($"/api/sheets/{sheet}/pictures/{picture}", Cancel));

        // One whose picture cannot be read comes in without it.
        var broken = Encoding.UTF8.GetString(file).Replace(Convert.ToBase64String(Clips.Png)[..8], "AAAAAAAA", StringComparison.Ordinal);
        var other = await server.BringIn("broken.json", Encoding.UTF8.GetBytes(broken), "Broken");
        var bare = await server.Get($"/api/sheets/{(await server.Get($"/api/lectures/{other}/sheets"))[0]!["id"]}");
        Assert.Null(bare["parts"]![0]!["lines"]![0]!["picture"]);
    }

    [Fact]
    public async Task What_the_video_shows_at_a_moment_goes_on_a_sheet_and_into_the_archive()
    {
        var id = await server.BringIn("slides.mp4", Clips.Video(8, withSound: true));
        await server.Ended(id);
        var (address, line) = await Put(id, new { startMs = 2_000, endMs = 2_000, text = "The slide", withPicture = true });
        Assert.Equal([0xFF, 0xD8], (await server.Http.GetByteArrayAsync($"{address}/pictures/{line["picture"]}", Cancel))[..2]);
        using var archive = new ZipArchive(new MemoryStream(await server.Http.GetByteArrayAsync($"/api/lectures/{id}/archive", Cancel)));
        using var docx = WordprocessingDocument.Open(new MemoryStream(await Read(archive.Entries.Single(e => e.Name.EndsWith(".docx", StringComparison.Ordinal)))), isEditable: false);
        Assert.Single(docx.MainDocumentPart!.ImageParts);

        static async Task<byte[]> Read(ZipArchiveEntry entry)
        {
            using var memory = new MemoryStream();
            await using var from = await entry.OpenAsync(Cancel);
            await from.CopyToAsync(memory, Cancel);
            return memory.ToArray();
        }
    }

    [Fact]
    public async Task Where_there_is_no_picture_it_is_said_and_nothing_is_put_there()
    {
        var id = await server.BringText();
        var own = await server.Post($"/api/lectures/{id}/sheets", new { form = "own", ofMarks = false });
        var plain = await server.Post($"/api/lectures/{id}/marks", new { kind = "key", startMs = 5_000, endMs = 9_000, quote = "", text = "" });
        using var still = await server.Send(HttpMethod.Post, $"/api/sheets/{own["id"]}/lines", new { startMs = 5_000, endMs = 9_000, withPicture = true });
        Assert.Equal("This lecture has no picture to show.", await ServerProcess.Detail(still));
        foreach (var mark in new[] { (int)plain["id"]!, 999_999 })
        {
            using var none = await server.Send(HttpMethod.Post, $"/api/sheets/{own["id"]}/lines", new { startMs = 5_000, endMs = 9_000, mark });
            Assert.Equal(HttpStatusCode.NotFound, none.StatusCode);
        }

        Assert.Empty((await server.Get($"/api/sheets/{own["id"]}"))["parts"]!.AsArray());
        foreach (var name in new[] { "none.png", "..%2F..%2Foriginal", "a.jpg" })
        {
            using var picture = await server.Http.GetAsync($"/api/sheets/{own["id"]}/pictures/{name}", Cancel);
            Assert.Equal(HttpStatusCode.NotFound, picture.StatusCode);
        }

    }

    private async Task<(string Address, JsonNode Line)> Put(string id, object line)
    {
        var own = await server.Post($"/api/lectures/{id}/sheets", new { form = "own", ofMarks = false });
        var address = $"/api/sheets/{own["id"]}";
        return (address, (await server.Post($"{address}/lines", line))["parts"]![0]!["lines"]![0]!);
    }
}
