using Kostel.Data;
using Kostel.Server.Shared;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Jobs.Arriving;

/// <summary>Looks at recordings that came before there was a way to know them again, one after the other, once after a start.</summary>
internal sealed class EarlierRecordings(LibraryFolder library, ILogger<EarlierRecordings> log) : BackgroundService
{
    private static readonly TimeSpan AfterStart = TimeSpan.FromSeconds(20), Between = TimeSpan.FromMilliseconds(200);

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        try
        {
            await Task.Delay(AfterStart, stoppingToken);
            await using var context = library.CreateDbContext();
            foreach (var id in await context.Lectures.Where(l => l.ContentHash == null && l.HasSound).Select(l => l.Id).ToListAsync(stoppingToken))
            {
                if (File.Exists(library.Original(id)))
                {
                    var arrived = await LectureArrival.Examine(library.Original(id), stoppingToken);
                    await context.Lectures.Where(l => l.Id == id && l.ContentHash == null).ExecuteUpdateAsync(s => s.SetProperty(l => l.ContentHash, arrived.Hash), stoppingToken);
                    await Task.Delay(Between, stoppingToken);
                }
            }
        }
        catch (Exception e) when (e is not OperationCanceledException)
        {
            log.LogWarning(e, "Earlier recordings could not all be looked at; this is tried again at the next start.");
        }
    }
}
