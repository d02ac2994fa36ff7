using System.CommandLine;
using Kostel.Data.Backup;
using Kostel.Data.Folder;

namespace Kostel.Cli;

/// <summary><c>backup FILE</c>, <c>restore FILE</c> and <c>open</c>: what concerns a library as a whole.</summary>
internal static class LibraryCommands
{
    private static readonly string Usual = Path.Combine(Environment.GetFolderPath(Environment.SpecialFolder.LocalApplicationData), "kostel");

    public static IEnumerable<Command> Create()
    {
        yield return Backup();
        yield return Restore();
        yield return Open();
    }

    /// <summary>Which library is meant.</summary>
    internal static Option<DirectoryInfo> Folder() => new("--data") { Description = "The library's folder; your own without.", DefaultValueFactory = _ => new DirectoryInfo(Usual) };

    private static Command Backup()
    {
        var file = new Argument<FileInfo>("FILE") { Description = "The archive (ZIP) to write." };
        var data = Folder();
        var without = new Option<bool>("--without-recordings") { Description = "Name the recordings without taking them in: a small archive of all the text." };
        var command = new Command("backup", "Writes the library into one archive, also while Kostel is open.") { file, data, without };
        command.SetAction(async (parsed, cancel) =>
        {
            var progress = new Progress<double>(share => Console.Error.Write($"\rWriting {share:P0}   "));
            var path = parsed.GetRequiredValue(file).FullName;
            OwnerOnly.FromNowOn();
            var made = await LibraryBackup.WriteFile(parsed.GetValue(data)!.FullName, path, !parsed.GetValue(without), DateTime.UtcNow, progress, cancel);
            await Console.Error.WriteLineAsync();
            await Console.Out.WriteLineAsync($"{made.Lectures} lectures in {path} ({new FileInfo(path).Length / 1e6:0.0} MB). Bring them back with ./kostel restore.");
        });
        return command;
    }

    private static Command Restore()
    {
        var file = new Argument<FileInfo>("FILE") { Description = "An archive that ./kostel backup wrote." };
        var data = Folder();
        var command = new Command("restore", "Brings a backup back into an empty or new folder, after every byte was checked.") { file, data };
        command.SetAction(async (parsed, cancel) =>
        {
            var folder = parsed.GetValue(data)!.FullName;
            OwnerOnly.FromNowOn();
            var done = await LibraryRestore.Read(parsed.GetRequiredValue(file).FullName, folder, cancel);
            await Console.Out.WriteLineAsync($"{done.Lectures} lectures of {done.MadeAt.ToLocalTime():yyyy-MM-dd HH:mm} are in {folder}. Every byte is as it was written.");
            if (done.WithoutRecording > 0)
            {
                await Console.Out.WriteLineAsync($"{done.WithoutRecording} recordings were not taken into this backup: their text is there, their sound is not.");
            }
        });
        return command;
    }

    private static Command Open()
    {
        var data = Folder();
        var command = new Command("open", "Prints the address that opens Kostel, with a new key that works once.") { data };
        command.SetAction(async (parsed, _) =>
        {
            var folder = parsed.GetValue(data)!.FullName;
            if (Opened.Read(folder) is not { } opened || !LibraryLock.IsHeld(folder))
            {
                throw new IOException($"Kostel is not open on {folder}. Open it with ./kostel start or ./kostel demo.");
            }

            await Console.Out.WriteLineAsync($"Kostel is open at {opened.Address}/?key={DoorKey.Open(Path.Combine(folder, "keys"), opened.Run).NewKey()}");
        });
        return command;
    }
}
