using System.Text;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Data.Tests;

public sealed class SettingTests : IDisposable
{
    private readonly Library library = new Library().Present();

    [Fact]
    public async Task What_is_forgotten_leaves_the_log_too_as_soon_as_nobody_reads_there()
    {
        await using var context = library.Open();
        await context.KeepSetting("service", "a key of a service", Cancel);
        await using var open = library.Open();
        await open.Database.OpenConnectionAsync(Cancel);
        await using var reading = library.Open();
        await reading.Database.OpenConnectionAsync(Cancel);
        var reader = (SqliteConnection)reading.Database.GetDbConnection();
        var transaction = reader.BeginTransaction(deferred: true);
        await using var command = reader.CreateCommand();
        command.CommandText = "SELECT Value FROM Settings";
        Assert.Equal("a key of a service", await command.ExecuteScalarAsync(Cancel));

        var forgetting = context.ForgetSetting("service", Cancel);
        await Task.Delay(200, Cancel);
        Assert.Contains("a key of a service", Log(), StringComparison.Ordinal);
        await transaction.DisposeAsync();
        await forgetting;
        Assert.Equal("", Log());
        Assert.Null(await context.Setting("service", Cancel));
    }

    public void Dispose() => library.Dispose();

    private string Log()
    {
        using var file = new FileStream(library.Log, FileMode.Open, FileAccess.Read, FileShare.ReadWrite | FileShare.Delete);
        using var bytes = new StreamReader(file, Encoding.Latin1);
        return bytes.ReadToEnd();
    }

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;
}
