using Kostel.Data.Rows;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Data;

/// <summary>Keeps what was chosen, a name and a text each.</summary>
public static class SettingStore
{
    /// <summary>What is kept under a name; null for nothing.</summary>
    public static async Task<string?> Setting(this KostelContext context, string name, CancellationToken cancel) =>
        await context.Settings.AsNoTracking().Where(s => s.Name == name).Select(s => s.Value).FirstOrDefaultAsync(cancel);

    /// <summary>Keeps a text under a name at once.</summary>
    public static Task KeepSetting(this KostelContext context, string name, string value, CancellationToken cancel) =>
        context.Database.ExecuteSqlAsync($"INSERT INTO Settings (Name, Value) VALUES ({name}, {value}) ON CONFLICT (Name) DO UPDATE SET Value = excluded.Value", cancel);

    /// <summary>Forgets what is kept under a name, in the database's log too.</summary>
    public static async Task ForgetSetting(this KostelContext context, string name, CancellationToken cancel)
    {
        await context.Settings.Where(s => s.Name == name).ExecuteDeleteAsync(cancel);
        await context.Database.ExecuteSqlRawAsync("PRAGMA wal_checkpoint(TRUNCATE)", cancel);
    }
}
