using System.Diagnostics;

namespace Kostel.Server.Tests;

/// <summary>Programs from outside that read what Kostel writes.</summary>
internal static class OutsideReader
{
    /// <summary>The words of a text with single spaces between them.</summary>
    public static string Words(string text) => string.Join(' ', text.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries));

    /// <summary>What a program writes; it has to succeed.</summary>
    public static string Run(string program, params string[] arguments)
    {
        var start = new ProcessStartInfo(program) { RedirectStandardOutput = true };
        foreach (var argument in arguments)
        {
            start.ArgumentList.Add(argument);
        }

        using var process = Process.Start(start)!;
        var text = process.StandardOutput.ReadToEnd();
        process.WaitForExit();
        Assert.Equal(0, process.ExitCode);
        return text;
    }
}
