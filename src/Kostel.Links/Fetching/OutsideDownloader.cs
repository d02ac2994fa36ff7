namespace Kostel.Links.Fetching;

/// <summary>A program of the person's own that fetches from sites which do not say where their recordings are.</summary>
/// <param name="command">The program and its arguments, with <c>{address}</c> and <c>{file}</c> where these go; it is started as it is, never through a shell.</param>
public sealed class OutsideDownloader(IReadOnlyList<string> command)
{
    private static readonly TimeSpan Patience = TimeSpan.FromHours(6);

    /// <summary>Has a recording fetched.</summary>
    /// <exception cref="LinkProblemException">The program cannot be started, fails, or leaves no file.</exception>
    public async Task Fetch(Uri address, string path, CancellationToken cancel)
    {
        var file = path + ".outside";
        var filled = command.Select(a => a.Replace("{address}", address.AbsoluteUri, StringComparison.Ordinal).Replace("{file}", file, StringComparison.Ordinal)).ToList();
        await OutsideProgram.Run(filled, null, Patience, what => new LinkProblemException($"Your downloader, {filled[0]}, {what}", mayPass: true), cancel);

        // Some add an ending of their own to the name that they are given.
        var written = File.Exists(file) ? file : Directory.GetFiles(Path.GetDirectoryName(file)!, Path.GetFileName(file) + ".*").FirstOrDefault()
            ?? throw new LinkProblemException("Your downloader said that it was done, and left no file where it was told to.");
        File.Move(written, path, overwrite: true);
    }
}
