using System.Net;
using System.Net.WebSockets;
using System.Text;

namespace Kostel.Server.Tests;

/// <summary>Kostel answers only to who started it, and only to its own pages.</summary>
public sealed class DoorTests(SharedServer shared) : IClassFixture<SharedServer>
{
    private readonly ServerProcess server = shared.Server;

    [Theory]
    [InlineData("/api/library")]
    [InlineData("/api/openapi.json")]
    [InlineData("/")]
    [InlineData("/hub/progress")]
    [InlineData("/api/backup")]
    public async Task Without_the_key_nothing_is_answered(string address)
    {
        using var stranger = Stranger();
        using var answer = await stranger.GetAsync(address);
        Assert.Equal(HttpStatusCode.Unauthorized, answer.StatusCode);
        Assert.Contains("./kostel open", await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        Assert.Equal("nosniff", answer.Headers.GetValues("X-Content-Type-Options").Single());
    }

    [Fact]
    public async Task A_printed_address_opens_once_and_its_cookie_lasts()
    {
        var (exit, output, errors) = CommandLine.Run("open", "--data", server.Folder);
        Assert.True(exit == 0, errors);
        var address = new Uri(output[output.IndexOf("http", StringComparison.Ordinal)..].Trim());
        using var stranger = Stranger();
        using var first = await stranger.GetAsync(address);
        Assert.Equal(HttpStatusCode.Redirect, first.StatusCode);
        Assert.DoesNotContain("key", first.Headers.Location!.ToString(), StringComparison.Ordinal);
        var cookie = first.Headers.GetValues("Set-Cookie").Single();
        Assert.Contains("httponly", cookie, StringComparison.OrdinalIgnoreCase);
        Assert.Contains("samesite=lax", cookie, StringComparison.OrdinalIgnoreCase);

        using var second = await stranger.GetAsync(address);
        Assert.Equal(HttpStatusCode.Unauthorized, second.StatusCode);
        Assert.Contains("only once", await second.Content.ReadAsStringAsync(), StringComparison.Ordinal);

        stranger.DefaultRequestHeaders.Add("Cookie", cookie.Split(';')[0]);
        using var later = await stranger.GetAsync("/api/library");
        Assert.Equal(HttpStatusCode.OK, later.StatusCode);
    }

    [Theory]
    [InlineData("00000000000000000")]
    [InlineData("")]
    [InlineData("ffffffffffffffff0000000000000000000000000000000000000000000000000000000000000000")]
    public async Task A_key_that_somebody_made_up_opens_nothing(string key)
    {
        using var stranger = Stranger();
        using var answer = await stranger.GetAsync($"/?key={key}");
        Assert.Equal(HttpStatusCode.Unauthorized, answer.StatusCode);
    }

    [Fact]
    public async Task A_page_of_another_site_cannot_open_the_live_connection()
    {
        await Assert.ThrowsAsync<WebSocketException>(() => Connect("http://attacker.example", withKey: true));
        await Assert.ThrowsAsync<WebSocketException>(() => Connect($"http://127.0.0.1:{server.Http.BaseAddress!.Port + 1}", withKey: true));
        await Assert.ThrowsAsync<WebSocketException>(() => Connect($"http://{server.Http.BaseAddress!.Authority}", withKey: false));
        using var own = await Connect($"http://{server.Http.BaseAddress!.Authority}", withKey: true);
        Assert.Equal(WebSocketState.Open, own.State);
    }

    [Fact]
    public async Task The_live_connection_tells_its_own_page_what_changes()
    {
        using var own = await Connect($"http://{server.Http.BaseAddress!.Authority}", withKey: true);
        var id = await server.BringText();
        await server.Rewrite(id, t => t.Replace("tied", "tide", StringComparison.Ordinal));
        var buffer = new byte[4_096];
        var heard = "";
        while (!heard.Contains(id, StringComparison.Ordinal))
        {
            var got = await own.ReceiveAsync(buffer, TestContext.Current.CancellationToken);
            heard += Encoding.UTF8.GetString(buffer, 0, got.Count);
        }
    }

    [Theory]
    [InlineData("Origin", "http://attacker.example", "GET")]
    [InlineData("Origin", "null", "GET")]
    [InlineData("Sec-Fetch-Site", "cross-site", "GET")]
    [InlineData("Sec-Fetch-Site", "same-site", "GET")]
    [InlineData("Sec-Fetch-Site", "cross-site", "HEAD")]
    public async Task Another_site_reads_nothing_even_with_the_cookie(string header, string value, string method)
    {
        using var request = new HttpRequestMessage(new HttpMethod(method), "/api/library");
        request.Headers.Add(header, value);
        Assert.Equal(HttpStatusCode.Forbidden, (await server.Http.SendAsync(request)).StatusCode);
    }

    [Fact]
    public async Task A_link_from_elsewhere_opens_the_page()
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, "/lecture/nowhere");
        request.Headers.Add("Sec-Fetch-Site", "cross-site");
        request.Headers.Add("Sec-Fetch-Mode", "navigate");
        Assert.NotEqual(HttpStatusCode.Forbidden, (await server.Http.SendAsync(request)).StatusCode);
    }

    [Theory]
    [InlineData("GET", "/api/lectures/nowhere", HttpStatusCode.NotFound)]
    [InlineData("POST", "/api/lectures/nowhere/edits", HttpStatusCode.BadRequest)]
    [InlineData("PATCH", "/api/uploads/nowhere", HttpStatusCode.UnsupportedMediaType)]
    public async Task Answers_that_refuse_have_the_same_headers_as_others(string method, string address, HttpStatusCode status)
    {
        using var answer = await server.Send(new HttpMethod(method), address, method == "POST" ? new { } : null);
        Assert.Equal(status, answer.StatusCode);
        string[] expected = ["Content-Security-Policy", "X-Content-Type-Options", "Referrer-Policy", "Cross-Origin-Opener-Policy", "Cross-Origin-Resource-Policy"];
        Assert.All(expected, h => Assert.True(answer.Headers.Contains(h), h));
    }

    [Fact]
    public async Task Who_switches_the_key_off_is_answered_without_and_can_switch_it_on_again()
    {
        using var own = new ServerProcess();
        using var stranger = new HttpClient(new HttpClientHandler { UseCookies = false }) { BaseAddress = own.Http.BaseAddress };
        Assert.Equal(HttpStatusCode.Unauthorized, (await stranger.GetAsync("/api/library")).StatusCode);
        (await own.Send(HttpMethod.Put, "/api/settings", new { asksForKey = false })).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.OK, (await stranger.GetAsync("/api/library")).StatusCode);
        own.Kill();
        own.Start();
        using var after = new HttpClient(new HttpClientHandler { UseCookies = false }) { BaseAddress = own.Http.BaseAddress };
        Assert.Equal(HttpStatusCode.OK, (await after.GetAsync("/api/library")).StatusCode);
        (await own.Send(HttpMethod.Put, "/api/settings", new { asksForKey = true })).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.Unauthorized, (await after.GetAsync("/api/library")).StatusCode);
    }

    private HttpClient Stranger() => new(new HttpClientHandler { UseCookies = false, AllowAutoRedirect = false }) { BaseAddress = server.Http.BaseAddress };

    /// <summary>Straight to the upgrade, as an attacker would, with SignalR's greeting.</summary>
    private async Task<ClientWebSocket> Connect(string origin, bool withKey)
    {
        var socket = new ClientWebSocket();
        socket.Options.SetRequestHeader("Origin", origin);
        if (withKey)
        {
            socket.Options.SetRequestHeader("Cookie", server.CookieHeader);
        }

        await socket.ConnectAsync(new Uri($"ws://{server.Http.BaseAddress!.Authority}/hub/progress"), TestContext.Current.CancellationToken);
        await socket.SendAsync(Encoding.UTF8.GetBytes("{\"protocol\":\"json\",\"version\":1}\u001e"), WebSocketMessageType.Text, true, TestContext.Current.CancellationToken);
        return socket;
    }
}
