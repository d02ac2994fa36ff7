using Kostel.Core.Entries;
using Kostel.Core.Feeds;
using Kostel.Core.Links;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Http;
using Kostel.Server.Jobs;
using Kostel.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Feeds;

/// <summary>A feed of recordings.</summary>
/// <param name="IsFollowed">Whether new episodes come in by themselves.</param>
/// <param name="EpisodeCount">Episodes that it has.</param>
/// <param name="TakenCount">Of these, how many are lectures.</param>
/// <param name="NewCount">Episodes that came since it is known, and that are no lectures.</param>
/// <param name="CheckedAt">When it was last asked.</param>
/// <param name="Problem">What was wrong then.</param>
public sealed record FeedView(int Id, string Address, string Title, string? Course, bool IsFollowed, int EpisodeCount, int TakenCount, int NewCount, DateTime CheckedAt, string? Problem);

/// <summary>An episode of a feed.</summary>
/// <param name="LectureId">The lecture that it is; null for none.</param>
public sealed record EpisodeView(string Key, string Title, DateTime? PublishedAt, long? Bytes, int? DurationMs, bool HasCaptions, bool IsNew, string? LectureId);

/// <summary>A feed that is to be known.</summary>
/// <param name="Course">Where its lectures go; empty for no course.</param>
public sealed record NewFeed(string Address, string Course, bool IsFollowed);

/// <summary>A change of a feed.</summary>
public sealed record FeedChange(string Course, bool IsFollowed);

/// <summary>Episodes that are to become lectures.</summary>
public sealed record WantedEpisodes(IReadOnlyList<string> Keys);

/// <summary>What came of a list of feeds.</summary>
/// <param name="Added">Feeds that were not known before.</param>
public sealed record FeedsBrought(int Added, int Known);

/// <summary>Feeds: listed, picked from, followed.</summary>
internal static class FeedEndpoints
{
    private const int MostInList = 500;

    public static void MapFeeds(this IEndpointRouteBuilder app)
    {
        var feeds = app.MapGroup("/api/feeds");
        feeds.MapGet("", List).WithName("getFeeds");
        feeds.MapPost("", Add).WithName("addFeed");
        feeds.MapPut("{feed:int}", Change).WithName("changeFeed");
        feeds.MapDelete("{feed:int}", Forget).WithName("forgetFeed");
        feeds.MapPost("{feed:int}/visit", Visit).WithName("visitFeed");
        feeds.MapGet("{feed:int}/episodes", Episodes).WithName("getEpisodes");
        feeds.MapPost("{feed:int}/episodes", Take).WithName("takeEpisodes");
        feeds.MapGet("list", Write).ExcludeFromDescription();
        feeds.MapPost("list", Read).ExcludeFromDescription();
    }

    private static async Task<Ok<List<FeedView>>> List(KostelContext context, CancellationToken cancel) => TypedResults.Ok(await Views(context, null).ToListAsync(cancel));

    private static async Task<Ok<FeedView>> Add(NewFeed feed, KostelContext context, FeedReading reading, CancellationToken cancel)
    {
        var address = LinkAddress.Read(feed.Address);
        var row = await context.Feeds.FirstOrDefaultAsync(f => f.Address == address.AbsoluteUri, cancel);
        if (row is null)
        {
            row = await New(context, address, address.Host, cancel);
            await reading.Visit(row.Id, cancel);
            await context.Entry(row).ReloadAsync(cancel);
            if (row.Problem is { } problem && !await context.Episodes.AnyAsync(e => e.FeedId == row.Id, cancel))
            {
                // What was never read is not kept.
                await context.Feeds.Where(f => f.Id == row.Id).ExecuteDeleteAsync(cancel);
                throw new PlainProblemException(StatusCodes.Status422UnprocessableEntity, problem, Core.Problems.ProblemCodes.Link);
            }
        }

        return await Change(row.Id, new FeedChange(feed.Course, feed.IsFollowed), context, cancel);
    }

    private static async Task<Ok<FeedView>> Change(int feed, FeedChange change, KostelContext context, CancellationToken cancel)
    {
        var row = await Find(context, feed, cancel);
        row.CourseId = (await context.Course(EntryRules.Course.Read(change.Course), cancel))?.Id;
        row.IsFollowed = change.IsFollowed;
        await context.SaveChangesAsync(cancel);
        return TypedResults.Ok(await Views(context, feed).SingleAsync(cancel));
    }

