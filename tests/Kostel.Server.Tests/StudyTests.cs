using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Kostel.Server.Tests;

public sealed class StudyTests(SharedServer shared) : IClassFixture<SharedServer>, IAsyncLifetime
{
    private string id = "";

    private ServerProcess Server => shared.Server;

    public async ValueTask InitializeAsync()
    {
        var there = (await Server.Get("/api/library"))["lectures"]!.AsArray();
        id = there.Count > 0 ? there[0]!["id"]!.GetValue<string>() : await Server.BringTides();
        await Server.Ended(id);
    }

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    [Fact]
    public async Task Cards_made_twice_are_there_once_and_keep_their_reviews()
    {
        var cards = (await Server.Post($"/api/lectures/{id}/cards"))["cards"]!.AsArray();
        Assert.NotEmpty(cards);
        var card = cards[0]!;
        await Grade(card, "recalled");
        var again = (await Server.Post($"/api/lectures/{id}/cards"))["cards"]!.AsArray();
        Assert.Equal(cards.Count, again.Count);
        Assert.False(again.Single(c => c!["id"]!.GetValue<int>() == card["id"]!.GetValue<int>())!["isNew"]!.GetValue<bool>());
    }

    [Fact]
    public async Task A_card_is_graded_once_from_two_windows_and_comes_back_later()
    {
        var card = (await Server.Post($"/api/lectures/{id}/cards"))["cards"]!.AsArray().Last()!;
        var result = await (await Grade(card, "atOnce")).Content.ReadFromJsonAsync<JsonNode>();
        Assert.True(result!["inDays"]!.GetValue<int>() >= 1);
        Assert.Equal(HttpStatusCode.Conflict, (await Grade(card, "forgot")).StatusCode);
        Assert.DoesNotContain((await Server.Get("/api/review")).AsArray(), c => c!["id"]!.GetValue<int>() == card["id"]!.GetValue<int>());
    }

    [Fact]
    public async Task A_summary_covers_every_chapter_in_the_words_of_the_lecture()
    {
        var parts = (await Server.Post($"/api/lectures/{id}/summary"))["summary"]!.AsArray();
        var chapters = (await Server.Get($"/api/lectures/{id}/transcript"))["chapters"]!.AsArray();
        Assert.Equal(chapters.Count, parts.Count);
        var text = await Server.Text(id);
        Assert.All(parts, p => Assert.NotEmpty(p!["lines"]!.AsArray()));
        Assert.All(parts.SelectMany(p => p!["lines"]!.AsArray()), l => Assert.Contains(l!["quote"]!.GetValue<string>(), text, StringComparison.Ordinal));
    }

    [Fact]
    public async Task A_quiz_is_taken_marked_and_says_where_to_listen_again()
    {
        var quiz = (await Server.Post($"/api/lectures/{id}/quiz"))["quiz"]!;
        var questions = quiz["questions"]!.AsArray();
        Assert.DoesNotContain("\"key\"", questions.ToJsonString(), StringComparison.Ordinal);
        var attempt = await Server.Post($"/api/quizzes/{quiz["id"]}/attempts", new { choices = questions.Select(_ => 0) });
        var answers = attempt["answers"]!.AsArray();
        Assert.Equal(answers.Count(a => a!["key"]!.GetValue<int>() == 0), attempt["rightCount"]!.GetValue<int>());
        Assert.All(answers, a => Assert.True(a!["source"]!["startMs"]!.GetValue<int>() > 0));
        using var wrong = await Server.Http.PostAsJsonAsync($"/api/quizzes/{quiz["id"]}/attempts", new { choices = new[] { 0, 0, 0, 0, 0, 0, 0, 0, 0 } });
        Assert.Equal(HttpStatusCode.BadRequest, wrong.StatusCode);
    }

    private Task<HttpResponseMessage> Grade(JsonNode card, string grade) =>
        Server.Http.PostAsJsonAsync($"/api/cards/{card["id"]}/reviews", new { grade, memoryVersion = card["memoryVersion"]!.GetValue<int>() });
}
