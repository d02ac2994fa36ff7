using System.IO.Compression;
using System.Net;
using System.Text;
using System.Text.RegularExpressions;
using Kostel.Core.Transcripts;

namespace Kostel.Server.Tests;

/// <summary>Every format that a text is taken away in, and brought in again.</summary>
public sealed partial class TakeAwayTests(SharedServer shared) : IClassFixture<SharedServer>
{
    private static readonly string Conversation = Path.Combine(ServerProcess.Root, "demo", "transcripts", "08-harbour-pilot.json");
    private readonly ServerProcess server = shared.Server;

    [Theory]
    [InlineData("txt")]
    [InlineData("md")]
    [InlineData("srt")]
    [InlineData("vtt")]
    [InlineData("tsv")]
    [InlineData("json")]
    public async Task What_is_taken_away_and_brought_in_again_has_the_same_words(string format)
    {
        var id = await Bring();
        var file = await server.Http.GetByteArrayAsync($"/api/lectures/{id}/export?format={format}&times=true", Cancel);
        var copy = await server.BringIn($"talk.{format}", file);
        Assert.Equal(await server.Text(id), await server.Text(copy));
        var again = await server.Http.GetByteArrayAsync($"/api/lectures/{copy}/export?format={format}&times=true", Cancel);
        Assert.Equal(Titleless(file), Titleless(again));
    }

