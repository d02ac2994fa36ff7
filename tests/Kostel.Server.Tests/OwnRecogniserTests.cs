namespace Kostel.Server.Tests;

/// <summary>A recogniser of the person's own, from the command line to the transcript.</summary>
public sealed class OwnRecogniserTests : IDisposable
{
    private readonly string models = Directory.CreateTempSubdirectory("kostel-own-").FullName;
    private readonly string weights = Directory.CreateTempSubdirectory("kostel-weights-").FullName;

    public OwnRecogniserTests()
    {
        foreach (var model in Directory.GetFiles(ServerProcess.Models).Where(f => !Path.GetFileName(f).StartsWith("spanish", StringComparison.Ordinal)))
        {
            File.CreateSymbolicLink(Path.Combine(models, Path.GetFileName(model)), model);
        }

        File.Copy(Path.Combine(ServerProcess.Models, "english-encoder.onnx"), Path.Combine(weights, "big.onnx"));
        File.Copy(Path.Combine(ServerProcess.Models, "english-decoder.onnx"), Path.Combine(weights, "bigger.onnx"));
        File.WriteAllText(Path.Combine(weights, "COPYING"), "Free to use.\n");
    }

    [Fact]
    public async Task It_is_added_listed_chosen_noted_and_missed_in_words_when_it_is_gone()
    {
        var (exit, output, errors) = CommandLine.RunWith(models, "models", "add", weights, "--language", "en", "--name", "Hall");
        Assert.True(exit == 0, errors);
        Assert.Contains("It wrote: Good morning.", output);
        Assert.Contains("Hall: English, 28.2 MB, 6 layers of 288", CommandLine.RunWith(models, "models", "list").Output);
        Assert.Contains("taken", CommandLine.RunWith(models, "models", "add", weights, "--language", "en", "--name", "hall").Errors);
        Assert.Contains("Add --clip FILE", CommandLine.RunWith(models, "models", "add", weights, "--language", "fr", "--name", "Salle").Errors);

        using var server = new ServerProcess(null, ServerProcess.WithModels(models));
        var own = (await server.Get("/api/languages"))["own"]!.AsArray().Single()!;
        Assert.Equal(("Hall", "en", "Free to use."), ((string?)own["name"], (string?)own["language"]!["code"], (string?)own["licence"]));
        var id = await server.BringIn("short.mp3", Clips.Speech(3));
        await server.Ended(id);
        await server.Post($"/api/lectures/{id}/transcribe", new { accuracy = "accurate", model = "hall" });
        var lecture = await server.Ended(id);
        Assert.Equal(("en", null), ((string?)lecture["language"]!["code"], (string?)lecture["progress"]?["problem"]));
        Assert.Equal("hall", (string?)(await server.Get($"/api/lectures/{id}/transcripts"))["madeBy"]);

        Assert.Equal(0, CommandLine.RunWith(models, "models", "remove", "HALL").Exit);
        await server.Post($"/api/lectures/{id}/transcribe", new { accuracy = "accurate", model = "Hall" });
        Assert.Contains("no recogniser of your own called “Hall”", (string?)(await server.Ended(id))["progress"]!["problem"]);
        Assert.NotEmpty(await server.Text(id));
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        Directory.Delete(models, recursive: true);
        Directory.Delete(weights, recursive: true);
    }
}
