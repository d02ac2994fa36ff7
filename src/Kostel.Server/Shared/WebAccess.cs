using Kostel.Core.Captions;
using Kostel.Core.Chapters;
using Kostel.Core.Links;
using Kostel.Data;
using Kostel.Data.Folder;
using Kostel.Links;
using Kostel.Links.Fetching;
using Kostel.Links.Guard;
using Kostel.Links.Looking;
using Kostel.Server.Automation;

namespace Kostel.Server.Shared;

/// <summary>The one way from the server to the web: everything that is fetched goes through the same guarded client.</summary>
internal sealed class WebAccess : IDisposable
{
    private readonly GuardedClient client;
    private readonly AutomationFile automation;
    private readonly ChapterFinder chapters;

    public WebAccess(LibraryFolder library, ServerSettings settings, AutomationFile automation, ChapterFinder chapters)
    {
        this.chapters = chapters;
        this.automation = automation;
        client = new GuardedClient(new RealNetwork(), settings.Links, settings.LinkExceptions);
        long Free() => FreeSpace.At(library.MediaFolder);
        (Looker, Recordings, Streams) = (new LinkLooker(client), new RecordingFetcher(client, Free), new StreamFetcher(client, Free));
    }

    /// <summary>Finds out what an address leads to.</summary>
    public LinkLooker Looker { get; }

    /// <summary>Fetches recordings.</summary>
    public RecordingFetcher Recordings { get; }

    /// <summary>Fetches streams.</summary>
    public StreamFetcher Streams { get; }

    /// <summary>The person's own downloader; null for none.</summary>
    public OutsideDownloader? Downloader => automation.Read().Settings.Downloader is { Count: > 0 } command ? new OutsideDownloader(command) : null;

    /// <summary>Opens an address.</summary>
    public Task<GuardedAnswer> Open(Uri address, Action<System.Net.Http.Headers.HttpRequestHeaders>? prepare, CancellationToken cancel) => client.Open(address, prepare, cancel);

    /// <summary>What is spent at most.</summary>
    public LinkLimits Limits => client.Limits;

    /// <summary>Fetches and reads captions.</summary>
    /// <exception cref="LinkProblemException">They cannot be had.</exception>
    /// <exception cref="Http.PlainProblemException">They cannot be read.</exception>
    public async Task<BroughtText> Captions(CaptionLink link, CancellationToken cancel)
    {
        using var answer = await client.Open(link.Address, null, cancel);
        using var bytes = new MemoryStream(await answer.All(client.Limits.PageBytes, cancel));
        return TextFiles.Read(NameFor(link, answer), await TextFiles.ReadAll(bytes, cancel), chapters);
    }

    /// <inheritdoc/>
    public void Dispose() => client.Dispose();

    /// <summary>A name whose ending says what the file is: by its address, else by its type.</summary>
    private static string NameFor(CaptionLink link, GuardedAnswer answer)
    {
        var name = answer.Address.Segments[^1];
        var type = link.Type ?? answer.Type;
        return TextFiles.IsText(name) ? name
            : type.Contains("vtt", StringComparison.Ordinal) ? "captions.vtt"
            : type.Contains("json", StringComparison.Ordinal) ? "captions.json"
            : type.Contains("plain", StringComparison.Ordinal) ? "captions.txt"
            : "captions.srt";
    }
}
