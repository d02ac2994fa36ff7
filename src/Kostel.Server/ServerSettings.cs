using Kostel.Links;

namespace Kostel.Server;

/// <summary>Where this server finds and keeps things.</summary>
/// <param name="Address">Loopback only; port 0 takes a free one.</param>
/// <param name="DemoFolder">Set for the demonstration library.</param>
/// <param name="WebFolder">The built front end.</param>
/// <param name="IsDoorOpen">Whether it answers without the library's key, whatever was chosen.</param>
public sealed record ServerSettings(
    string DataFolder, string? DemoFolder, string WebFolder, string ModelFolder, string ModelLock, string Address, bool IsDoorOpen)
{
    /// <summary>Host and port of places on this computer from which may be fetched all the same (<c>--site localhost:5499</c>).</summary>
    public IReadOnlyList<string> LinkExceptions { get; init; } = [];

    /// <summary>What is spent on an address at most.</summary>
    public LinkLimits Links { get; init; } = new();

    /// <summary>How often feeds are asked at most.</summary>
    public TimeSpan FeedPause { get; init; } = TimeSpan.FromHours(1);

    /// <summary>How long a model may take for its next word.</summary>
    public TimeSpan WriterPatience { get; init; } = TimeSpan.FromMinutes(1);

    private const string DefaultPort = "5480";

    /// <summary>Names this run of the program.</summary>
    public string Run { get; } = Guid.NewGuid().ToString("N");

    /// <summary>Reads the command line (<c>--data</c>, <c>--demo</c>, <c>--port</c>, <c>--door key|open</c>) and the environment that the entry script sets.</summary>
    public static ServerSettings Read(IConfiguration configuration, bool describesOnly)
    {
        var data = configuration["data"] ?? Path.Combine(
            describesOnly ? Path.GetTempPath() : Environment.GetFolderPath(Environment.SpecialFolder.LocalApplicationData), "kostel");
        return new ServerSettings(
            Path.GetFullPath(data),
            configuration["demo"],
            configuration["KOSTEL_WEB"] ?? Path.Combine(AppContext.BaseDirectory, "wwwroot"),
            configuration["KOSTEL_MODELS"] ?? Path.Combine(Environment.GetFolderPath(Environment.SpecialFolder.UserProfile), ".cache", "kostel", "models"),
            configuration["KOSTEL_MODEL_LOCK"] ?? Path.Combine("models", "models.lock.json"),
            $"http://127.0.0.1:{configuration["port"] ?? DefaultPort}",
            (configuration["door"] ?? configuration["KOSTEL_DOOR"]) == "open")
        {
            LinkExceptions = configuration["site"]?.Split(',') ?? [],
            WriterPatience = TimeSpan.FromSeconds(configuration.GetValue("writer-patience", TimeSpan.FromMinutes(1).TotalSeconds)),
            FeedPause = TimeSpan.FromSeconds(configuration.GetValue("feed-pause", TimeSpan.FromHours(1).TotalSeconds)),
        };
    }
}
