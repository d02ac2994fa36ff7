using Kostel.Core.Text;
using Kostel.Data;
using Kostel.Data.Rows;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Languages;

/// <summary>In which spelling the recogniser's English is written from now on; what is there stays as it is.</summary>
internal static class SpellingSetting
{
    private const string Name = "spelling";

    /// <summary>The chosen one; as heard until somebody chooses.</summary>
    public static async Task<Spelling> Read(KostelContext context, CancellationToken cancel) =>
        await context.Settings.AsNoTracking().FirstOrDefaultAsync(s => s.Name == Name, cancel) is { } row && Enum.TryParse<Spelling>(row.Value, out var spelling)
            ? spelling
            : Spelling.AsHeard;

    /// <summary>Keeps a choice at once.</summary>
    public static async Task Keep(KostelContext context, Spelling spelling, CancellationToken cancel)
    {
        if (await context.Settings.FirstOrDefaultAsync(s => s.Name == Name, cancel) is { } row)
        {
            row.Value = spelling.ToString();
        }
        else
        {
            context.Settings.Add(new SettingRow { Name = Name, Value = spelling.ToString() });
        }

        await context.SaveChangesAsync(cancel);
    }
}
