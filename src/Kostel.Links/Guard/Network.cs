using System.Net;
using System.Net.Sockets;

namespace Kostel.Links.Guard;

/// <summary>The two things that reach out of this computer: looking a name up, and connecting. Tests put others in their place.</summary>
public interface INetwork
{
    /// <summary>All addresses of a name.</summary>
    Task<IReadOnlyList<IPAddress>> Resolve(string host, CancellationToken cancel);

    /// <summary>A connection to an address: never to a name, which could mean another address by now.</summary>
    Task<Stream> Connect(IPEndPoint place, CancellationToken cancel);
}

/// <summary>The real network.</summary>
public sealed class RealNetwork : INetwork
{
    /// <inheritdoc/>
    public async Task<IReadOnlyList<IPAddress>> Resolve(string host, CancellationToken cancel) => await Dns.GetHostAddressesAsync(host, cancel);

    /// <inheritdoc/>
    public async Task<Stream> Connect(IPEndPoint place, CancellationToken cancel)
    {
        var socket = new Socket(place.AddressFamily, SocketType.Stream, ProtocolType.Tcp) { NoDelay = true };
        try
        {
            await socket.ConnectAsync(place, cancel);
            return new NetworkStream(socket, ownsSocket: true);
        }
        catch
        {
            socket.Dispose();
            throw;
        }
    }
}
