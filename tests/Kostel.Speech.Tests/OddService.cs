using System.Net;
using System.Net.Sockets;

namespace Kostel.Speech.Tests;

/// <summary>A service that answers every question with the same text.</summary>
internal sealed class OddService : IDisposable
{
    private readonly HttpListener listener = new();

    public OddService(string answer)
    {
        using (var free = new TcpListener(IPAddress.Loopback, 0))
        {
            free.Start();
            Address = $"http://localhost:{((IPEndPoint)free.LocalEndpoint).Port}/";
        }

        listener.Prefixes.Add(Address);
        listener.Start();
        _ = Serve(System.Text.Encoding.UTF8.GetBytes(answer));
    }

    public string Address { get; }

    public void Dispose() => listener.Close();

    private async Task Serve(byte[] answer)
    {
        try
        {
            while (true)
            {
                var context = await listener.GetContextAsync();
                await context.Request.InputStream.CopyToAsync(Stream.Null);
                context.Response.ContentType = "application/json";
                await context.Response.OutputStream.WriteAsync(answer);
                context.Response.Close();
            }
        }
        catch (Exception e) when (e is HttpListenerException or ObjectDisposedException)
        {
            // The test is over.
        }
    }
}
