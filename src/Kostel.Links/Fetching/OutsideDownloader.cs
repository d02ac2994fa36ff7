using System.Diagnostics;

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
        using var patience = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        patience.CancelAfter(Patience);
        using var process = Start(address, file);
        try
        {
            var errors = process.StandardError.ReadToEndAsync(patience.Token);
            _ = process.StandardOutput.BaseStream.CopyToAsync(Stream.Null, patience.Token);
            await process.WaitForExitAsync(patience.Token);
            if (process.ExitCode != 0)
            {
                throw new LinkProblemException($"Your downloader ended with {process.ExitCode}: {(await errors).Trim().Split('\n')[^1]}", mayPass: true);
            }
        }
        catch (OperationCanceledException)
        {
            process.Kill(entireProcessTree: true);
            throw cancel.IsCancellationRequested ? new OperationCanceledException(cancel) : new LinkProblemException($"Your downloader was not done after {Patience.TotalHours:0} hours.");
        }

        // Some add an ending of their own to the name that they are given.
        var written = File.Exists(file) ? file : Directory.GetFiles(Path.GetDirectoryName(file)!, Path.GetFileName(file) + ".*").FirstOrDefault()
            ?? throw new LinkProblemException("Your downloader said that it was done, and left no file where it was told to.");
        File.Move(written, path, overwrite: true);
    }

    private Process Start(Uri address, string file)
    {
        var filled = command.Select(a => a.Replace("{address}", address.AbsoluteUri, StringComparison.Ordinal).Replace("{file}", file, StringComparison.Ordinal)).ToList();
        try
        {
            return Process.Start(new ProcessStartInfo(filled[0], filled.Skip(1)) { RedirectStandardError = true, RedirectStandardOutput = true })!;
        }
        catch (System.ComponentModel.Win32Exception e)
        {
            throw new LinkProblemException($"Your downloader, {filled[0]}, cannot be started.", reason: e);
        }
    }
}
