namespace Kostel.Server.Tests;

/// <summary>What goes wrong on the command line ends with a line that says so and a code that is not 0, before any work is done in vain.</summary>
public sealed class CommandTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("kostel-test-").FullName;

    [Theory]
    [InlineData("x")]
    [InlineData("0")]
    [InlineData("-3")]
    [InlineData("99999999999")]
    public void Voices_that_are_no_number_are_refused(string voices)
    {
        var (exit, _, errors) = CommandLine.Run("transcribe", Write("a.mp3", "x"), "--voices", voices);
        Assert.Equal(2, exit);
        Assert.Contains("--voices takes a number from 1", errors, StringComparison.Ordinal);
        Assert.DoesNotContain("   at ", errors, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("99")]
    [InlineData("fast,accurate")]
    public void A_way_to_transcribe_that_is_none_is_refused(string accuracy)
    {
        var (exit, _, errors) = CommandLine.Run("transcribe", Write("a.mp3", "x"), "--accuracy", accuracy);
        Assert.Equal(2, exit);
        Assert.Contains("accurate", errors, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("transcribe")]
    [InlineData("convert")]
    public void A_folder_that_is_not_there_is_noticed_before_the_work(string command)
    {
        var source = command == "convert" ? Write("a.srt", BroughtLecture.Srt) : WriteBytes("a.mp3", Clips.Speech(1));
        var watch = System.Diagnostics.Stopwatch.StartNew();
        var (exit, _, errors) = CommandLine.Run(command, source, "--to", "vtt", "--out", Path.Combine(folder, "no", "such", "talk.vtt"));
        Assert.Equal(1, exit);
        Assert.Contains("There is no folder", errors, StringComparison.Ordinal);
        Assert.DoesNotContain("Recognising", errors, StringComparison.Ordinal);
        Assert.True(watch.Elapsed < TimeSpan.FromSeconds(30));
        Assert.Equal(1, CommandLine.Run(command, source, "--to", "vtt", "--out", folder).Exit);
    }

    [Fact]
    public void A_file_that_is_there_keeps_its_text_where_nothing_could_be_made()
    {
        var kept = Write("kept.vtt", "Kept.");
        Assert.Equal(1, CommandLine.Run("transcribe", Write("none.mp3", "not sound"), "--to", "vtt", "--out", kept).Exit);
        Assert.Equal("Kept.", File.ReadAllText(kept));
    }

    [Theory]
    [InlineData("slides.pdf", "%PDF-1.7\n1 0 obj\n<<>>\nendobj\n")]
    [InlineData("slides.txt", "%PDF-1.7\n1 0 obj\n<<>>\nendobj\n")]
    [InlineData("sound.txt", "RIFF\u0000\u0000\u0000\u0000WAVE")]
    [InlineData("tides.odt", "PK")]
    public void What_is_no_text_is_not_taken_for_one(string name, string content)
    {
        foreach (var command in new[] { "convert", "summary" })
        {
            var (exit, output, errors) = CommandLine.Run(command == "convert" ? [command, Write(name, content), "--to", "txt"] : [command, Write(name, content)]);
            Assert.Equal((1, ""), (exit, output));
            Assert.Contains(name, errors, StringComparison.Ordinal);
            Assert.Single(errors.Trim().Split('\n'));
        }
    }

    [Theory]
    [InlineData("quiz")]
    [InlineData("cards")]
    public void A_text_that_is_too_short_for_what_is_asked_says_so(string command)
    {
        var (exit, output, errors) = CommandLine.Run(command, Write("short.txt", "Good evening everybody."));
        Assert.Equal((3, ""), (exit, output));
        Assert.Contains("not enough in this text", errors, StringComparison.Ordinal);
    }

    [Fact]
    public void The_length_of_a_summary_the_number_of_cards_and_the_form_of_a_quiz_are_chosen()
    {
        var text = Write("soil.txt", """
            A soil is a mixture of grains, water and air that carries plants.
            A loam is a soil that has sand, silt and clay in similar shares.
            A pore is a space between the grains that holds water or air.
            Leaching is the loss of nutrients by water that drains through the soil.
            The roots of lettuce go down thirty centimetres.
            The roots of maize go down ninety centimetres.
            A carrot needs at least forty centimetres of loose soil.
            """.ReplaceLineEndings("\n"));
        var line = CommandLine.Run("summary", text, "--length", "line");
        var page = CommandLine.Run("summary", text, "--length", "page");
        Assert.True(line.Output.Length > 0 && line.Output.Length < page.Output.Length, page.Output + line.Output);
        Assert.Equal(2, CommandLine.Run("cards", text, "--count", "2", "--to", "csv").Output.Trim().Split('\n').Length);
        Assert.Equal(2, CommandLine.Run("cards", text, "--count", "0").Exit);
        var package = text + ".zip";
        Assert.Equal(0, CommandLine.Run("quiz", text, "--to", "qti", "--out", package).Exit);
        using (var zip = System.IO.Compression.ZipFile.OpenRead(package))
        {
            Assert.Contains(zip.Entries, e => e.FullName == "imsmanifest.xml");
        }

        Assert.Contains("there already", CommandLine.Run("quiz", text, "--to", "qti", "--out", package).Errors, StringComparison.Ordinal);
        Assert.Contains("--out", CommandLine.Run("quiz", text, "--to", "qti").Errors, StringComparison.Ordinal);
    }

    [Fact]
    public void Several_texts_are_asked_at_once_and_the_answer_is_given_as_JSON()
    {
        var lines = Write("bread.txt", "Bread is made of flour and water.\nThe dough rests for three hours.\nThen it goes into the oven.\nThe crust becomes brown.\nA loaf weighs one kilo.\n");
        var (exit, output, errors) = CommandLine.Run("ask", Write("tides.srt", BroughtLecture.Srt), lines, "How long does the dough rest?", "--json");
        Assert.Equal((0, ""), (exit, errors));
        var json = System.Text.Json.Nodes.JsonNode.Parse(output)!;
        var first = json["lines"]![0]!;
        Assert.Equal(("said", lines, "The dough rests for three hours."), ((string?)json["state"], (string?)first["file"], (string?)first["text"]));
        Assert.Equal("three hours", ((string)first["text"]!)[(int)first["answer"]![0]!..(int)first["answer"]![1]!]);
        Assert.True((double)first["end"]! > (double)first["start"]!);
    }

    [Fact]
    public void Captions_are_asked_as_well_as_transcripts()
    {
        var (exit, output, errors) = CommandLine.Run("ask", Write("tides.srt", BroughtLecture.Srt), "When does slack water come?");
        Assert.True(exit == 0, errors);
        Assert.Contains("Slack water comes between two streams.", output, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("")]
    [InlineData("   ")]
    public void An_empty_question_is_none(string question)
    {
        var (exit, output, errors) = CommandLine.Run("ask", Write("tides.srt", BroughtLecture.Srt), question);
        Assert.Equal((1, ""), (exit, output));
        Assert.Contains("the question is empty", errors, StringComparison.Ordinal);
    }

    [Fact]
    public void A_broken_transcript_is_said_with_its_name_and_place()
    {
        var (exit, _, errors) = CommandLine.Run("ask", Write("broken.json", "{ \"format\": \"kostel-transcript\", oops"), "What?");
        Assert.Equal(1, exit);
        Assert.StartsWith("broken.json could not be read. Line 1, column", errors, StringComparison.Ordinal);
    }

    [Fact]
    public void Commands_for_a_library_that_is_not_there_or_not_open_say_so()
    {
        Assert.Contains("There is no library", CommandLine.Run("backup", Path.Combine(folder, "a.zip"), "--data", folder).Errors, StringComparison.Ordinal);
        Assert.Contains("There is no file", CommandLine.Run("restore", Path.Combine(folder, "a.zip"), "--data", Path.Combine(folder, "new")).Errors, StringComparison.Ordinal);
        Assert.Contains("is not open", CommandLine.Run("open", "--data", folder).Errors, StringComparison.Ordinal);
    }

    public void Dispose() => Directory.Delete(folder, recursive: true);

    private string Write(string name, string text) => WriteBytes(name, System.Text.Encoding.UTF8.GetBytes(text));

    private string WriteBytes(string name, byte[] bytes)
    {
        var path = Path.Combine(folder, name);
        File.WriteAllBytes(path, bytes);
        return path;
    }
}
