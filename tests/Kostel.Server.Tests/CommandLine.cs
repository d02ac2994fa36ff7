using System.Diagnostics;

namespace Kostel.Server.Tests;

/// <summary>The command line as a process of its own.</summary>
internal static class CommandLine
{
    public static (int Exit, string Output, string Errors) Run(params string[] arguments) => RunWith(ServerProcess.Models, arguments);

    /// <summary>With a folder of models.</summary>
    public static (int Exit, string Output, string Errors) RunWith(string models, params string[] arguments)
    {
        var start = new ProcessStartInfo("dotnet")
        {
            RedirectStandardOutput = true,
            RedirectStandardError = true,
            Environment = { ["KOSTEL_MODELS"] = models, ["KOSTEL_MODEL_LOCK"] = Path.Combine(ServerProcess.Root, "models/models.lock.json") },
        };
        foreach (var argument in arguments.Prepend(Path.Combine(AppContext.BaseDirectory, "Kostel.Cli.dll")))
        {
            start.ArgumentList.Add(argument);
        }

        using var process = Process.Start(start)!;
        var errors = process.StandardError.ReadToEndAsync();
        var output = process.StandardOutput.ReadToEnd();
        process.WaitForExit();
        return (process.ExitCode, output, errors.Result);
    }
}
