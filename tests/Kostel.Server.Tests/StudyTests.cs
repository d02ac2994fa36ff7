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
        var attempt = await Server.Post($"/api/quizzes/{quiz["id"]}/attempts", new { answers = questions.Select(QuizAnswering.Some) });
        var answers = attempt["answers"]!.AsArray();
        Assert.Equal(answers.Count(a => a!["isRight"]!.GetValue<bool>()), attempt["rightCount"]!.GetValue<int>());
        Assert.All(answers, a => Assert.True(a!["sources"]![0]!["startMs"]!.GetValue<int>() > 0));
        var right = await Server.Post($"/api/quizzes/{quiz["id"]}/attempts", new { answers = answers.Select(a => a!["solution"]!.DeepClone()) });
        Assert.Equal(questions.Count, right["rightCount"]!.GetValue<int>());
        using var wrong = await Server.Http.PostAsJsonAsync($"/api/quizzes/{quiz["id"]}/attempts", new { answers = questions.Append(null).Select(_ => new { chosen = Array.Empty<int>() }) });
        Assert.Equal(HttpStatusCode.BadRequest, wrong.StatusCode);
    }

    [Fact]
    public async Task A_quiz_has_as_many_questions_of_the_kinds_and_chapters_that_are_wanted()
    {
        var second = (await Server.Get($"/api/lectures/{id}/transcript"))["chapters"]![1]!;
        var quiz = (await Server.Post($"/api/lectures/{id}/quiz", new { after = await Newest(), count = 3, kinds = new[] { "choice", "number" }, chapter = (int)second["startMs"]! }))["quiz"]!;
        var questions = quiz["questions"]!.AsArray();
        Assert.InRange(questions.Count, 1, 3);
        Assert.All(questions, q => Assert.Contains((string)q!["kind"]!, new[] { "choice", "number" }));
        var open = await Server.Post($"/api/quizzes/{quiz["id"]}/attempts", new { answers = questions.Select(_ => new { chosen = Array.Empty<int>() }) });
        Assert.Equal(0, (int)open["rightCount"]!);
        Assert.All(open["answers"]!.AsArray(), a => Assert.InRange((int)a!["sources"]![0]!["startMs"]!, (int)second["startMs"]!, (int)second["endMs"]!));
        using var none = await Server.Http.PostAsJsonAsync($"/api/lectures/{id}/quiz", new { after = (int)quiz["id"]!, ofMarks = true, chapter = 1 });
        Assert.Equal(HttpStatusCode.BadRequest, none.StatusCode);
    }

    [Fact]
    public async Task Cards_are_looked_through_and_only_those_that_are_kept_are_added_as_they_were_worded()
    {
        var other = await Server.BringIn("lecture.json", DemoText.Read("05"));
        var drafts = (await Server.Send(HttpMethod.Post, $"/api/lectures/{other}/cards/drafts", new { count = 6 })).Content;
        var shown = System.Text.Json.Nodes.JsonNode.Parse(await drafts.ReadAsStringAsync())!.AsArray();
        Assert.InRange(shown.Count, 4, 6);
        Assert.Empty((await Server.Get($"/api/lectures/{other}/study"))["cards"]!.AsArray());
        var kept = new[] { new { key = (string)shown[0]!["key"]!, front = "In my words?", back = (string)shown[0]!["back"]! }, new { key = (string)shown[2]!["key"]!, front = (string)shown[2]!["front"]!, back = (string)shown[2]!["back"]! } };
        (await Server.Send(HttpMethod.Post, $"/api/lectures/{other}/cards/kept", new { wanted = new { count = 6 }, kept })).EnsureSuccessStatusCode();
        var study = await Server.Get($"/api/lectures/{other}/study");
        Assert.Equal(["In my words?", kept[1].front], study["cards"]!.AsArray().Select(c => (string)c!["front"]!));
        var again = System.Text.Json.Nodes.JsonNode.Parse(await (await Server.Send(HttpMethod.Post, $"/api/lectures/{other}/cards/drafts", new { count = 40 })).Content.ReadAsStringAsync())!.AsArray();
        Assert.DoesNotContain(again, d => kept.Any(k => k.key == (string)d!["key"]!));
        using var gone = await Server.Http.PostAsJsonAsync($"/api/lectures/{other}/cards/kept", new { wanted = new { count = 6 }, kept = new[] { new { key = "1-2", front = "a", back = "b" } } });
        Assert.Equal(HttpStatusCode.Conflict, gone.StatusCode);
    }

    [Fact]
    public async Task A_card_is_kept_both_ways_once_and_each_is_learned_by_itself()
    {
        var other = await Server.BringIn("lecture.json", DemoText.Read("06"));
        var shown = (await Server.Post($"/api/lectures/{other}/cards/drafts", new { count = 20 })).AsArray();
        var draft = shown.First(d => (string?)d!["reversed"] is not null)!;
        var kept = new[] { new { key = (string)draft["key"]!, front = (string)draft["front"]!, back = (string)draft["back"]!, bothWays = true } };
        (await Server.Send(HttpMethod.Post, $"/api/lectures/{other}/cards/kept", new { wanted = new { count = 20 }, kept })).EnsureSuccessStatusCode();
        var cards = (await Server.Get($"/api/lectures/{other}/study"))["cards"]!.AsArray();
        Assert.Equal(new[] { (string)draft["front"]!, (string)draft["reversed"]! }.Order(), cards.Select(c => (string)c!["front"]!).Order());
        var again = (await Server.Post($"/api/lectures/{other}/cards/drafts", new { count = 40 })).AsArray();
        Assert.DoesNotContain(again, d => (string)d!["key"]! == kept[0].key);
    }

    [Fact]
    public async Task Of_one_subject_everything_comes_from_where_it_is_spoken_of()
    {
        var other = await Server.BringTides("Of one subject");
        var places = (await Server.Get($"/api/lectures/{other}/subjects/places?subject=springs"))["places"]!.AsArray();
        bool IsThere(JsonNode line) => places.Any(p => (int)line["startMs"]! < (int)p!["endMs"]! && (int)p["startMs"]! < (int)line["endMs"]!);
        var summary = (await Server.Post($"/api/lectures/{other}/summary", new { length = "short", subject = "springs" }))["summary"]!.AsArray().SelectMany(p => p!["lines"]!.AsArray()).ToList();
        Assert.NotEmpty(summary);
        Assert.All(summary, l => Assert.True(IsThere(l!)));
        var cards = (await Server.Post($"/api/lectures/{other}/cards/drafts", new { count = 20, subject = "springs" })).AsArray();
        Assert.NotEmpty(cards);
        Assert.All(cards, c => Assert.True(IsThere(c!["source"]!)));
        var sheet = await Server.Post($"/api/lectures/{other}/sheets", new { form = "points", subject = "springs" });
        Assert.All(sheet["parts"]!.AsArray().SelectMany(p => p!["lines"]!.AsArray()), l => Assert.True(IsThere(l!["source"]!)));
        Assert.Empty((await Server.Get($"/api/sheets/{sheet["id"]}/again"))["differences"]!.AsArray());
        using var nothing = await Server.Send(HttpMethod.Post, $"/api/lectures/{other}/summary", new { subject = "xylophone" });
        Assert.Contains("“xylophone” is not said in this lecture", await ServerProcess.Detail(nothing), StringComparison.Ordinal);
    }

    private async Task<int?> Newest() => (int?)(await Server.Get($"/api/lectures/{id}/study"))["quiz"]?["id"];

    private Task<HttpResponseMessage> Grade(JsonNode card, string grade) =>
        Server.Http.PostAsJsonAsync($"/api/cards/{card["id"]}/reviews", new { grade, memoryVersion = card["memoryVersion"]!.GetValue<int>() });
}
