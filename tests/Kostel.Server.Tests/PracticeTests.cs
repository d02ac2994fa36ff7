using System.Net;
using System.Text.Json.Nodes;

namespace Kostel.Server.Tests;

/// <summary>Cards, reviews and quizzes: made once, kept through rewording, taken back.</summary>
public sealed class PracticeTests(SharedServer shared) : IClassFixture<SharedServer>
{
    private const int Presses = 10;
    private readonly ServerProcess server = shared.Server;

    [Fact]
    public async Task Whatever_is_pressed_how_often_is_made_once()
    {
        var id = await server.BringTides();
        await Task.WhenAll(Enumerable.Range(0, Presses).SelectMany(_ => new[]
        {
            server.Post($"/api/lectures/{id}/cards"), server.Post($"/api/lectures/{id}/quiz"), server.Post($"/api/lectures/{id}/summary"),
        }));
        var cards = (await Study(id))["cards"]!.AsArray();
        Assert.InRange(cards.Count, 5, 10);
        Assert.Equal(cards.Count, cards.Select(c => (string?)c!["front"]).Distinct().Count());
        Assert.Equal(1L, LibraryDatabase.Sql(server.Folder, $"SELECT COUNT(*) FROM Quizzes WHERE LectureId = '{id}'"));
        Assert.Equal(1L, LibraryDatabase.Sql(server.Folder, $"SELECT COUNT(*) FROM Summaries WHERE LectureId = '{id}'"));
    }

