using System.CommandLine;
using Kostel.Cli;
using Kostel.Core.Problems;
using Kostel.Data.Backup;
using Kostel.Media;
using Kostel.Speech;
using Microsoft.Data.Sqlite;

var root = new RootCommand("Kostel: from lectures to recall.") { TranscribeCommand.Create(), ConvertCommand.Create(), AddCommand.Create(), RecordCommand.Create(), ModelsCommand.Create(), ChaptersCommand.Create(), AskCommand.Create() };
foreach (var command in LibraryCommands.Create())
{
    root.Add(command);
}

foreach (var command in StudyCommands.Create())
{
    root.Add(command);
}

try
{
    var parsed = root.Parse(args);
    if (parsed.Errors.Count > 0)
    {
        foreach (var error in parsed.Errors)
        {
            await Console.Error.WriteLineAsync(error.Message);
        }

        return 2;
    }

    // A recording is stopped by Ctrl-C and brought in after that.
    var configuration = new InvocationConfiguration { EnableDefaultExceptionHandler = false };
    configuration.ProcessTerminationTimeout = parsed.CommandResult.Command.Name == "record" ? null : configuration.ProcessTerminationTimeout;
    return await parsed.InvokeAsync(configuration);
}
catch (Exception e) when (e is MediaProblemException or ModelProblemException or BackupProblemException or NotValidException or FormatException or IOException or HttpRequestException or UnauthorizedAccessException)
{
    await Console.Error.WriteLineAsync(e.Message);
    return 1;
}
catch (SqliteException e)
{
    await Console.Error.WriteLineAsync($"The library's database cannot be read: {e.Message}");
    return 1;
}
catch (OperationCanceledException)
{
    await Console.Error.WriteLineAsync("Stopped.");
    return 130;
}
