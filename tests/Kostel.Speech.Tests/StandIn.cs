using System.Diagnostics;
using System.Net;
using System.Net.Sockets;
using Kostel.Core.Services;
using Kostel.Speech.Service;

namespace Kostel.Speech.Tests;

/// <summary>The transcription service that ships with Kostel, as a process of its own.</summary>
public sealed class StandIn : IAsyncLifetime
{
    private const string Key = "test-key-0815";
    private Process? process;
    private int port;

    public ServiceAddress Address(string model, string key = Key) => ServiceAddress.Parse($"http://localhost:{port}/v1", key, model);

    public async ValueTask InitializeAsync()
    {
        using (var free = new TcpListener(IPAddress.Loopback, 0))
        {
            free.Start();
            port = ((IPEndPoint)free.LocalEndpoint).Port;
        }

        var program = Path.GetFullPath(Path.Combine(AppContext.BaseDirectory, "../../../../../src/Kostel.StandIn/bin/Release/net10.0/Kostel.StandIn.dll"));
        process = Process.Start(new ProcessStartInfo("dotnet", [program, "--port", $"{port}", "--key", Key]) { RedirectStandardOutput = true })!;
        var said = await process.StandardOutput.ReadLineAsync();
        Assert.Contains("listens", said, StringComparison.Ordinal);
    }

    public ValueTask DisposeAsync()
    {
        process?.Kill();
        process?.Dispose();
        return ValueTask.CompletedTask;
    }
}
