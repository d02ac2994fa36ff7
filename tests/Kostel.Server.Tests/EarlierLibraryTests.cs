namespace Kostel.Server.Tests;

/// <summary>What earlier versions wrote is there after the step to this one.</summary>
public sealed class EarlierLibraryTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("kostel-test-").FullName;

    [Fact]
    public async Task A_library_of_the_version_before_opens_with_everything_in_it()
    {
        EarlierLibrary.Unpack(folder);
        using var server = new ServerProcess(folder);
        var id = EarlierLibrary.Lecture;
        Assert.Contains("Remember that.", (await server.Passage(id))["text"]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.Equal("the wording of a card", (string?)(await server.Get($"/api/lectures/{id}/transcript"))["state"]!["undo"]);
        var study = await server.Get($"/api/lectures/{id}/study");
        Assert.NotEmpty(study["summary"]!.AsArray());
        Assert.NotNull(study["quiz"]!["lastAttempt"]);
        var cards = study["cards"]!.AsArray();
        Assert.Single(cards, c => !c!["isNew"]!.GetValue<bool>());
        Assert.Single(cards, c => (string?)c!["front"] == "In my own words?");
        var thread = Assert.Single((await server.Get($"/api/threads?lecture={id}")).AsArray());
        Assert.Single((await server.Get($"/api/threads/{thread!["id"]}"))["questions"]!.AsArray());
        Assert.Single((await server.Get($"/api/lectures/{id}/marks")).AsArray());
        Assert.Equal(2, (await server.Get("/api/courses/Tides/terms"))["count"]!.GetValue<int>());
        Assert.Single((await server.Get("/api/library"))["bin"]!.AsArray());

        // Cards from before they had keys are known again: none is made twice.
        var made = (await server.Post($"/api/lectures/{id}/cards"))["cards"]!.AsArray();
        Assert.All(cards, c => Assert.Single(made, m => (int)m!["id"]! == (int)c!["id"]!));
        Assert.Equal(made.Count, made.Select(c => (string?)c!["front"]).Distinct().Count());
        Assert.Equal(made.Count, (await server.Post($"/api/lectures/{id}/cards"))["cards"]!.AsArray().Count);
        await server.Post($"/api/lectures/{id}/edits/undo");
        LibraryDatabase.IsWhole(folder);
    }

    public void Dispose() => Directory.Delete(folder, recursive: true);
}
