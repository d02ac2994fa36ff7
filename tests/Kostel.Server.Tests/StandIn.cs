using System.Diagnostics;
using System.Net;
using System.Net.Sockets;

namespace Kostel.Server.Tests;

/// <summary>The transcription service, and the web site, that ship with Kostel, as a process of its own.</summary>
public sealed class StandIn : IDisposable
{
    public const string Key = "test-key-0815";
    private readonly Process process;

    public StandIn()
    {
        using (var free = new TcpListener(IPAddress.Loopback, 0))
        {
            free.Start();
            Address = $"http://localhost:{((IPEndPoint)free.LocalEndpoint).Port}/v1";
        }

        var program = Path.Combine(ServerProcess.Root, "src/Kostel.StandIn/bin/Release/net10.0/Kostel.StandIn.dll");
        process = Process.Start(new ProcessStartInfo("dotnet", [program, "--port", $"{new Uri(Address).Port}", "--key", Key, "--site", Path.Combine(ServerProcess.Root, "demo", "site")])
        {
            Environment = { ["KOSTEL_MODELS"] = ServerProcess.Models, ["KOSTEL_MODEL_LOCK"] = Path.Combine(ServerProcess.Root, "models", "models.lock.json") },
            RedirectStandardOutput = true,
        })!;
        Assert.Contains("listens", process.StandardOutput.ReadLine(), StringComparison.Ordinal);
    }

    public string Address { get; }

    /// <summary>The web site that it shows as well.</summary>
    public string Site => new Uri(Address).GetLeftPart(UriPartial.Authority);

    public void Dispose()
    {
        process.Kill();
        process.Dispose();
    }
}