    [Fact]
    public async Task A_reworded_card_is_not_made_again()
    {
        var id = await server.BringTides();
        var cards = (await server.Post($"/api/lectures/{id}/cards"))["cards"]!.AsArray();
        foreach (var card in cards)
        {
            (await server.Send(HttpMethod.Put, $"/api/cards/{card!["id"]}", new { front = $"In my words: {card["front"]}", back = "Yes.", version = card["version"]!.GetValue<int>() })).EnsureSuccessStatusCode();
        }

        var again = (await server.Post($"/api/lectures/{id}/cards"))["cards"]!.AsArray();
        Assert.Equal(cards.Count, again.Count);
        Assert.All(again, c => Assert.StartsWith("In my words", (string?)c!["front"], StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("01")]
    [InlineData("02")]
    [InlineData("03")]
    [InlineData("04")]
    [InlineData("05")]
    [InlineData("06")]
    [InlineData("07")]
    [InlineData("08")]
    public async Task What_was_just_made_never_says_that_its_source_changed(string demo)
    {
        var id = await server.BringIn("lecture.json", DemoText.Read(demo));
        await server.Post($"/api/lectures/{id}/cards");
        await server.Post($"/api/lectures/{id}/quiz");
        var study = await server.Post($"/api/lectures/{id}/summary");
        var sources = study["cards"]!.AsArray().Select(c => c!["source"]!).Concat(study["summary"]!.AsArray().SelectMany(p => p!["lines"]!.AsArray()).Select(l => l!));
        Assert.All(sources, s => Assert.Null((string?)s["now"]));
        var taken = await server.Post($"/api/quizzes/{study["quiz"]!["id"]}/attempts", new { answers = study["quiz"]!["questions"]!.AsArray().Select(_ => new { chosen = Array.Empty<int>() }) });
        Assert.All(taken["answers"]!.AsArray(), a => Assert.All(a!["sources"]!.AsArray(), s => Assert.Null((string?)s!["now"])));
    }

    [Fact]
    public async Task A_new_quiz_asks_what_was_not_asked_yet_and_says_how_much_it_repeats()
    {
        var id = await server.BringIn("lecture.json", DemoText.Read("08"));
        var asked = new List<string>();
        var quiz = (await server.Post($"/api/lectures/{id}/quiz"))["quiz"]!;
        for (var round = 0; round < 2; round++)
        {
            var stems = quiz["questions"]!.AsArray().Select(q => (string)q!["stem"]!).ToList();
            // A place can be asked about in another way; what several questions begin with says nothing of it.
            Assert.InRange(quiz["askedBefore"]!.GetValue<int>(), stems.Count(s => asked.Contains(s) && s is not ("Which number belongs in which gap?" or "What is each of these?")), round == 0 ? 0 : stems.Count);
            Assert.True(round == 0 || stems.Except(asked).Any() || quiz["askedBefore"]!.GetValue<int>() == stems.Count);
            asked.AddRange(stems);
            quiz = (await server.Post($"/api/lectures/{id}/quiz", new { after = quiz["id"]!.GetValue<int>() }))["quiz"]!;
        }
    }

    [Fact]
    public async Task A_forgotten_card_comes_back_in_the_same_sitting_and_a_grade_can_be_taken_back()
    {
        var id = await server.BringTides();
        var card = (await server.Post($"/api/lectures/{id}/cards"))["cards"]![0]!;
        var forgotten = await server.Post($"/api/cards/{card["id"]}/reviews", new { grade = "forgot", memoryVersion = card["memoryVersion"]!.GetValue<int>() });
        Assert.Equal(0, forgotten["inDays"]!.GetValue<int>());
        Assert.InRange(forgotten["dueAt"]!.GetValue<DateTime>() - DateTime.UtcNow, TimeSpan.FromMinutes(9), TimeSpan.FromMinutes(11));

        var version = forgotten["memoryVersion"]!.GetValue<int>();
        await server.Post($"/api/cards/{card["id"]}/reviews/undo", new { memoryVersion = version });
        var back = (await Study(id))["cards"]!.AsArray().Single(c => (int)c!["id"]! == (int)card["id"]!)!;
        Assert.True(back["isNew"]!.GetValue<bool>());
        Assert.Equal(card["dueAt"]!.GetValue<DateTime>(), back["dueAt"]!.GetValue<DateTime>());
        Assert.Equal(0L, LibraryDatabase.Sql(server.Folder, $"SELECT COUNT(*) FROM Reviews WHERE CardId = {card["id"]}"));

        using var twice = await server.Send(HttpMethod.Post, $"/api/cards/{card["id"]}/reviews/undo", new { memoryVersion = back["memoryVersion"]!.GetValue<int>() });
        Assert.Equal(HttpStatusCode.UnprocessableEntity, twice.StatusCode);
        using var old = await server.Send(HttpMethod.Post, $"/api/cards/{card["id"]}/reviews/undo", new { memoryVersion = version });
        Assert.Equal(HttpStatusCode.Conflict, old.StatusCode);
    }

    [Fact]
    public async Task A_card_is_due_when_one_of_the_persons_days_begins()
    {
        var id = await server.BringTides();
        var card = (await server.Post($"/api/lectures/{id}/cards"))["cards"]![0]!;
        var settings = await server.Get("/api/settings");
        Assert.Equal(4, settings["dayBeginsAtHour"]!.GetValue<int>());
        (await server.Send(HttpMethod.Put, "/api/settings", new { dayBeginsAtHour = 2 })).EnsureSuccessStatusCode();
        var result = await server.Post($"/api/cards/{card["id"]}/reviews", new { grade = "atOnce", memoryVersion = card["memoryVersion"]!.GetValue<int>() });
        var due = TimeZoneInfo.ConvertTimeFromUtc(result["dueAt"]!.GetValue<DateTime>(), TimeZoneInfo.Local);
        Assert.Equal((2, 0), (due.Hour, due.Minute));
        using var senseless = await server.Send(HttpMethod.Put, "/api/settings", new { dayBeginsAtHour = 13 });
        Assert.Equal(HttpStatusCode.BadRequest, senseless.StatusCode);
        (await server.Send(HttpMethod.Put, "/api/settings", new { dayBeginsAtHour = 4 })).EnsureSuccessStatusCode();
    }

    private Task<JsonNode> Study(string id) => server.Get($"/api/lectures/{id}/study");
}
