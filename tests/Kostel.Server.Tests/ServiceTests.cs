using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Kostel.Server.Tests;

/// <summary>Lectures written down by a transcription service: only when it was entered, answered and chosen, and with every trouble it can have.</summary>
public sealed class ServiceTests(SharedServer shared, StandIn service) : IClassFixture<SharedServer>, IClassFixture<StandIn>
{
    private readonly ServerProcess server = shared.Server;

    [Fact]
    public async Task A_service_is_kept_only_after_consent_and_after_it_answered_and_its_key_is_never_given_out()
    {
        Assert.Equal(HttpStatusCode.BadRequest, (await Enter("practice", agreed: false)).StatusCode);
        Assert.Contains("refuses the key", await Problem(await Enter("practice", key: "wrong")));
        Assert.Contains("has no model 'other'", await Problem(await Enter("other")));
        Assert.Contains("begins with https", await Problem(await Enter("practice", address: "file:///etc/passwd")));

        (await Enter("practice")).EnsureSuccessStatusCode();
        var languages = await server.Get("/api/languages");
        Assert.DoesNotContain(StandIn.Key, languages.ToJsonString(), StringComparison.Ordinal);
        Assert.Equal("localhost", (string?)languages["service"]!["host"]);
        Assert.Contains(languages["service"]!["languages"]!.AsArray(), l => (string?)l!["name"] == "English");
        Assert.False((bool)languages["service"]!["translates"]!);
    }

    [Theory]
    [InlineData("practice-cut-off", "broke off")]
    [InlineData("practice-wrong-type", "text/html")]
    [InlineData("practice-half", "half an answer")]
    [InlineData("practice-busy", "too many questions")]
    public async Task Whatever_goes_wrong_the_lecture_says_so_and_can_be_tried_again_with_nothing_lost(string model, string says)
    {
        (await Enter(model)).EnsureSuccessStatusCode();
        var id = await server.BringIn("fog.mp3", Clips.Speech(12));
        await server.Ended(id);
        var before = await server.Text(id);

        await server.Post($"/api/lectures/{id}/transcribe", new { accuracy = "fast", language = "en", byService = true });
        var failed = await server.Ended(id);
        Assert.Equal("failed", (string?)failed["progress"]!["state"]);
        Assert.Contains(says, (string?)failed["progress"]!["problem"]);
        Assert.Equal(before, await server.Text(id));

        (await Enter("practice")).EnsureSuccessStatusCode();
        await server.Post($"/api/lectures/{id}/retry");
        Assert.Null((await server.Ended(id))["progress"]);
        Assert.Equal("localhost, practice", (string?)(await server.Get($"/api/lectures/{id}/transcripts"))["madeBy"]);
        Assert.NotEmpty(await server.Text(id));
    }

    [Fact]
    public async Task A_service_that_is_slow_can_be_left_and_one_that_is_off_is_not_asked()
    {
        (await Enter("practice-slow")).EnsureSuccessStatusCode();
        var id = await server.BringIn("slow.mp3", Clips.Speech(8));
        await server.Ended(id);
        await server.Post($"/api/lectures/{id}/transcribe", new { accuracy = "fast", language = "en", byService = true });
        await server.Post($"/api/lectures/{id}/cancel");
        Assert.Null((await server.Ended(id))["progress"]);

        await server.Post("/api/service/switch", new { isOn = false });
        await server.Post($"/api/lectures/{id}/transcribe", new { accuracy = "fast", language = "en", byService = true });
        Assert.Contains("switched off", (string?)(await server.Ended(id))["progress"]!["problem"]);
    }

    [Fact]
    public async Task A_service_that_is_forgotten_is_gone_with_its_key()
    {
        (await Enter("practice")).EnsureSuccessStatusCode();
        (await server.Http.DeleteAsync("/api/service", TestContext.Current.CancellationToken)).EnsureSuccessStatusCode();
        Assert.Null((await server.Get("/api/languages"))["service"]);
        Assert.Contains("refuses the key", await Problem(await Enter("practice", key: null)));
    }

    private Task<HttpResponseMessage> Enter(string model, string? key = StandIn.Key, bool agreed = true, string? address = null) =>
        server.Http.PutAsJsonAsync("/api/service", new { address = address ?? service.Address, key, model, agreed }, TestContext.Current.CancellationToken);

    private static async Task<string> Problem(HttpResponseMessage answer)
    {
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        return (string)(await answer.Content.ReadFromJsonAsync<JsonNode>(TestContext.Current.CancellationToken))!["detail"]!;
    }
}
