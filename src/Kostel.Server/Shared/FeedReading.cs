using System.Net;
using Kostel.Core.Feeds;
using Kostel.Core.Links;
using Kostel.Core.Problems;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Links;
using Kostel.Server.Jobs;
using Kostel.Server.Jobs.Arriving;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Shared;

/// <summary>Reads feeds: what is new is noted, and comes in by itself where the feed is followed.</summary>
internal sealed class FeedReading(LibraryFolder library, WebAccess web, ServerSettings settings, JobQueue queue, TimeProvider time)
{
    /// <summary>A feed that cannot be read is asked more and more seldom, up to this many pauses.</summary>
    private const int LongestBackoff = 24;

    /// <summary>So many episodes come in by themselves at one visit: a feed that names everything anew does not fill the disk. The others are listed as new.</summary>
    private const int MostAtOnce = 20;

    /// <summary>Asks a feed, which answers only if something changed (RFC 9110, conditional requests). A problem is noted on it.</summary>
    /// <returns>How many episodes came in by themselves.</returns>
    public async Task<int> Visit(int feedId, CancellationToken cancel)
    {
        await using var context = library.CreateDbContext();
        if (await context.Feeds.FirstOrDefaultAsync(f => f.Id == feedId, cancel) is not { } row)
        {
            return 0;
        }

        var now = time.GetUtcNow().UtcDateTime;
        try
        {
            var feed = await Ask(row, cancel);
            (row.Problem, row.CheckedAt, row.NextAt) = (feed?.Problems.FirstOrDefault(), now, now + settings.FeedPause);
            var brought = feed is null ? 0 : await Take(context, row, feed, now, cancel);
            await context.SaveChangesAsync(cancel);
            return brought;
        }
        catch (KnownProblemException e)
        {
            // Twice as long as since it was asked the last time.
            var waited = Math.Clamp((now - row.CheckedAt) / settings.FeedPause, 1, LongestBackoff / 2);
            (row.Problem, row.CheckedAt, row.NextAt) = (e.Message, now, now + (settings.FeedPause * waited * 2));
            await context.SaveChangesAsync(cancel);
            return 0;
        }
        finally
        {
            queue.Wake();
        }
    }

    /// <summary>Brings episodes in.</summary>
    public static async Task<IReadOnlyList<LectureRow>> Bring(KostelContext context, FeedRow feed, IReadOnlyList<EpisodeRow> episodes, DateTime now, CancellationToken cancel)
    {
        var course = feed.CourseId is { } id ? await context.Courses.FirstAsync(c => c.Id == id, cancel) : null;
        var lectures = new List<LectureRow>();
        foreach (var episode in episodes)
        {
            var published = episode.PublishedAt is { } at ? DateOnly.FromDateTime(at) : (DateOnly?)null;
            var lecture = context.Bring(
                new WantedLink(new Uri(episode.Page ?? episode.Media), new Uri(episode.Media), episode.Title, published, episode.Captions.Count > 0 ? episode.Captions[0] : null, CaptionUse.Beside, [])
                {
                    ChapterFile = episode.ChapterFile is null ? null : new Uri(episode.ChapterFile),
                },
                course,
                null,
                now);
            lecture.DurationMs = episode.DurationMs ?? 0;
            await context.SaveChangesAsync(cancel);
            (episode.LectureId, episode.IsNew) = (lecture.Id, false);
            lectures.Add(lecture);
        }

        await context.SaveChangesAsync(cancel);
        return lectures;
    }

    /// <returns>Null if nothing changed since.</returns>
    private async Task<Feed?> Ask(FeedRow row, CancellationToken cancel)
    {
        var address = new Uri(row.Address);
        using var answer = await web.Open(
            address,
            headers =>
            {
                _ = row.Tag is null || headers.TryAddWithoutValidation("If-None-Match", row.Tag);
                _ = row.ChangedAt is null || headers.TryAddWithoutValidation("If-Modified-Since", row.ChangedAt);
            },
            cancel);
        if (answer.Response.StatusCode == HttpStatusCode.NotModified)
        {
            return null;
        }

        using var xml = new MemoryStream(await answer.All(web.Limits.FeedBytes, cancel));
        var feed = FeedReader.Read(xml, answer.Address);
        (row.Tag, row.ChangedAt) = (answer.Response.Headers.ETag?.ToString(), answer.Response.Content.Headers.LastModified?.ToString("R"));
        return feed;
    }

    private static async Task<int> Take(KostelContext context, FeedRow row, Feed feed, DateTime now, CancellationToken cancel)
    {
        var known = await context.Episodes.Where(e => e.FeedId == row.Id).ToDictionaryAsync(e => e.Key, cancel);
        var isFirst = known.Count == 0;
        row.Title = feed.Title;
        var fresh = new List<EpisodeRow>();
        foreach (var (episode, number) in feed.Episodes.Select((e, i) => (e, i)))
        {
            if (!known.TryGetValue(episode.Key, out var there))
            {
                there = new EpisodeRow { FeedId = row.Id, Key = episode.Key, Title = episode.Title, Media = "", Captions = [], IsNew = !isFirst };
                context.Episodes.Add(there);
                fresh.Add(there);
            }

            (there.Number, there.Title, there.PublishedAt, there.Media, there.Page) =
                (number, episode.Title, episode.Published?.UtcDateTime, episode.Media.AbsoluteUri, episode.Page?.AbsoluteUri);
            (there.Bytes, there.DurationMs, there.ChapterFile, there.Captions) = (episode.Bytes, episode.DurationMs, episode.Chapters?.AbsoluteUri, episode.Captions);
        }

        await context.SaveChangesAsync(cancel);
        return row.IsFollowed && !isFirst ? (await Bring(context, row, fresh.OrderBy(e => e.Number).Take(MostAtOnce).Reverse().ToList(), now, cancel)).Count : 0;
    }
}
