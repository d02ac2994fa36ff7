using System.Diagnostics;
using System.Globalization;

namespace Kostel.Media;

/// <summary>
/// Runs FFmpeg's programs on files from strangers: no network or other protocols, no standard input, bounded memory and processor time.
/// </summary>
internal static class FfmpegProcess
{
    private const long MemoryBytes = 3L << 30;
    private static readonly TimeSpan ProcessorTime = TimeSpan.FromHours(2);

    /// <summary>Starts a program; its standard output and error are to be read.</summary>
    public static Process Start(string program, IEnumerable<string> arguments)
    {
        var start = new ProcessStartInfo("prlimit")
        {
            RedirectStandardOutput = true,
            RedirectStandardError = true,
            UseShellExecute = false,
        };
        foreach (var argument in new[] { $"--as={MemoryBytes}", $"--cpu={(long)ProcessorTime.TotalSeconds}", program }.Concat(arguments))
        {
            start.ArgumentList.Add(argument);
        }

        try
        {
            return Process.Start(start) ?? throw new MediaProblemException($"{program} could not be started.");
        }
        catch (System.ComponentModel.Win32Exception)
        {
            throw new MediaProblemException($"{program} could not be started. Run ./kostel doctor to see what is missing.");
        }
    }

    /// <summary>A time as these programs take it.</summary>
    public static string Seconds(int ms) => (ms / 1000.0).ToString("0.000", CultureInfo.InvariantCulture);

    /// <summary>Runs a program to its end.</summary>
    /// <returns>Exit code, standard output and standard error.</returns>
    public static async Task<(int ExitCode, string Output, string Errors)> Run(string program, IEnumerable<string> arguments, CancellationToken cancel)
    {
        using var process = Start(program, arguments);
        try
        {
            var output = process.StandardOutput.ReadToEndAsync(cancel);
            var errors = process.StandardError.ReadToEndAsync(cancel);
            await process.WaitForExitAsync(cancel);
            return (process.ExitCode, await output, await errors);
        }
        catch (OperationCanceledException)
        {
            process.Kill(entireProcessTree: true);
            throw;
        }
    }
}
