using Kostel.Data;
using Kostel.Server.Shared;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Automation;

/// <summary>
/// Works out the drawing of every recording's sound that has none yet, one after the other, while nobody waits: a transcription notes it on the way, but
/// not every lecture was transcribed here. So it stands at once when a lecture is opened.
/// </summary>
internal sealed class SoundDrawings(LibraryFolder library, ILogger<SoundDrawings> log) : BackgroundService
{
    private static readonly TimeSpan Beginning = TimeSpan.FromSeconds(1);

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        await Task.Delay(Beginning, stoppingToken);
        await using var context = library.CreateDbContext();
        var ids = await context.Lectures.AsNoTracking().Where(l => l.DeletedAt == null && l.HasSound && l.MadeAt != null)
            .OrderByDescending(l => context.Visits.Where(v => v.LectureId == l.Id).Max(v => (DateTime?)v.At)).ThenByDescending(l => l.AddedAt).Select(l => l.Id).ToListAsync(stoppingToken);
        foreach (var id in ids.Where(id => !File.Exists(library.Peaks(id)) && File.Exists(library.Original(id))))
        {
            try
            {
                await LecturePeaks.Read(library, id, stoppingToken);
            }
            catch (IOException e)
            {
                // It is tried again when the lecture is opened.
                log.LogDebug(e, "The sound of {Lecture} was not drawn.", id);
            }
        }
    }
}
