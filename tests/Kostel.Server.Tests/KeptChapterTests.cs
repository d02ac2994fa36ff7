namespace Kostel.Server.Tests;

/// <summary>Chapters that a person made or changed are not lost when the recording is written down once more.</summary>
public sealed class KeptChapterTests(SharedServer shared) : IClassFixture<SharedServer>
{
    private readonly ServerProcess server = shared.Server;

    [Fact]
    public async Task Chapters_of_the_persons_own_stay_unless_they_want_them_found_anew()
    {
        var id = await server.BringIn("fog.mp3", Clips.Speech(9));
        await server.Ended(id);
        Assert.False(await HasOwn());
        await server.Edit(id, new { kind = "chapter", startMs = 0, title = "Mist at the quay" });
        Assert.True(await HasOwn());

        await server.Post($"/api/lectures/{id}/transcribe", new { accuracy = "fast" });
        await server.Ended(id);
        Assert.Equal(["Mist at the quay"], await Titles());
        Assert.True(await HasOwn());

        await server.Post($"/api/lectures/{id}/transcribe", new { accuracy = "fast", keepsChapters = false });
        await server.Ended(id);
        Assert.DoesNotContain("Mist at the quay", await Titles());
        Assert.False(await HasOwn());

        async Task<bool> HasOwn() => (bool)(await server.Get($"/api/lectures/{id}/transcripts"))["hasOwnChapters"]!;

        async Task<IEnumerable<string>> Titles() => (await server.Get($"/api/lectures/{id}/transcript"))["chapters"]!.AsArray().Select(c => (string)c!["title"]!);
    }
}
