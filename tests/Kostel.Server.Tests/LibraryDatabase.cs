using Microsoft.Data.Sqlite;

namespace Kostel.Server.Tests;

/// <summary>The library's database, seen from outside the program.</summary>
internal static class LibraryDatabase
{
    /// <summary>Runs a statement and gives its first value.</summary>
    public static object? Sql(string folder, string statement)
    {
        using var connection = new SqliteConnection(new SqliteConnectionStringBuilder { DataSource = Path.Combine(folder, "kostel.db"), Pooling = false, DefaultTimeout = 30 }.ToString());
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = statement;
        return command.ExecuteScalar();
    }

    public static void IsWhole(string folder)
    {
        Assert.Equal("ok", Sql(folder, "PRAGMA integrity_check"));
        Assert.Null(Sql(folder, "PRAGMA foreign_key_check"));
    }
}
