using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Kostel.Server.Tests;

/// <summary>Cards as a list, out and in.</summary>
public sealed class CardListTests(SharedServer shared) : IClassFixture<SharedServer>
{
    private readonly ServerProcess server = shared.Server;

    [Fact]
    public async Task What_is_taken_away_and_brought_into_another_lecture_has_the_same_cards_at_the_same_times()
    {
        var id = await server.BringTides();
        var cards = (await server.Post($"/api/lectures/{id}/cards"))["cards"]!.AsArray();
        foreach (var format in new[] { "csv", "tsv" })
        {
            var list = await server.Http.GetStringAsync($"/api/lectures/{id}/cards/export?format={format}", Cancel);
            var copy = await server.BringTides($"A copy for {format}");
            using var brought = await Bring(copy, list);
            Assert.Equal(cards.Count, (await brought.Content.ReadFromJsonAsync<JsonNode>(Cancel))!["added"]!.GetValue<int>());
            var there = (await server.Get($"/api/lectures/{copy}/study"))["cards"]!.AsArray();
            Assert.Equal(Fronts(cards), Fronts(there));
            using var again = await Bring(copy, list);
            Assert.Equal(0, (await again.Content.ReadFromJsonAsync<JsonNode>(Cancel))!["added"]!.GetValue<int>());
        }
    }

    [Fact]
    public async Task Quotes_commas_lines_and_a_row_of_headings_are_read_and_a_new_answer_is_taken_with_what_was_learned()
    {
        var id = await server.BringText();
        using var brought = await Bring(id, "Question,Answer\r\n\"What, by \"\"range\"\"?\",\"High\r\nminus low.\"\r\nHow often?,Once.,0:05\r\n");
        Assert.Equal(HttpStatusCode.OK, brought.StatusCode);
        using var better = await Bring(id, "How often?,Twice.\n");
        var cards = (await server.Get($"/api/lectures/{id}/study"))["cards"]!.AsArray();
        Assert.Equal([("What, by \"range\"?", "High\r\nminus low.".Replace("\r", "", StringComparison.Ordinal)), ("How often?", "Twice.")], cards.Select(c => (c!["front"]!.GetValue<string>(), c["back"]!.GetValue<string>())));
        Assert.Equal(5_000, cards[1]!["source"]!["startMs"]!.GetValue<int>());
    }

    [Theory]
    [InlineData("How often?,\"Twice.\nWhy?,Because.\n", "Row")]
    [InlineData("Only a question\n", "Row 1 has no answer")]
    [InlineData("", "no card")]
    public async Task A_list_that_is_none_says_where_and_adds_nothing(string list, string says)
    {
        var id = await server.BringText();
        using var brought = await Bring(id, list);
        Assert.Equal(HttpStatusCode.BadRequest, brought.StatusCode);
        Assert.Contains(says, await ServerProcess.Detail(brought), StringComparison.Ordinal);
        Assert.Empty((await server.Get($"/api/lectures/{id}/study"))["cards"]!.AsArray());
    }

    private Task<HttpResponseMessage> Bring(string id, string list) => server.Http.PostAsync($"/api/lectures/{id}/cards/list", new StringContent(list), Cancel);

    private static List<string> Fronts(JsonArray cards) => cards.Select(c => $"{c!["front"]} {c["source"]!["startMs"]}").Order(StringComparer.Ordinal).ToList();

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;
}
