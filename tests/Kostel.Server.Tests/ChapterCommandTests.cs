using System.Text.Json.Nodes;

namespace Kostel.Server.Tests;

/// <summary>Chapters from the command line.</summary>
public sealed class ChapterCommandTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("kostel-chapters-").FullName;

    private string Lines(string name)
    {
        var outlined = File.ReadAllLines(Path.Combine(ServerProcess.Root, "benchmarks/lectures", name));
        var path = Path.Combine(folder, name);
        File.WriteAllLines(path, outlined.Where(l => !l.StartsWith("== ", StringComparison.Ordinal)));
        return path;
    }

    [Fact]
    public void A_text_with_a_sentence_on_each_line_gets_chapters_with_their_lines()
    {
        var path = Lines("pendulum-clocks.txt");
        var (exit, output, errors) = CommandLine.Run("chapters", path, "--to", "json");
        Assert.True(exit == 0, errors);
        var chapters = JsonNode.Parse(output)!["chapters"]!.AsArray().Select(c => (First: (int)c!["firstLine"]!, Last: (int)c["lastLine"]!, Title: (string)c["title"]!)).ToList();
        Assert.Equal(1, chapters[0].First);
        Assert.Equal(File.ReadAllLines(path).Length, chapters[^1].Last);
        Assert.All(chapters.Zip(chapters.Skip(1)), p => Assert.Equal(p.First.Last + 1, p.Second.First));
        Assert.Equal("Welcome and plan", chapters[0].Title);
        Assert.Equal([1, 8, 18, 31, 41, 49], chapters.Select(c => c.First));
    }

    [Fact]
    public void As_many_as_are_asked_for_of_several_files_and_in_other_forms()
    {
        var (one, two) = (Lines("sourdough-chemistry.txt"), Path.Combine(ServerProcess.Root, "demo/transcripts/01-why-tides.json"));
        var all = JsonNode.Parse(CommandLine.Run("chapters", one, two, "--count", "4", "--to", "json").Output)!.AsArray();
        Assert.Equal(["sourdough-chemistry.txt", "01-why-tides.json"], all.Select(f => (string)f!["file"]!));
        Assert.All(all, f => Assert.Equal(4, f!["chapters"]!.AsArray().Count));
        Assert.Null(all[1]!["chapters"]![0]!["firstLine"]);
        Assert.StartsWith("WEBVTT", CommandLine.Run("chapters", one, "--to", "vtt").Output, StringComparison.Ordinal);
        Assert.Contains("number from 1", CommandLine.Run("chapters", one, "--count", "none").Errors);
        Assert.Contains("There is no file", CommandLine.Run("chapters", Path.Combine(folder, "none.txt")).Errors);
    }

    [Fact]
    public void Without_the_word_vectors_it_says_so_and_goes_on()
    {
        var models = Directory.CreateDirectory(Path.Combine(folder, "models")).FullName;
        var (exit, output, errors) = CommandLine.RunWith(models, "chapters", Lines("pendulum-clocks.txt"));
        Assert.Equal(0, exit);
        Assert.Contains("found by the words alone", errors);
        Assert.NotEmpty(output);
    }

    /// <inheritdoc/>
    public void Dispose() => Directory.Delete(folder, recursive: true);
}
