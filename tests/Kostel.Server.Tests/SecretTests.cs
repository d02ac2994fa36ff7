using System.Net;
using System.Text;

namespace Kostel.Server.Tests;

/// <summary>The key of a transcription service: protected, forgotten for good, and never sent to another address.</summary>
public sealed class SecretTests(StandIn service) : IClassFixture<StandIn>
{
    [Fact]
    public async Task The_key_stands_in_no_file_and_after_it_is_forgotten_not_even_its_protected_form_does()
    {
        using var server = new ServerProcess();
        (await Enter(server, StandIn.Key, service.Address)).EnsureSuccessStatusCode();
        Assert.True((await server.Get("/api/languages"))["service"]!["hasKey"]!.GetValue<bool>());
        var kept = (string)LibraryDatabase.Sql(server.Folder, "SELECT Value FROM Settings WHERE Name = 'transcription-service'")!;
        Assert.DoesNotContain(StandIn.Key, Everything(server), StringComparison.Ordinal);
        var hidden = System.Text.Json.JsonDocument.Parse(kept).RootElement.GetProperty("protected").GetString()!;
        Assert.Contains(hidden, Everything(server), StringComparison.Ordinal);

        (await server.Http.DeleteAsync("/api/service")).EnsureSuccessStatusCode();
        Assert.DoesNotContain(hidden, Everything(server), StringComparison.Ordinal);
        Assert.DoesNotContain(hidden[20..60], Everything(server), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_key_that_an_earlier_Kostel_wrote_down_is_protected_at_the_next_start()
    {
        using var server = new ServerProcess();
        server.Kill();
        LibraryDatabase.Sql(server.Folder, $$"""INSERT INTO Settings (OwnerId, Name, Value) VALUES (0, 'transcription-service', '{"address":"{{service.Address}}/","key":"{{StandIn.Key}}","modelName":"practice","isOn":true,"model":null}')""");
        Assert.Contains(StandIn.Key, Everything(server), StringComparison.Ordinal);
        server.Start();
        Assert.True((await server.Get("/api/languages"))["service"]!["hasKey"]!.GetValue<bool>());
        Assert.DoesNotContain(StandIn.Key, Everything(server), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_key_does_not_go_to_another_address_unless_it_is_entered_again()
    {
        using var server = new ServerProcess();
        (await Enter(server, StandIn.Key, service.Address)).EnsureSuccessStatusCode();
        using var other = await Enter(server, null, service.Address.Replace("localhost", "127.0.0.1", StringComparison.Ordinal));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, other.StatusCode);
        Assert.Contains("Enter the key for it again", await ServerProcess.Detail(other), StringComparison.Ordinal);
        (await Enter(server, null, service.Address)).EnsureSuccessStatusCode();
    }

    private static Task<HttpResponseMessage> Enter(ServerProcess server, string? key, string address) =>
        server.Send(HttpMethod.Put, "/api/service", new { address, key, model = "practice", agreed = true });

    /// <summary>Every byte of the library, as somebody with the disk would read it.</summary>
    private static string Everything(ServerProcess server) =>
        string.Concat(Directory.GetFiles(server.Folder, "*", SearchOption.AllDirectories).Where(f => !f.Contains("/keys/", StringComparison.Ordinal) && new FileInfo(f).Length > 0).Select(f =>
        {
            using var file = new FileStream(f, FileMode.Open, FileAccess.Read, FileShare.ReadWrite | FileShare.Delete);
            using var bytes = new MemoryStream();
            file.CopyTo(bytes);
            return Encoding.Latin1.GetString(bytes.ToArray());
        }));
}
