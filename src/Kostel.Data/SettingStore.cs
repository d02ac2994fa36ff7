using Kostel.Data.Rows;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Data;

/// <summary>Keeps what was chosen, a name and a text each: by a person, or for the library whoever uses it.</summary>
public static class SettingStore
{
    /// <summary>How often the log is tried to be emptied while somebody reads, and how long is waited between.</summary>
    private const int MostTries = 200, WaitMs = 50;

    /// <summary>What is kept for the library under a name; null for nothing.</summary>
    public static Task<string?> Setting(this KostelContext context, string name, CancellationToken cancel) => context.Setting(SettingRow.OfLibrary, name, cancel);

    /// <summary>What a person keeps under a name; null for nothing.</summary>
    public static async Task<string?> Setting(this KostelContext context, int ownerId, string name, CancellationToken cancel) =>
        await context.Settings.AsNoTracking().Where(s => s.OwnerId == ownerId && s.Name == name).Select(s => s.Value).FirstOrDefaultAsync(cancel);

    /// <summary>Keeps a text for the library at once.</summary>
    public static Task KeepSetting(this KostelContext context, string name, string value, CancellationToken cancel) => context.KeepSetting(SettingRow.OfLibrary, name, value, cancel);

    /// <summary>Keeps a text for a person at once.</summary>
    public static Task KeepSetting(this KostelContext context, int ownerId, string name, string value, CancellationToken cancel) => context.Database.ExecuteSqlAsync(
        $"INSERT INTO Settings (OwnerId, Name, Value) VALUES ({ownerId}, {name}, {value}) ON CONFLICT (OwnerId, Name) DO UPDATE SET Value = excluded.Value", cancel);

    /// <summary>Forgets what is kept for the library under a name, in the database's log too.</summary>
    public static async Task ForgetSetting(this KostelContext context, string name, CancellationToken cancel)
    {
        await context.Settings.Where(s => s.OwnerId == SettingRow.OfLibrary && s.Name == name).ExecuteDeleteAsync(cancel);
        for (var tries = 1; !await IsLogEmptied(context, cancel) && tries < MostTries; tries++)
        {
            await Task.Delay(WaitMs, cancel);
        }
    }

    /// <summary>Empties the database's log; not while somebody reads what stands in it.</summary>
    private static async Task<bool> IsLogEmptied(KostelContext context, CancellationToken cancel)
    {
        await context.Database.OpenConnectionAsync(cancel);
        try
        {
            await using var command = context.Database.GetDbConnection().CreateCommand();
            command.CommandText = "PRAGMA wal_checkpoint(TRUNCATE)";
            return await command.ExecuteScalarAsync(cancel) is 0L;
        }
        finally
        {
            await context.Database.CloseConnectionAsync();
        }
    }
}
