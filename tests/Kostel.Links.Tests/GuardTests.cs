using System.Net;
using Kostel.Links.Guard;

namespace Kostel.Links.Tests;

/// <summary>No request leaves for this computer or its network, whatever an address looks like.</summary>
public sealed class GuardTests(Site site) : IClassFixture<Site>
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    [Theory]
    [InlineData("http://127.0.0.1/")]
    [InlineData("http://2130706433/")]
    [InlineData("http://0x7f.1/")]
    [InlineData("http://0177.0.0.1/")]
    [InlineData("http://[::1]/")]
    [InlineData("http://[::ffff:10.0.0.1]/")]
    [InlineData("http://[64:ff9b::a00:1]/")]
    [InlineData("http://[2002:7f00:1::]/")]
    [InlineData("http://[fe80::1]/")]
    [InlineData("http://[fd00::1]/")]
    [InlineData("http://169.254.169.254/")]
    [InlineData("http://100.64.0.1/")]
    [InlineData("http://0.0.0.0/")]
    [InlineData("http://255.255.255.255/")]
    public async Task An_address_of_this_computer_or_its_network_is_not_asked(string address)
    {
        var before = site.Connections.Count;
        await Assert.ThrowsAsync<LinkProblemException>(() => site.Looker().Look(new Uri(address), Cancel));
        Assert.Equal(before, site.Connections.Count);
    }

    [Theory]
    [InlineData("127.0.0.1")]
    [InlineData("192.168.1.1")]
    [InlineData("10.1.2.3")]
    [InlineData("::1")]
    public async Task A_name_that_means_such_an_address_is_not_asked(string meaning)
    {
        var host = $"{Guid.NewGuid():N}.example";
        site.Names[host] = new Queue<string>([meaning]);
        var before = site.Connections.Count;
        var problem = await Assert.ThrowsAsync<LinkProblemException>(() => site.Looker().Look(new Uri($"http://{host}/"), Cancel));
        Assert.Contains("own network", problem.Message, StringComparison.Ordinal);
        Assert.Equal(before, site.Connections.Count);
    }

    /// <summary>The address that was checked is the one that is connected to: a name that means another one at the next question gains nothing.</summary>
    [Fact]
    public async Task A_name_that_changes_between_look_up_and_use_is_used_as_it_was_looked_up()
    {
        const string Host = "changes.example";
        site.Names[Host] = new Queue<string>(["46.1.2.3", "127.0.0.1"]);
        var before = site.Connections.Count;
        await Assert.ThrowsAsync<LinkProblemException>(() => site.Looker().Look(new Uri($"http://{Host}/"), Cancel));
        Assert.Equal("46.1.2.3", Assert.Single(site.Connections.Skip(before)).Address.ToString());
        var problem = await Assert.ThrowsAsync<LinkProblemException>(() => site.Looker().Look(new Uri($"http://{Host}/"), Cancel));
        Assert.Contains("own network", problem.Message, StringComparison.Ordinal);
        Assert.Equal(before + 1, site.Connections.Count);
    }

    [Fact]
    public async Task A_place_on_this_computer_that_was_named_as_an_exception_is_asked_and_no_other_one()
    {
        site.Names["localhost"] = new Queue<string>(["127.0.0.1"]);
        using var client = new GuardedClient(site, Site.Quick, ["localhost:5499"]);
        var before = site.Connections.Count;
        await Assert.ThrowsAsync<LinkProblemException>(() => client.Open(new Uri("http://localhost:5499/"), null, Cancel));
        Assert.Equal(before + 1, site.Connections.Count);
        await Assert.ThrowsAsync<LinkProblemException>(() => client.Open(new Uri("http://localhost:5500/"), null, Cancel));
        Assert.Equal(before + 1, site.Connections.Count);
    }
}
