using Kostel.Data;
using Kostel.Server.Shared;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Jobs.Arriving;

/// <summary>Looks once after a start at recordings that came before there was a way to know them again, and makes copies for playing anew that a backup left out.</summary>
internal sealed class EarlierRecordings(LibraryFolder library, JobQueue queue, TimeProvider time, ILogger<EarlierRecordings> log) : BackgroundService
{
    private static readonly TimeSpan AfterStart = TimeSpan.FromSeconds(20), Between = TimeSpan.FromMilliseconds(200);

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        try
        {
            await Task.Delay(AfterStart, stoppingToken);
            await using var context = library.CreateDbContext();
            await CopyAnew(context, stoppingToken);
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

    private async Task CopyAnew(KostelContext context, CancellationToken cancel)
    {
        foreach (var id in await context.Lectures.Where(l => l.HasCopy).Select(l => l.Id).ToListAsync(cancel))
        {
            if (!File.Exists(library.Copy(id)) && File.Exists(library.Original(id)) && !await context.IsAtWork(id, cancel))
            {
                context.Enqueue(CopyWork.Copying, id, new CopyTask(), time.GetUtcNow().UtcDateTime);
            }
        }

        await context.SaveChangesAsync(cancel);
        queue.Wake();
    }
}
