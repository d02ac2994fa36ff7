using System.Net;
using System.Text.Json.Nodes;

namespace Kostel.Server.Tests;

/// <summary>Cards and a quiz of what stands on a sheet.</summary>
public sealed class SheetCardTests(SharedServer shared) : IClassFixture<SharedServer>
{
    private readonly ServerProcess server = shared.Server;

    [Fact]
    public async Task Terms_of_a_sheet_become_cards_that_are_kept_reworded_and_not_offered_again()
    {
        var (id, sheet) = await Make("terms");
        var drafts = (await server.Post($"{sheet}/cards/drafts", new { })).AsArray();
        Assert.NotEmpty(drafts);
        Assert.All(drafts, d => Assert.StartsWith("What is meant by “", (string)d!["front"]!, StringComparison.Ordinal));
        Assert.All(drafts, d => Assert.Null(d!["source"]!["now"]));
        var first = drafts[0]!;
        var kept = new { kept = new[] { new { key = (string)first["key"]!, front = "What is it, in my words?", back = (string)first["back"]! } } };
        Assert.Equal(HttpStatusCode.NoContent, await Status($"{sheet}/cards/kept", kept));
        var card = Assert.Single((await server.Get($"/api/lectures/{id}/study"))["cards"]!.AsArray())!;
        Assert.Equal(("What is it, in my words?", (int)first["source"]!["startMs"]!), ((string)card["front"]!, (int)card["source"]!["startMs"]!));
        Assert.DoesNotContain((await server.Post($"{sheet}/cards/drafts", new { })).AsArray(), d => (string)d!["key"]! == (string)first["key"]!);
        Assert.Equal(HttpStatusCode.Conflict, await Status($"{sheet}/cards/kept", kept));
        Assert.Single((await server.Get($"/api/lectures/{id}/study"))["cards"]!.AsArray());
    }

    [Fact]
    public async Task A_sheet_becomes_a_quiz_whose_answers_play_and_an_empty_one_is_refused_in_plain_words()
    {
        var (id, sheet) = await Make("points");
        Assert.Equal(HttpStatusCode.NoContent, await Status($"{sheet}/quiz", new { }));
        var quiz = (await server.Get($"/api/lectures/{id}/study"))["quiz"]!;
        Assert.NotEmpty(quiz["questions"]!.AsArray());
        var taken = await server.Post($"/api/quizzes/{quiz["id"]}/attempts", new { answers = quiz["questions"]!.AsArray().Select(_ => new { chosen = Array.Empty<int>() }) });
        Assert.All(taken["answers"]!.AsArray(), a => Assert.All(a!["sources"]!.AsArray(), s => Assert.Null(s!["now"])));
        Assert.NotEmpty(taken["answers"]!.AsArray().SelectMany(a => a!["sources"]!.AsArray()));

        var (_, own) = await Make("own");
        using var none = await server.Send(HttpMethod.Post, $"{own}/quiz", new { });
        Assert.Equal("There is not enough on this sheet to make a quiz of. Nothing was changed.", await ServerProcess.Detail(none));
        Assert.Empty((await server.Post($"{own}/cards/drafts", new { })).AsArray());
        Assert.Equal(HttpStatusCode.NotFound, await Status("/api/sheets/99999/quiz", new { }));
    }

    [Fact]
    public async Task Two_who_keep_the_same_card_at_once_add_it_once()
    {
        var (id, sheet) = await Make("terms");
        var draft = (await server.Post($"{sheet}/cards/drafts", new { }))[0]!;
        var kept = new { kept = new[] { new { key = (string)draft["key"]!, front = (string)draft["front"]!, back = (string)draft["back"]! } } };
        await Task.WhenAll(Enumerable.Range(0, 4).Select(_ => Status($"{sheet}/cards/kept", kept)));
        Assert.Single((await server.Get($"/api/lectures/{id}/study"))["cards"]!.AsArray());
    }

    private async Task<(string Id, string Sheet)> Make(string form)
    {
        var id = await server.BringTides();
        return (id, $"/api/sheets/{(await server.Post($"/api/lectures/{id}/sheets", new { form, ofMarks = false }))["id"]}");
    }

    private async Task<HttpStatusCode> Status(string address, object body)
    {
        using var answer = await server.Send(HttpMethod.Post, address, body);
        return answer.StatusCode;
    }
}
