using System.Data.Common;
using Microsoft.EntityFrameworkCore.Diagnostics;

namespace Kostel.Data.Folder;

/// <summary>What is deleted is overwritten, so that it cannot be read from the file afterwards.</summary>
internal sealed class SecureDelete : DbConnectionInterceptor
{
    private const string Pragma = "PRAGMA secure_delete=ON";

    public override void ConnectionOpened(DbConnection connection, ConnectionEndEventData eventData)
    {
        using var command = connection.CreateCommand();
        command.CommandText = Pragma;
        command.ExecuteNonQuery();
    }

    public override async Task ConnectionOpenedAsync(DbConnection connection, ConnectionEndEventData eventData, CancellationToken cancellationToken = default)
    {
        await using var command = connection.CreateCommand();
        command.CommandText = Pragma;
        await command.ExecuteNonQueryAsync(cancellationToken);
    }
}
