using System.Net;
using System.Text;

namespace Kostel.Server.Tests;

/// <summary>What the types of a request alone would let through is refused, and nothing is changed by it.</summary>
public sealed class RequestTests(SharedServer shared) : IClassFixture<SharedServer>
{
    private readonly ServerProcess server = shared.Server;

    [Theory]
    [InlineData("99")]
    [InlineData("3")]
    [InlineData("\"99\"")]
    [InlineData("\"forgot,atOnce\"")]
    [InlineData("\"brilliant\"")]
    [InlineData("null")]
    public async Task A_grade_that_is_none_grades_nothing(string grade)
    {
        var id = await server.BringTides();
        var card = (await server.Post($"/api/lectures/{id}/cards"))["cards"]![0]!;
        await IsRefused(HttpMethod.Post, $"/api/cards/{card["id"]}/reviews", $$"""{"grade":{{grade}},"memoryVersion":{{card["memoryVersion"]}}}""");
        Assert.True((await server.Get($"/api/lectures/{id}/study"))["cards"]![0]!["isNew"]!.GetValue<bool>());
    }

    [Theory]
    [InlineData("POST", "marks", """{"kind":7,"startMs":0,"endMs":1,"quote":"","text":""}""")]
    [InlineData("POST", "marks", """{"kind":"key,exam","startMs":0,"endMs":1,"quote":"","text":""}""")]
    [InlineData("POST", "marks", """{"kind":"key","startMs":0,"endMs":1,"quote":null,"text":""}""")]
    [InlineData("POST", "transcribe", """{"accuracy":5}""")]
    [InlineData("POST", "edits", """{"edit":{"kind":"replace","places":[null]}}""")]
    [InlineData("POST", "edits", """{"edit":{"kind":"replace","places":null}}""")]
    [InlineData("POST", "edits", """{"edit":{}}""")]
    [InlineData("POST", "replace", """{"phrase":"a","text":"b","lectures":[null],"made":[]}""")]
    [InlineData("PUT", "", """{"title":"Only a title","version":0}""")]
    public async Task What_is_missing_empty_or_none_of_the_choices_is_refused(string method, string what, string body)
    {
        var id = await server.BringText();
        await IsRefused(new HttpMethod(method), $"/api/lectures/{id}/{what}".TrimEnd('/'), body);
        Assert.Equal("Tides", (string?)(await server.Get($"/api/lectures/{id}"))["title"]);
    }

    [Theory]
    [InlineData("POST", "questions", """{"text":null}""")]
    [InlineData("POST", "questions", "{}")]
    [InlineData("POST", "questions", "null")]
    [InlineData("PUT", "writer", """{"address":null}""")]
    public async Task What_belongs_to_no_lecture_is_refused_alike(string method, string what, string body) => await IsRefused(new HttpMethod(method), $"/api/{what}", body);

    [Theory]
    [InlineData("99")]
    [InlineData("txt,json")]
    [InlineData("exe")]
    public async Task A_format_that_is_none_is_not_written(string format)
    {
        using var answer = await server.Http.GetAsync($"/api/lectures/{await server.BringText()}/export?format={format}");
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
    }

    [Theory]
    [InlineData(int.MaxValue, int.MaxValue)]
    [InlineData(int.MaxValue, 1)]
    [InlineData(1, int.MaxValue)]
    [InlineData(int.MinValue, int.MinValue)]
    public async Task Words_that_are_none_are_not_found(int firstWord, int wordCount)
    {
        var id = await server.BringText();
        var passage = (string)(await server.Passage(id))["id"]!;
        object[] edits =
        [
            new { kind = "accept", passageId = passage, firstWord, wordCount, expected = "tied" },
            new { kind = "replace", places = new[] { new { passageId = passage, firstWord, wordCount, expected = "tied", text = "tide" } } },
        ];
        foreach (var edit in edits)
        {
            using var answer = await server.Send(HttpMethod.Post, $"/api/lectures/{id}/edits", new { edit });
            Assert.InRange((int)answer.StatusCode, 400, 499);
        }
    }

    private async Task IsRefused(HttpMethod method, string address, string body)
    {
        using var request = new HttpRequestMessage(method, address) { Content = new StringContent(body, Encoding.UTF8, "application/json") };
        using var answer = await server.Http.SendAsync(request);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.StartsWith("The request could not be read", await ServerProcess.Detail(answer), StringComparison.Ordinal);
    }
}
