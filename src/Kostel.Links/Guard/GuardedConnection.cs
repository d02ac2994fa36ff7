using System.Net;

namespace Kostel.Links.Guard;

/// <summary>Connects only to addresses of the open network, or to the few places that were named as exceptions.</summary>
/// <param name="network">The way out.</param>
/// <param name="exceptions">Host and port ("localhost:5510") of places on this computer that may be asked all the same.</param>
internal sealed class GuardedConnection(INetwork network, IReadOnlySet<string> exceptions)
{
    /// <summary>Looks a name up and connects to what came out, so that nothing can change between the two.</summary>
    /// <exception cref="LinkProblemException">It leads to no place that may be asked.</exception>
    public async ValueTask<Stream> Connect(SocketsHttpConnectionContext context, CancellationToken cancel)
    {
        var place = context.DnsEndPoint;
        var found = IPAddress.TryParse(place.Host.Trim('[', ']'), out var literal) ? [literal] : await Resolve(place.Host, cancel);
        var mayBeLocal = exceptions.Contains($"{place.Host}:{place.Port}");
        var allowed = found.Where(a => mayBeLocal ? IPAddress.IsLoopback(a) : PublicAddress.IsPublic(a)).ToList();
        if (allowed.Count == 0)
        {
            throw new LinkProblemException("This address leads into this computer or its own network. Kostel fetches only from the open web.");
        }

        Exception? last = null;
        foreach (var address in allowed)
        {
            try
            {
                return await network.Connect(new IPEndPoint(address, place.Port), cancel);
            }
            catch (Exception e) when (e is System.Net.Sockets.SocketException or IOException)
            {
                last = e;
            }
        }

        throw new LinkProblemException($"{place.Host} cannot be reached at the moment.", mayPass: true, last);
    }

    private async Task<IReadOnlyList<IPAddress>> Resolve(string host, CancellationToken cancel)
    {
        try
        {
            return await network.Resolve(host, cancel);
        }
        catch (System.Net.Sockets.SocketException e)
        {
            throw new LinkProblemException($"There is no place called {host} on the web, or this computer is not connected at the moment.", mayPass: true, e);
        }
    }
}
