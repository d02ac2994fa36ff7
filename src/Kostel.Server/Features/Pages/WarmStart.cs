using Kostel.Data;
using Kostel.Data.Folder;
using Microsoft.AspNetCore.Hosting.Server;
using Microsoft.AspNetCore.Hosting.Server.Features;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Pages;

/// <summary>Asks Kostel for what is shown first, once, while nobody waits: the first answer to each takes up to half a second longer than the next, because its code is compiled as it runs.</summary>
internal sealed class WarmStart(LibraryFolder library, IServer server, IHostApplicationLifetime lifetime, DoorKey door, ILogger<WarmStart> log) : BackgroundService
{
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        var started = new TaskCompletionSource();
        await using var registration = lifetime.ApplicationStarted.Register(started.SetResult);
        await started.Task.WaitAsync(stoppingToken);
        if (server.Features.Get<IServerAddressesFeature>()?.Addresses.FirstOrDefault() is not { } address)
        {
            return;
        }

        // However slow the machine is: an answer that takes long is what this is for.
        using var http = new HttpClient { BaseAddress = new Uri(address), Timeout = Timeout.InfiniteTimeSpan };
        http.DefaultRequestHeaders.Authorization = new("Bearer", door.Pass);
        try
        {
            foreach (var path in await Shown(stoppingToken))
            {
                using var answer = await http.GetAsync(new Uri(path, UriKind.Relative), HttpCompletionOption.ResponseHeadersRead, stoppingToken);
                await answer.Content.CopyToAsync(Stream.Null, stoppingToken);
            }
        }
        catch (Exception e) when (e is HttpRequestException or IOException)
        {
            // Nothing depends on it.
            log.LogDebug(e, "The first answers were not prepared.");
        }
    }

    /// <summary>The first screen, the text of the lecture that was opened last, and a search: what passages mean is worked out with it where it is not yet.</summary>
    private async Task<List<string>> Shown(CancellationToken cancel)
    {
        await using var context = library.CreateDbContext();
        var last = await context.Lectures.AsNoTracking().Where(l => l.DeletedAt == null && l.MadeAt != null)
            .OrderByDescending(l => context.Visits.Where(v => v.LectureId == l.Id).Max(v => (DateTime?)v.At)).Select(l => l.Id).FirstOrDefaultAsync(cancel);
        List<string> first = ["/", "/api/today"];
        List<string> lecture = last is null ? [] : [$"/lecture/{last}", $"/api/lectures/{last}/transcript", $"/api/lectures/{last}/marks"];
        return [.. first, .. lecture, "/api/search?text=first"];
    }
}
