using System.Net;
using System.Text;
using System.Text.Json.Nodes;

namespace Kostel.Server.Tests;

/// <summary>A lecture as one file with everything that belongs to it, taken away and brought in again without loss.</summary>
public sealed class WholeLectureTests(SharedServer shared) : IClassFixture<SharedServer>
{
    private readonly ServerProcess server = shared.Server;

    [Fact]
    public async Task Everything_of_a_lecture_comes_in_again_as_it_was()
    {
        var id = await server.BringIn("tides.json", DemoText.Tides, "Why there are tides", "Tides");
        var lecture = await server.Get($"/api/lectures/{id}");
        (await server.Send(HttpMethod.Put, $"/api/lectures/{id}", new { title = "Why there are tides", heldOn = "2026-03-04", course = "Tides", version = (int)lecture["version"]! })).EnsureSuccessStatusCode();
        await server.Post($"/api/lectures/{id}/marks", new { kind = "unclear", startMs = 61_500, endMs = 64_020, quote = "the moon", text = "Why two?" });
        await server.Post($"/api/lectures/{id}/summary");
        await server.Post("/api/questions", new { text = "What is a spring tide?", lecture = id });
        var study = await server.Post($"/api/lectures/{id}/cards");
        var card = study["cards"]![0]!;
        await server.Post($"/api/cards/{card["id"]}/reviews", new { grade = "hardWon", memoryVersion = (int)card["memoryVersion"]! });
        var quiz = (await server.Post($"/api/lectures/{id}/quiz"))["quiz"]!;
        await server.Post($"/api/quizzes/{quiz["id"]}/attempts", new { answers = quiz["questions"]!.AsArray().Select(QuizAnswering.Some) });
        using var picture = new ByteArrayContent(await File.ReadAllBytesAsync(Path.Combine(ServerProcess.Root, "docs", "screenshots", "lecture.png")));
        (await server.Http.PostAsync($"/api/lectures/{id}/marks/picture?atMs=3000", picture)).EnsureSuccessStatusCode();

        var file = await server.Http.GetByteArrayAsync($"/api/lectures/{id}/export?format=json");
        var copy = await server.BringIn("everything.json", file);
        Assert.Equal(Comparable(JsonNode.Parse(file)!), Comparable(JsonNode.Parse(await server.Http.GetByteArrayAsync($"/api/lectures/{copy}/export?format=json"))!));
        var came = await server.Get($"/api/lectures/{copy}");
        Assert.Equal(("Why there are tides", "Tides", "2026-03-04"), ((string)came["title"]!, (string)came["course"]!, (string)came["heldOn"]!));
        Assert.False((await server.Get($"/api/lectures/{copy}/study"))["cards"]!.AsArray().All(c => c!["isNew"]!.GetValue<bool>()));
        Assert.Equal(2, (await server.Get($"/api/lectures/{copy}/marks")).AsArray().Count);
    }

    [Fact]
    public async Task What_the_person_says_of_the_file_counts_more_than_what_stands_in_it()
    {
        var id = await server.BringIn("tides.json", DemoText.Tides, "First title", "Tides");
        var copy = await server.BringIn("everything.json", await server.Http.GetByteArrayAsync($"/api/lectures/{id}/export?format=json"), "Mine", "Others");
        var came = await server.Get($"/api/lectures/{copy}");
        Assert.Equal(("Mine", "Others"), ((string)came["title"]!, (string)came["course"]!));
    }

    [Theory]
    [InlineData("\"grade\": \"hardWon\"", "\"grade\": 99")]
    [InlineData("\"key\": 0", "\"key\": 77")]
    [InlineData("\"kind\": \"unclear\"", "\"kind\": \"loud\"")]
    [InlineData("\"kind\": \"unclear\"", "\"kind\": \"key,exam\"")]
    [InlineData("\"cards\": [", "\"cards\": [ null,")]
    [InlineData("\"title\": \"Wrong\"", "\"title\": null")]
    public async Task A_file_with_something_senseless_in_it_is_refused_as_a_whole(string good, string bad)
    {
        var text = """
            {"format":"kostel-transcript","version":2,"language":"en","duration":9.000,"speakers":[{"id":"v1","name":"Voice 1"}],
            "passages":[{"id":"p1","speaker":"v1","start":0.000,"end":1.000,"words":[{"text":"Tides.","start":0.000,"end":1.000}]}],"chapters":[],
            "lecture": {"title": "Wrong"}, "marks": [{"kind": "unclear", "start": 0.000, "end": 1.000, "quote": "", "text": "", "madeAt": "2026-01-01T00:00:00Z"}],
            "cards": [{"key":"0-1000","front":"F","back":"B","source":{"passageId":"p1","start":0.000,"end":1.000,"quote":"Tides."},"createdAt":"2026-01-01T00:00:00Z","dueAt":"2026-01-01T00:00:00Z",
             "reviews":[{"grade": "hardWon","at":"2026-01-01T00:00:00Z","stability":1,"difficulty":5}]}],
            "quizzes":[{"madeAt":"2026-01-01T00:00:00Z","questions":[{"stem":"S","choices":["a","b"],"key": 0,"source":{"passageId":"p1","start":0.000,"end":1.000,"quote":"Tides."}}]}]}
            """;
        Assert.Contains(good, text, StringComparison.Ordinal);
        Assert.NotEmpty(await server.Text(await server.BringIn("good.json", Encoding.UTF8.GetBytes(text))));
        var bytes = Encoding.UTF8.GetBytes(text.Replace(good, bad, StringComparison.Ordinal));
        using var refused = await server.SendPiece(await server.CreateUpload("bad.json", bytes.Length), 0, bytes);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, refused.StatusCode);
        Assert.Contains("could not be read", await ServerProcess.Detail(refused), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_picture_is_kept_without_what_was_hidden_in_its_file()
    {
        var id = await server.BringText();
        var picture = await File.ReadAllBytesAsync(Path.Combine(ServerProcess.Root, "docs", "screenshots", "lecture.png"));
        using var content = new ByteArrayContent([.. picture, .. "<script>alert(1)</script>"u8]);
        using var answer = await server.Http.PostAsync($"/api/lectures/{id}/marks/picture?atMs=0", content);
        var mark = JsonNode.Parse(await answer.Content.ReadAsStringAsync())!["id"];
        var kept = await server.Http.GetByteArrayAsync($"/api/lectures/{id}/marks/{mark}/picture");
        Assert.DoesNotContain("script", Encoding.Latin1.GetString(kept), StringComparison.Ordinal);
        using var none = new ByteArrayContent([0x89, 0x50, 0x4E, 0x47, 0x0D, 0x0A, 0x1A, 0x0A, .. "and then anything"u8]);
        using var refused = await server.Http.PostAsync($"/api/lectures/{id}/marks/picture?atMs=0", none);
        Assert.Equal(HttpStatusCode.UnsupportedMediaType, refused.StatusCode);
        Assert.Single(Directory.GetFiles(Path.Combine(server.Folder, "lectures", id, "pictures")));
    }

    /// <summary>A picture is written anew once more on its way in, so its bytes may differ; that it is there is compared.</summary>
    private static string Comparable(JsonNode file)
    {
        foreach (var mark in file["marks"]!.AsArray().Where(m => m!["picture"] is not null))
        {
            mark!["picture"] = "here";
        }

        return file.ToJsonString();
    }
}
