using Kostel.Data.Search;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Data.Folder;

/// <summary>
/// Brings a library's database to the present form. That is done in a copy, which takes the place of the database in one step when it
/// is whole: whatever moment the program is killed at, the next start finds the old database or the new one, and no lock of anybody.
/// </summary>
internal static class LibrarySchema
{
    private const string Fresh = ".fresh";

    /// <summary>Does nothing when the database is of the present form. Only one process may do this at a time: the caller has the library's lock.</summary>
    public static void Prepare(string database, Func<string, KostelContext> open)
    {
        RemoveWithLogs(database + Fresh);
        if (!IsPresent(database, open))
        {
            Copy(database, database + Fresh);
            Migrate(database + Fresh, open);
            File.Move(database + Fresh, database, overwrite: true);
        }

        using var context = open(database);
        context.Database.ExecuteSqlRaw("PRAGMA journal_mode=WAL");
        SearchSchema.Ensure(context);
    }

    /// <summary>A copy without pages that are no longer used. The original takes its log in first, so that no log is left that the copy, put in its place, would find.</summary>
    private static void Copy(string from, string to)
    {
        if (File.Exists(from))
        {
            SqliteConnection.ClearAllPools();
            using var connection = new SqliteConnection(new SqliteConnectionStringBuilder { DataSource = from, Pooling = false }.ToString());
            connection.Open();
            using var command = connection.CreateCommand();
            command.CommandText = "PRAGMA journal_mode=DELETE";
            command.ExecuteNonQuery();
            command.CommandText = "VACUUM INTO $to";
            command.Parameters.AddWithValue("$to", to);
            command.ExecuteNonQuery();
        }
    }

    /// <summary>Applies what is missing. A lock that an interrupted start left in the copy is nobody's.</summary>
    private static void Migrate(string database, Func<string, KostelContext> open)
    {
        using (var context = open(database))
        {
            context.Database.ExecuteSqlRaw("DROP TABLE IF EXISTS __EFMigrationsLock");
            context.Database.Migrate();
            context.Database.ExecuteSqlRaw("PRAGMA wal_checkpoint(TRUNCATE)");
            context.Database.ExecuteSqlRaw("PRAGMA journal_mode=DELETE");
        }

        SqliteConnection.ClearAllPools();
        using var file = File.Open(database, FileMode.Open, FileAccess.ReadWrite);
        file.Flush(flushToDisk: true);
    }

    /// <summary>Whether nothing is missing.</summary>
    private static bool IsPresent(string database, Func<string, KostelContext> open)
    {
        if (!File.Exists(database) || new FileInfo(database).Length == 0)
        {
            return false;
        }

        using var context = open(database);
        return !context.Database.GetPendingMigrations().Any();
    }

    private static void RemoveWithLogs(string database)
    {
        File.Delete(database);
        File.Delete(database + "-journal");
        File.Delete(database + "-wal");
        File.Delete(database + "-shm");
    }
}
