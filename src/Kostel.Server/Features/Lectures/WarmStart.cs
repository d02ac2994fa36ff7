using System.Text.Json;
using Kostel.Data;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Options;

namespace Kostel.Server.Features.Lectures;

/// <summary>Reads the lecture that was opened last once while nobody waits: the first opening after a start would take a second longer.</summary>
internal sealed class WarmStart(LibraryFolder library, IOptions<JsonOptions> json, IHostApplicationLifetime lifetime) : BackgroundService
{
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        var started = new TaskCompletionSource();
        await using var registration = lifetime.ApplicationStarted.Register(started.SetResult);
        await started.Task.WaitAsync(stoppingToken);
        await using var context = library.CreateDbContext();
        var last = await context.Lectures.AsNoTracking().Include(l => l.Course).Where(l => l.DeletedAt == null && l.MadeAt != null)
            .OrderByDescending(l => l.OpenedAt).FirstOrDefaultAsync(stoppingToken);
        if (last is not null)
        {
            var transcript = await context.Transcript(last, stoppingToken);
            await JsonSerializer.SerializeAsync(Stream.Null, transcript.Passages.Select(PassageView.Of).ToList(), json.Value.SerializerOptions, stoppingToken);
        }
    }
}