    /// <summary>The lectures that came from it stay.</summary>
    private static async Task<NoContent> Forget(int feed, KostelContext context, CancellationToken cancel)
    {
        await context.Feeds.Where(f => f.Id == feed).ExecuteDeleteAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Ok<FeedView>> Visit(int feed, KostelContext context, FeedReading reading, CancellationToken cancel)
    {
        await Find(context, feed, cancel);
        await reading.Visit(feed, cancel);
        return TypedResults.Ok(await Views(context, feed).SingleAsync(cancel));
    }

    private static async Task<Ok<List<EpisodeView>>> Episodes(int feed, KostelContext context, CancellationToken cancel)
    {
        await Find(context, feed, cancel);
        var rows = await context.Episodes.AsNoTracking().Where(e => e.FeedId == feed).OrderBy(e => e.Number).ToListAsync(cancel);
        return TypedResults.Ok(rows.ConvertAll(e => new EpisodeView(e.Key, e.Title, e.PublishedAt, e.Bytes, e.DurationMs, e.Captions.Count > 0, e.IsNew, e.LectureId)));
    }

    /// <summary>An episode that is a lecture already is passed over.</summary>
    private static async Task<Ok<FeedView>> Take(int feed, WantedEpisodes wanted, KostelContext context, JobQueue queue, TimeProvider time, CancellationToken cancel)
    {
        await using var all = await context.Database.BeginTransactionAsync(cancel);
        var row = await Find(context, feed, cancel);
        var episodes = (await context.Episodes.Where(e => e.FeedId == feed && e.LectureId == null).OrderByDescending(e => e.Number).ToListAsync(cancel)).Where(e => wanted.Keys.Contains(e.Key)).ToList();
        await FeedReading.Bring(context, row, episodes, time.GetUtcNow().UtcDateTime, cancel);
        await all.CommitAsync(cancel);
        queue.Wake();
        return TypedResults.Ok(await Views(context, feed).SingleAsync(cancel));
    }

    /// <summary>All feeds as a list that other programs read (OPML 2.0).</summary>
    private static async Task<FileContentHttpResult> Write(KostelContext context, CancellationToken cancel)
    {
        var feeds = await context.Feeds.AsNoTracking().OrderBy(f => f.Title).ToListAsync(cancel);
        var text = Opml.Write("Feeds", feeds.Select(f => new FeedOutline(f.Title, new Uri(f.Address))));
        return TypedResults.File(System.Text.Encoding.UTF8.GetBytes(text), "text/x-opml", "feeds.opml");
    }

    /// <summary>Takes a list over. Its feeds are known then, and followed once a person says so.</summary>
    private static async Task<Ok<FeedsBrought>> Read(HttpRequest request, KostelContext context, CancellationToken cancel)
    {
        var outlines = Opml.Read(await TextFiles.ReadAll(request.Body, cancel));
        var known = (await context.Feeds.Select(f => f.Address).ToListAsync(cancel)).ToHashSet();
        var fresh = outlines.Where(o => !known.Contains(o.Address.AbsoluteUri)).Take(MostInList).ToList();
        foreach (var outline in fresh)
        {
            await New(context, outline.Address, outline.Title, cancel);
        }

        return TypedResults.Ok(new FeedsBrought(fresh.Count, outlines.Count - fresh.Count));
    }

    private static async Task<FeedRow> New(KostelContext context, Uri address, string title, CancellationToken cancel)
    {
        var row = new FeedRow { Address = address.AbsoluteUri, Title = title };
        context.Feeds.Add(row);
        await context.SaveChangesAsync(cancel);
        return row;
    }

    private static async Task<FeedRow> Find(KostelContext context, int feed, CancellationToken cancel) =>
        await context.Feeds.FirstOrDefaultAsync(f => f.Id == feed, cancel) ?? throw PlainProblemException.NotThere("feed");

    private static IQueryable<FeedView> Views(KostelContext context, int? only) => context.Feeds.AsNoTracking().Where(f => only == null || f.Id == only).OrderBy(f => f.Title)
        .Select(f => new FeedView(
            f.Id, f.Address, f.Title, context.Courses.Where(c => c.Id == f.CourseId).Select(c => c.Title).FirstOrDefault(), f.IsFollowed,
            context.Episodes.Count(e => e.FeedId == f.Id), context.Episodes.Count(e => e.FeedId == f.Id && e.LectureId != null), context.Episodes.Count(e => e.FeedId == f.Id && e.IsNew && e.LectureId == null),
            f.CheckedAt, f.Problem));
}
