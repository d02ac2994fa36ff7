using System.Diagnostics;
using Kostel.Links.Fetching;
using Kostel.Media;

namespace Kostel.Links.Tests;

public sealed class FetchTests(Site site) : IClassFixture<Site>, IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("kostel-fetch-").FullName;

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private string Target => Path.Combine(folder, "original");

    [Fact]
    public async Task A_recording_comes_whole_and_says_how_far_it_is()
    {
        var told = new List<FetchProgress>();
        Assert.True(await site.Fetcher().Fetch(Site.At("media/lights.opus"), Target, told.Add, Cancel));
        Assert.Equal(await File.ReadAllBytesAsync(site.Talks.All.Single(t => t.Name == "lights").Path, Cancel), await File.ReadAllBytesAsync(Target, Cancel));
        Assert.Equal(1, told[^1].Fraction);
        Assert.Equal(told.Select(t => t.Fraction).Order(), told.Select(t => t.Fraction));
        Assert.Equal(["original"], Directory.GetFiles(folder).Select(Path.GetFileName));
    }

    [Fact]
    public async Task A_recording_whose_every_answer_breaks_off_is_put_together_of_ranges()
    {
        Assert.True(await site.Fetcher().Fetch(Site.At("trouble/breaks-off"), Target, _ => { }, Cancel));
        Assert.Equal(await File.ReadAllBytesAsync(site.Talks.All[0].Path, Cancel), await File.ReadAllBytesAsync(Target, Cancel));
    }

    [Fact]
    public async Task What_arrived_before_it_was_stopped_is_not_fetched_again()
    {
        using var stop = CancellationTokenSource.CreateLinkedTokenSource(Cancel);
        await Assert.ThrowsAnyAsync<OperationCanceledException>(() => site.Fetcher().Fetch(Site.At("trouble/breaks-off"), Target, p => stop.Cancel(), stop.Token));
        var arrived = new FileInfo(Target + ".part").Length;
        Assert.True(arrived > 0);
        var first = long.MaxValue;
        await site.Fetcher().Fetch(Site.At("trouble/breaks-off"), Target, p => first = Math.Min(first, p.Arrived), Cancel);
        Assert.True(first > arrived);
        Assert.Equal(site.Talks.All[0].Bytes, new FileInfo(Target).Length);
    }

    [Theory]
    [InlineData("huge", "more than the 20480 MB that Kostel takes")]
    [InlineData("never-ends", "without end: after 20 MB")]
    [InlineData("stalls", "Nothing came from")]
    [InlineData("wrong-type", "sends a page where the recording should be")]
    [InlineData("gone", "nothing at this address any more")]
    public async Task What_cannot_be_had_is_given_up_within_bounds(string trouble, string says)
    {
        var watch = Stopwatch.StartNew();
        var problem = await Assert.ThrowsAsync<LinkProblemException>(() => site.Fetcher().Fetch(Site.At($"trouble/{trouble}"), Target, _ => { }, Cancel));
        Assert.Contains(says, problem.Message, StringComparison.Ordinal);
        Assert.True(watch.Elapsed < TimeSpan.FromMinutes(1));
        Assert.False(File.Exists(Target));
        Assert.True(Directory.GetFiles(folder).Sum(f => new FileInfo(f).Length) <= 21 << 20);
    }

    [Fact]
    public async Task A_recording_for_which_the_disk_has_no_room_is_refused_before_it_is_fetched()
    {
        var problem = await Assert.ThrowsAsync<LinkProblemException>(() => site.Fetcher(free: 1L << 30).Fetch(Site.At("trouble/three-gigabytes"), Target, _ => { }, Cancel));
        Assert.Contains("3072 MB", problem.Message, StringComparison.Ordinal);
        Assert.Empty(Directory.GetFiles(folder));
    }

    [Fact]
    public async Task A_playlist_is_no_recording_and_is_left_to_who_fetches_streams()
    {
        Assert.False(await site.Fetcher().Fetch(Site.At("stream/moorings/index.m3u8"), Target, _ => { }, Cancel));
        Assert.Empty(Directory.GetFiles(folder));
    }

    [Fact]
    public async Task The_pieces_of_a_stream_are_put_together_and_can_be_played()
    {
        var told = new List<FetchProgress>();
        var stream = await new StreamFetcher(site.Client(), () => 1L << 40).Fetch(Site.At("stream/moorings/index.m3u8"), Target, told.Add, Cancel);
        Assert.Equal((Target, null), (stream.Path, stream.Sound));
        var facts = await Recording.Probe(Target, Cancel);
        Assert.InRange(facts.DurationMs, site.Talks.All[0].Transcript.DurationMs - 1_000, site.Talks.All[0].Transcript.DurationMs + 1_000);
        Assert.Equal(1, told[^1].Fraction, 3);
        Assert.True(told.Count > 5);
    }

    [Fact]
    public async Task A_stream_that_was_stopped_goes_on_with_the_next_piece()
    {
        using var stop = CancellationTokenSource.CreateLinkedTokenSource(Cancel);
        var fetcher = new StreamFetcher(site.Client(), () => 1L << 40);
        await Assert.ThrowsAnyAsync<OperationCanceledException>(() => fetcher.Fetch(Site.At("stream/lights/index.m3u8"), Target, p =>
        {
            if (p.Fraction > 0.4)
            {
                stop.Cancel();
            }
        }, stop.Token));
        var told = new List<FetchProgress>();
        await fetcher.Fetch(Site.At("stream/lights/index.m3u8"), Target, told.Add, Cancel);
        Assert.True(told[0].Fraction > 0.4);
        Assert.InRange((await Recording.Probe(Target, Cancel)).DurationMs, site.Talks.All[2].Transcript.DurationMs - 1_000, site.Talks.All[2].Transcript.DurationMs + 1_000);
    }

    [Theory]
    [InlineData("encrypted-stream", "encrypted")]
    [InlineData("live-stream", "still being broadcast")]
    public async Task A_stream_that_cannot_be_fetched_says_why(string trouble, string says)
    {
        var problem = await Assert.ThrowsAsync<LinkProblemException>(() => new StreamFetcher(site.Client(), () => 1L << 40).Fetch(Site.At($"trouble/{trouble}"), Target, _ => { }, Cancel));
        Assert.Contains(says, problem.Message, StringComparison.Ordinal);
    }

    public void Dispose() => Directory.Delete(folder, recursive: true);
}
