using System.Diagnostics;

namespace Kostel.Core.Tests;

/// <summary>Runs the Node scripts in tests/reference, which say what other programs make of the same input.</summary>
internal static class Reference
{
    public static string Root { get; } = FindRoot();

    public static string Run(string script, string? input, params string[] arguments)
    {
        var start = new ProcessStartInfo("node") { RedirectStandardOutput = true, RedirectStandardInput = true, UseShellExecute = false };
        start.ArgumentList.Add(Path.Combine(Root, "tests", "reference", script));
        foreach (var argument in arguments)
        {
            start.ArgumentList.Add(argument);
        }

        using var process = Process.Start(start)!;
        var output = process.StandardOutput.ReadToEndAsync();
        process.StandardInput.Write(input);
        process.StandardInput.Close();
        process.WaitForExit();
        Assert.Equal(0, process.ExitCode);
        return output.Result;
    }

    public static string[] Lines(string script, params string[] arguments) =>
        Run(script, null, arguments).Split('\n', StringSplitOptions.RemoveEmptyEntries);

    private static string FindRoot()
    {
        var folder = AppContext.BaseDirectory;
        while (!File.Exists(Path.Combine(folder, "Kostel.slnx")))
        {
            folder = Path.GetDirectoryName(folder)!;
        }

        return folder;
    }
}
