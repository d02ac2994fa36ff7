using System.CommandLine;
using Kostel.Cli;
using Kostel.Media;
using Kostel.Speech;

var root = new RootCommand("Kostel: from lectures to recall.") { TranscribeCommand.Create(), ConvertCommand.Create() };
foreach (var command in StudyCommands.Create())
{
    root.Add(command);
}

try
{
    return await root.Parse(args).InvokeAsync(new InvocationConfiguration { EnableDefaultExceptionHandler = false });
}
catch (Exception e) when (e is MediaProblemException or ModelProblemException or FormatException or IOException or UnauthorizedAccessException)
{
    await Console.Error.WriteLineAsync(e.Message);
    return 1;
}
catch (OperationCanceledException)
{
    await Console.Error.WriteLineAsync("Stopped.");
    return 130;
}
