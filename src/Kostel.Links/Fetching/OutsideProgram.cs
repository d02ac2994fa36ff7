using System.Diagnostics;

namespace Kostel.Links.Fetching;

/// <summary>A program of the person's own, started as it is and never through a shell.</summary>
public static class OutsideProgram
{
    /// <summary>Runs it to its end; what it prints is not kept.</summary>
    /// <param name="command">The program and its arguments.</param>
    /// <param name="folder">Where it runs; null for here.</param>
    /// <param name="problem">Makes an error of what went wrong, a clause without a subject: "ended with 2: no space".</param>
    public static async Task Run(IReadOnlyList<string> command, string? folder, TimeSpan patience, Func<string, Exception> problem, CancellationToken cancel)
    {
        using var enough = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        enough.CancelAfter(patience);
        using var process = Start(command, folder, problem);
        try
        {
            var errors = process.StandardError.ReadToEndAsync(enough.Token);
            _ = process.StandardOutput.BaseStream.CopyToAsync(Stream.Null, enough.Token);
            await process.WaitForExitAsync(enough.Token);
            if (process.ExitCode != 0)
            {
                throw problem($"ended with {process.ExitCode}: {(await errors).Trim().Split('\n')[^1]}");
            }
        }
        catch (OperationCanceledException)
        {
            process.Kill(entireProcessTree: true);
            throw cancel.IsCancellationRequested
                ? new OperationCanceledException(cancel)
                : problem($"was not done after {(patience.TotalHours >= 1 ? $"{patience.TotalHours:0} hours" : $"{patience.TotalMinutes:0} min")}.");
        }
    }

    private static Process Start(IReadOnlyList<string> command, string? folder, Func<string, Exception> problem)
    {
        try
        {
            return Process.Start(new ProcessStartInfo(command[0], command.Skip(1)) { WorkingDirectory = folder ?? "", RedirectStandardError = true, RedirectStandardOutput = true })!;
        }
        catch (System.ComponentModel.Win32Exception)
        {
            throw problem("cannot be started.");
        }
    }
}
