using System.Text;
using Kostel.Core.Chapters;
using Kostel.Core.Feeds;
using Kostel.Core.Links;

namespace Kostel.Core.Tests.Feeds;

public class FeedTests
{
    private static readonly Uri Address = new("https://slip.example/talks/feed.xml");

    [Fact]
    public void Rss_gives_episodes_with_all_that_it_says_of_them()
    {
        var feed = Read("""
            <?xml version="1.0"?>
            <rss version="2.0" xmlns:e="https://example.org/extension" xmlns:podcast="https://podcastindex.org/namespace/1.0"><channel>
            <title> Evenings on
              the slip </title><link>https://slip.example/</link>
            <item><title>Knots</title><guid isPermaLink="false">k-1</guid><pubDate>Tue, 20 Oct 2026 19:00:00 EST</pubDate><link>/talks/knots</link>
            <enclosure url="../media/knots.mp3" length="12345" type="audio/mpeg"/><e:duration>1:02:03</e:duration>
            <podcast:transcript url="/captions/knots.vtt" type="text/vtt" language="en"/><podcast:chapters url="/chapters/knots.json" type="application/json+chapters"/></item>
            <item><title>A picture</title><enclosure url="/a.jpg" type="image/jpeg"/></item>
            <item><title>Words only</title></item>
            </channel></rss>
            """);
        Assert.Equal(("Evenings on the slip", new Uri("https://slip.example/")), (feed.Title, feed.Page));
        var episode = Assert.Single(feed.Episodes);
        Assert.Equal(("k-1", "Knots", new Uri("https://slip.example/media/knots.mp3"), "audio/mpeg", 12_345L, 3_723_000), (episode.Key, episode.Title, episode.Media, episode.MediaType, episode.Bytes!.Value, episode.DurationMs!.Value));
        Assert.Equal(new DateTimeOffset(2026, 10, 21, 0, 0, 0, TimeSpan.Zero), episode.Published!.Value.ToUniversalTime());
        Assert.Equal(new Uri("https://slip.example/talks/knots"), episode.Page);
        Assert.Equal([new CaptionLink(new Uri("https://slip.example/captions/knots.vtt"), "text/vtt", "en")], episode.Captions);
        Assert.Equal(new Uri("https://slip.example/chapters/knots.json"), episode.Chapters);
        Assert.Equal(["2 of its entries have no recording."], feed.Problems);
    }

    [Fact]
    public void Atom_gives_episodes_by_their_enclosures()
    {
        var feed = Read("""
            <feed xmlns="http://www.w3.org/2005/Atom"><title>Slip</title><entry><title>Lights</title><id>urn:x:1</id><published>2026-11-03T18:00:00Z</published>
            <link href="/talks/lights"/><link rel="enclosure" href="/media/lights.opus" type="audio/ogg" length="99"/></entry></feed>
            """);
        var episode = Assert.Single(feed.Episodes);
        Assert.Equal(("urn:x:1", new Uri("https://slip.example/media/lights.opus"), 99L, 2026), (episode.Key, episode.Media, episode.Bytes!.Value, episode.Published!.Value.Year));
    }

    [Fact]
    public void Of_two_episodes_of_one_identity_the_first_is_taken_and_that_is_said()
    {
        var feed = Read("""<rss><channel><item><guid>a</guid><title>One</title><enclosure url="/1.mp3"/></item><item><guid>a</guid><title>Two</title><enclosure url="/2.mp3"/></item></channel></rss>""");
        Assert.Equal("One", Assert.Single(feed.Episodes).Title);
        Assert.Contains("the first of each was taken", Assert.Single(feed.Problems), StringComparison.Ordinal);
    }

    [Fact]
    public void A_feed_of_more_episodes_than_anybody_reads_is_cut_and_that_is_said()
    {
        var items = string.Concat(Enumerable.Range(0, FeedReader.MostEpisodes + 5).Select(i => $"<item><guid>{i}</guid><enclosure url='/{i}.mp3'/></item>"));
        var feed = Read($"<rss><channel>{items}</channel></rss>");
        Assert.Equal(FeedReader.MostEpisodes, feed.Episodes.Count);
        Assert.Contains("the last 5 were left out", Assert.Single(feed.Problems), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("<rss><channel><title>a & b</title></channel></rss>", "line 1, column")]
    [InlineData("""<!DOCTYPE rss [<!ENTITY x SYSTEM "file:///etc/passwd">]><rss><channel><title>&x;</title></channel></rss>""", "line 1, column")]
    [InlineData("<html><body>Log in</body></html>", "it begins with <html>")]
    [InlineData("", "is not XML")]
    public void What_is_no_feed_says_where_and_why(string xml, string says) => Assert.Contains(says, Assert.Throws<FeedProblemException>(() => Read(xml)).Message, StringComparison.Ordinal);

    [Fact]
    public void A_list_of_feeds_survives_being_written_and_read()
    {
        FeedOutline[] feeds = [new("Slip & shore", new Uri("https://slip.example/feed?a=1&b=2")), new("\"Quay\"", new Uri("https://quay.example/rss"))];
        Assert.Equal(feeds, Opml.Read(Opml.Write("Mine", feeds)));
    }

    [Fact]
    public void A_list_of_feeds_is_read_through_its_folders_and_without_what_is_none()
    {
        var read = Opml.Read("""<opml version="1.0"><body><outline text="Sea"><outline text="Slip" xmlUrl="https://slip.example/feed"/><outline text="Again" xmlUrl="https://slip.example/feed"/></outline><outline text="File" xmlUrl="file:///etc/passwd"/></body></opml>""");
        Assert.Equal([new FeedOutline("Slip", new Uri("https://slip.example/feed"))], read);
        Assert.Throws<FeedProblemException>(() => Opml.Read("<rss/>"));
        Assert.Throws<FeedProblemException>(() => Opml.Read("<opml>"));
    }

    [Fact]
    public void Chapters_are_read_in_the_open_json_form_and_put_in_order()
    {
        var chapters = ChapterFiles.Read("""{"version":"1.2.0","chapters":[{"startTime":60.5,"title":"Later"},{"startTime":0,"title":" First\nof all "},{"startTime":30,"title":"Only a picture","toc":false},{"startTime":60.5,"title":"Twice"},{"startTime":-1,"title":"Before"},{"startTime":90}]}""");
        Assert.Equal([new ChapterMark("First of all", 0), new ChapterMark("Later", 60_500), new ChapterMark("", 90_000)], chapters);
    }

    [Theory]
    [InlineData("{")]
    [InlineData("""{"chapters":7}""")]
    public void What_are_no_chapters_is_said_to_be_none(string text) => Assert.Throws<FormatException>(() => ChapterFiles.Read(text));

    private static Feed Read(string xml) => FeedReader.Read(new MemoryStream(Encoding.UTF8.GetBytes(xml)), Address);
}
