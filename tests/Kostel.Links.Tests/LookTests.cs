using Kostel.Core.Links;
using Kostel.Links.Guard;
using Kostel.Core.Problems;

namespace Kostel.Links.Tests;

public sealed class LookTests(Site site) : IClassFixture<Site>
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    [Theory]
    [InlineData("video-element", "moorings", "Lying safely at a mooring", "2026-10-20", true, true)]
    [InlineData("open-graph", "barometer", "What the barometer tells", "2026-10-27", false, false)]
    [InlineData("schema", "lights", "Lights of the harbour at night", "2026-11-03", true, true)]
    [InlineData("oembed", "moorings", "Lying safely at a mooring", null, false, false)]
    [InlineData("head-link", "barometer", "What the barometer tells", "2026-10-27", false, false)]
    [InlineData("plain-link", "lights", "Lights of the harbour at night", "2026-11-03", false, false)]
    public async Task A_page_is_read_for_its_recording_whichever_way_it_tells_of_it(string way, string talk, string title, string? day, bool hasCaptions, bool hasChapters)
    {
        var found = await site.Looker().Look(Site.At($"talks/{way}"), Cancel);
        Assert.Equal((LinkKind.Recording, Site.At($"talks/{way}"), Site.At($"media/{talk}.opus")), (found.Kind, found.Address, found.Media));
        Assert.Equal((title, day), (found.Title, found.Date?.ToString("yyyy-MM-dd")));
        Assert.Equal(hasCaptions ? [new CaptionLink(Site.At($"captions/{talk}.vtt"), way == "schema" ? "text/vtt" : null, "en")] : [], found.Captions);
        Assert.Equal(hasChapters ? ["What it is", "What follows from it"] : [], found.Chapters.Select(c => c.Title));
        Assert.Equal(new FileInfo(site.Talks.All.Single(t => t.Name == talk).Path).Length, found.Bytes);
    }

    [Fact]
    public async Task A_page_with_a_stream_leads_to_its_playlist()
    {
        var found = await site.Looker().Look(Site.At("talks/stream"), Cancel);
        Assert.Equal((LinkKind.Stream, Site.At("stream/barometer/index.m3u8"), "What the barometer tells"), (found.Kind, found.Media, found.Title));
    }

    [Fact]
    public async Task A_recording_itself_is_called_as_its_file()
    {
        var found = await site.Looker().Look(Site.At("media/moorings.opus"), Cancel);
        Assert.Equal((LinkKind.Recording, "moorings"), (found.Kind, found.Title));
    }

    [Theory]
    [InlineData("feed.xml")]
    [InlineData("feed.atom")]
    public async Task A_feed_is_known_as_one(string path)
    {
        var found = await site.Looker().Look(Site.At(path), Cancel);
        Assert.Equal((LinkKind.Feed, "Evenings on the slip"), (found.Kind, found.Title));
    }

    [Fact]
    public async Task A_page_that_names_only_a_feed_leads_to_that()
    {
        var found = await site.Looker().Look(Site.At(""), Cancel);
        Assert.Equal((LinkKind.Feed, Site.At("feed.xml")), (found.Kind, found.Media));
    }

    [Theory]
    [InlineData("no-recording", "says of no recording on this page")]
    [InlineData("log-in", "lets in only who has logged in there (401)")]
    [InlineData("forbidden", "lets in only who has logged in there (403)")]
    [InlineData("gone", "nothing at this address any more")]
    [InlineData("busy", "too busy")]
    [InlineData("endless-redirect", "without end")]
    [InlineData("to-private", "own network")]
    [InlineData("to-this-computer", "own network")]
    [InlineData("to-file", "no address of the web")]
    [InlineData("wrong-type", "says of no recording on this page")]
    [InlineData("bomb", "more than 8 MB")]
    [InlineData("never-answers", "does not answer")]
    [InlineData("feed-no-xml", "line 1, column")]
    [InlineData("feed-entities", "line 2, column")]
    [InlineData("list-as-recording", "leads to something that is no address of the web")]
    public async Task What_is_broken_or_hostile_ends_with_its_own_reason(string trouble, string says)
    {
        var problem = await Assert.ThrowsAnyAsync<KnownProblemException>(() => site.Looker().Look(Site.At($"trouble/{trouble}"), Cancel));
        Assert.Contains(says, problem.Message, StringComparison.Ordinal);
        Assert.All(site.Connections, c => Assert.True(PublicAddress.IsPublic(c.Address), $"{c} was asked"));
    }

    [Theory]
    [InlineData("no.such.place.example", "There is no place called")]
    public async Task A_name_that_nobody_has_is_said_to_be_none(string host, string says)
    {
        var problem = await Assert.ThrowsAsync<LinkProblemException>(() => site.Looker().Look(new Uri($"http://{host}/"), Cancel));
        Assert.Contains(says, problem.Message, StringComparison.Ordinal);
    }
}