    [Fact]
    public async Task A_part_is_taken_away_with_its_own_times()
    {
        var id = await Bring();
        var passage = await server.Passage(id, 3);
        var text = await server.Http.GetStringAsync($"/api/lectures/{id}/export?format=txt&speakers=false&fromMs={passage["startMs"]}&toMs={passage["endMs"]}", Cancel);
        Assert.EndsWith(passage["text"]!.GetValue<string>() + "\n", text, StringComparison.Ordinal);
        using var nothing = await server.Http.GetAsync($"/api/lectures/{id}/export?format=txt&fromMs=99000000", Cancel);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, nothing.StatusCode);
    }

    [Fact]
    public async Task Links_lead_to_the_lecture_at_the_second()
    {
        var id = await Bring();
        var text = await server.Http.GetStringAsync($"/api/lectures/{id}/export?format=md&times=true&links=true", Cancel);
        Assert.Contains($"({server.Http.BaseAddress}lecture/{id}?t=", text, StringComparison.Ordinal);
    }

    /// <summary>Against poppler's pdftotext: the words in order, white space and page furniture aside.</summary>
    [Fact]
    public async Task The_text_of_a_PDF_is_the_transcript()
    {
        var id = await Bring();
        var file = Path.Combine(server.Folder, $"{id}.pdf");
        await File.WriteAllBytesAsync(file, await server.Http.GetByteArrayAsync($"/api/lectures/{id}/export?format=pdf&speakers=false&times=false", Cancel), Cancel);
        var transcript = TranscriptFormat.Read(await File.ReadAllTextAsync(Conversation, Cancel));
        var expected = string.Join(' ', transcript.Passages.Select(p =>
            string.Concat(transcript.Chapters.Where(c => transcript.Passages.First(q => q.StartMs >= c.StartMs) == p).Select(c => c.Title + " ")) + p.Text));
        var pages = OutsideReader.Run("pdftotext", "-raw", file, "-").Split('\f');
        var body = string.Join(' ', pages.Select((page, i) => Furniture(page, first: i == 0)));
        Assert.Equal(OutsideReader.Words(expected), OutsideReader.Words(body));
        Assert.DoesNotContain("Type 3", OutsideReader.Run("pdffonts", file), StringComparison.Ordinal);
        Assert.DoesNotMatch(@"(?m)\sno\s+(yes|no)\s+(yes|no)\s+\d", OutsideReader.Run("pdffonts", file));
    }

    [Fact]
    public async Task Times_and_names_stand_in_a_PDF_where_wanted()
    {
        var id = await Bring();
        var file = Path.Combine(server.Folder, $"{id}-named.pdf");
        await File.WriteAllBytesAsync(file, await server.Http.GetByteArrayAsync($"/api/lectures/{id}/export?format=pdf&times=true", Cancel), Cancel);
        var text = OutsideReader.Run("pdftotext", "-raw", file, "-");
        Assert.Contains("Voice 2", text, StringComparison.Ordinal);
        Assert.Matches(@"\b1:\d\d\b", text);
    }

    [Fact]
    public async Task A_word_processor_document_has_headings_names_and_every_word()
    {
        var id = await Bring();
        var bytes = await server.Http.GetByteArrayAsync($"/api/lectures/{id}/export?format=docx&times=true", Cancel);
        using var zip = new ZipArchive(new MemoryStream(bytes));
        using var reader = new StreamReader(zip.GetEntry("word/document.xml")!.Open());
        var xml = await reader.ReadToEndAsync(Cancel);
        Assert.Contains("Heading1", xml, StringComparison.Ordinal);
        var text = WebUtility.HtmlDecode(Tags().Replace(xml, ""));
        foreach (var passage in TranscriptFormat.Read(await File.ReadAllTextAsync(Conversation, Cancel)).Passages)
        {
            Assert.Contains(passage.Text, text, StringComparison.Ordinal);
        }
    }

    /// <summary>Against LibreOffice, which reads it and writes its text.</summary>
    [Fact]
    public async Task Another_word_processor_reads_the_document()
    {
        var id = await Bring();
        var folder = Directory.CreateDirectory(Path.Combine(server.Folder, "office")).FullName;
        await File.WriteAllBytesAsync(Path.Combine(folder, "talk.docx"), await server.Http.GetByteArrayAsync($"/api/lectures/{id}/export?format=docx&times=false&speakers=false", Cancel), Cancel);
        OutsideReader.Run("soffice", "--headless", $"-env:UserInstallation=file://{folder}/profile", "--convert-to", "txt:Text (encoded):UTF8", "--outdir", folder, Path.Combine(folder, "talk.docx"));
        var read = await File.ReadAllTextAsync(Path.Combine(folder, "talk.txt"), Cancel);
        foreach (var passage in TranscriptFormat.Read(await File.ReadAllTextAsync(Conversation, Cancel)).Passages)
        {
            Assert.Contains(passage.Text, read, StringComparison.Ordinal);
        }
    }

    [Fact]
    public async Task Captions_for_the_player_are_WebVTT()
    {
        var id = await Bring();
        using var answer = await server.Http.GetAsync($"/api/lectures/{id}/captions", Cancel);
        Assert.Equal("text/vtt", answer.Content.Headers.ContentType!.MediaType);
        Assert.StartsWith("WEBVTT\n\n", await answer.Content.ReadAsStringAsync(Cancel), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_text_that_cannot_be_read_becomes_no_lecture_and_says_where()
    {
        var count = (await server.Get("/api/library"))["lectures"]!.AsArray().Count;
        var address = await server.CreateUpload("broken.srt", 5);
        using var answer = await server.SendPiece(address, 0, "hello"u8.ToArray());
        Assert.StartsWith("broken.srt could not be read. Line 1: expected", await ServerProcess.Detail(answer), StringComparison.Ordinal);
        Assert.Equal(count, (await server.Get("/api/library"))["lectures"]!.AsArray().Count);
        var binary = await server.CreateUpload("sound.txt", 4);
        using var refused = await server.SendPiece(binary, 0, [1, 0, 2, 0]);
        Assert.Equal(HttpStatusCode.UnsupportedMediaType, refused.StatusCode);
    }

    [Fact]
    public async Task A_text_without_times_has_them_estimated_and_says_so()
    {
        var id = await server.BringIn("notes.txt", Encoding.UTF8.GetBytes("The tide rises and falls twice in every lunar day of the year.\n\nSlack water comes between the two."));
        var lecture = await server.Get($"/api/lectures/{id}");
        Assert.False(lecture["hasSound"]!.GetValue<bool>());
        Assert.Contains("estimated", lecture["notice"]!.GetValue<string>(), StringComparison.Ordinal);
    }

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private async Task<string> Bring() => await server.BringIn("talk.json", await File.ReadAllBytesAsync(Conversation, Cancel), "A talk with a harbour pilot");

    /// <summary>Markdown begins with the lecture's title, which the copy has of its file.</summary>
    private static string Titleless(byte[] file)
    {
        var text = Encoding.UTF8.GetString(file);
        return text.StartsWith("# ", StringComparison.Ordinal) ? text[text.IndexOf('\n', StringComparison.Ordinal)..] : text;
    }

    /// <summary>Without title and facts on the first page and the line at the foot of each.</summary>
    private static string Furniture(string page, bool first)
    {
        var lines = page.Split('\n', StringSplitOptions.RemoveEmptyEntries).Skip(first ? 2 : 0);
        return string.Join(' ', lines.Where(l => !(l is "A talk with a harbour pilot") && !l.All(char.IsAsciiDigit) && !FootLine().IsMatch(l)));
    }

    [GeneratedRegex("<[^>]*>")]
    private static partial Regex Tags();

    [GeneratedRegex(@"^(\d+ )?A talk with a harbour pilot( \d+)?$")]
    private static partial Regex FootLine();
}
