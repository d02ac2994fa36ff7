using System.Net;

namespace Kostel.Server.Tests;

public sealed class SecurityTests(SharedServer shared) : IClassFixture<SharedServer>
{
    private HttpClient Http => shared.Server.Http;

    [Fact]
    public async Task Another_host_name_gets_no_answer()
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, "/api/library");
        request.Headers.Host = "attacker.example";
        Assert.Equal(HttpStatusCode.Forbidden, (await Http.SendAsync(request)).StatusCode);
    }

    [Theory]
    [InlineData("Origin", "http://attacker.example")]
    [InlineData("Sec-Fetch-Site", "cross-site")]
    [InlineData("Sec-Fetch-Site", "same-site")]
    public async Task Another_site_changes_nothing(string header, string value)
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, "/api/about/first-visit-done");
        request.Headers.Add(header, value);
        Assert.Equal(HttpStatusCode.Forbidden, (await Http.SendAsync(request)).StatusCode);
    }

    [Fact]
    public async Task The_policy_names_no_outside_host_and_its_nonce_is_new_each_time()
    {
        async Task<string> Policy() => (await Http.GetAsync("/")).Headers.GetValues("Content-Security-Policy").Single();
        var first = await Policy();
        Assert.DoesNotContain("http", first, StringComparison.Ordinal);
        Assert.DoesNotContain("script-src 'self' 'unsafe", first, StringComparison.Ordinal);
        Assert.NotEqual(first, await Policy());
    }

    [Theory]
    [InlineData("/api/lectures/..%2F..%2Fkostel.db/media")]
    [InlineData("/assets/..%2Findex.html")]
    public async Task No_address_leads_out_of_the_library(string address)
    {
        using var response = await Http.GetAsync(address);
        Assert.DoesNotContain("SQLite", await response.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        Assert.NotEqual("application/octet-stream", response.Content.Headers.ContentType?.MediaType);
    }
}
