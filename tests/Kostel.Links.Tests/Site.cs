using System.Collections.Concurrent;
using System.Net;
using System.Net.Sockets;
using Kostel.Links.Fetching;
using Kostel.Links.Guard;
using Kostel.Links.Looking;
using Kostel.StandIn.Site;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Hosting;
using Microsoft.Extensions.Logging;

namespace Kostel.Links.Tests;

/// <summary>The site that ships with Kostel, on a network of which nothing is real: every connection is noted, and those to the site's public address reach it.</summary>
public sealed class Site : INetwork, IAsyncLifetime
{
    public const string Name = "slip.example";
    private static readonly IPAddress Public = IPAddress.Parse("45.66.77.88");
    private readonly WebApplication app;
    private int port;

    public Site()
    {
        // Many at once on two cores: nobody waits for a thread as if the site did not answer.
        ThreadPool.SetMinThreads(32, 32);
        var builder = WebApplication.CreateSlimBuilder();
        builder.Logging.ClearProviders();
        builder.WebHost.UseUrls("http://127.0.0.1:0");
        app = builder.Build();
        Talks = new SiteTalks(Path.Combine(Root, "demo", "site"));
        app.MapSite(Talks);
    }

    internal SiteTalks Talks { get; }

    /// <summary>What names mean; a list of answers is gone through, one a question.</summary>
    public Dictionary<string, Queue<string>> Names { get; } = new(StringComparer.OrdinalIgnoreCase);

    /// <summary>Every connection that was tried.</summary>
    public ConcurrentQueue<IPEndPoint> Connections { get; } = new();

    private static string Root
    {
        get
        {
            var folder = AppContext.BaseDirectory;
            while (!File.Exists(Path.Combine(folder, "Kostel.slnx")))
            {
                folder = Path.GetDirectoryName(folder)!;
            }

            return folder;
        }
    }

    public static Uri At(string path) => new($"http://{Name}/{path}");

    public GuardedClient Client(LinkLimits? limits = null) => new(this, limits ?? Quick);

    /// <summary>So that nothing here waits long.</summary>
    public static LinkLimits Quick { get; } = new()
    {
        Answer = TimeSpan.FromSeconds(10),
        Silence = TimeSpan.FromSeconds(2),
        Page = TimeSpan.FromSeconds(20),
        RetryPause = TimeSpan.FromMilliseconds(5),
        EndlessBytes = 20 << 20,
        Retries = 2,
    };

    public LinkLooker Looker(LinkLimits? limits = null) => new(Client(limits));

    public RecordingFetcher Fetcher(LinkLimits? limits = null, long free = 100L << 30) => new(Client(limits), () => free);

    public async ValueTask InitializeAsync()
    {
        await app.StartAsync();
        port = new Uri(app.Urls.Single()).Port;
    }

    public async ValueTask DisposeAsync() => await app.DisposeAsync();

    public Task<IReadOnlyList<IPAddress>> Resolve(string host, CancellationToken cancel)
    {
        if (host == Name)
        {
            return Task.FromResult<IReadOnlyList<IPAddress>>([Public]);
        }

        return Names.TryGetValue(host, out var answers)
            ? Task.FromResult<IReadOnlyList<IPAddress>>([IPAddress.Parse(answers.Count > 1 ? answers.Dequeue() : answers.Peek())])
            : throw new SocketException((int)SocketError.HostNotFound);
    }

    public async Task<Stream> Connect(IPEndPoint place, CancellationToken cancel)
    {
        Connections.Enqueue(place);
        if (!place.Address.Equals(Public))
        {
            throw new SocketException((int)SocketError.ConnectionRefused);
        }

        return await new RealNetwork().Connect(new IPEndPoint(IPAddress.Loopback, port), cancel);
    }
}
