using Kostel.Data;
using Kostel.Server.Shared;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Jobs.Arriving;

/// <summary>Asks feeds that are followed when their time has come, one after the other.</summary>
internal sealed class FeedVisits(LibraryFolder library, FeedReading reading, TimeProvider time, ILogger<FeedVisits> log) : BackgroundService
{
    private static readonly TimeSpan Look = TimeSpan.FromSeconds(20);

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(Look, time);
        do
        {
            try
            {
                await VisitDue(stoppingToken);
            }
            catch (Exception e) when (e is not OperationCanceledException)
            {
                log.LogWarning(e, "Feeds could not be asked; this is tried again.");
            }
        }
        while (await timer.WaitForNextTickAsync(stoppingToken));
    }

    private async Task VisitDue(CancellationToken cancel)
    {
        var now = time.GetUtcNow().UtcDateTime;
        await using var context = library.CreateDbContext();
        foreach (var id in await context.Feeds.Where(f => f.IsFollowed && f.NextAt <= now).OrderBy(f => f.NextAt).Select(f => f.Id).ToListAsync(cancel))
        {
            await reading.Visit(id, cancel);
        }
    }
}
