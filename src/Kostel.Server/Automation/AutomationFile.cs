using System.Text.Json;
using Kostel.Data;

namespace Kostel.Server.Automation;

/// <summary>A folder whose recordings come in by themselves.</summary>
/// <param name="Course">Where they go; null for no course.</param>
public sealed record WatchedFolder(string Folder, string? Course = null);

/// <summary>
/// What happens without anybody at the screen, as a person wrote it in <c>automation.json</c> in the library's folder. It can only be changed
/// there: whoever could only reach the page could else make this computer run programs.
/// </summary>
/// <param name="Watch">Folders that are watched.</param>
/// <param name="Out">Where each finished lecture's text and what was made of it go; null for nowhere.</param>
/// <param name="Afterwards">A program with its arguments that is run then, with the files as further arguments; never through a shell.</param>
/// <param name="Downloader">A program with its arguments for pages that do not say where their recording is: <c>{address}</c> stands for the page, <c>{file}</c> for where the recording must go.</param>
public sealed record AutomationSettings(
    IReadOnlyList<WatchedFolder>? Watch = null, string? Out = null, IReadOnlyList<string>? Afterwards = null, IReadOnlyList<string>? Downloader = null)
{
    /// <summary>Nothing.</summary>
    public static readonly AutomationSettings None = new();
}

/// <summary>Reads the file whenever it is needed: a change counts at once.</summary>
internal sealed class AutomationFile(LibraryFolder library)
{
    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web) { ReadCommentHandling = JsonCommentHandling.Skip, AllowTrailingCommas = true };

    /// <summary>Where it is.</summary>
    public string Path => System.IO.Path.Combine(library.Folder, "automation.json");

    /// <summary>What it says, and what is wrong with it; nothing where it is not there or cannot be read.</summary>
    public (AutomationSettings Settings, string? Problem) Read()
    {
        try
        {
            return File.Exists(Path) ? Check(JsonSerializer.Deserialize<AutomationSettings>(File.ReadAllText(Path), Options) ?? AutomationSettings.None) : (AutomationSettings.None, null);
        }
        catch (JsonException e)
        {
            return (AutomationSettings.None, $"automation.json cannot be read: line {e.LineNumber + 1}, column {e.BytePositionInLine + 1} is not JSON as it should be. Nothing of it is done.");
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            return (AutomationSettings.None, $"automation.json cannot be read: {e.Message}");
        }
    }

    private static (AutomationSettings Settings, string? Problem) Check(AutomationSettings said)
    {
        var relative = (said.Watch ?? []).Select(w => w.Folder).Append(said.Out).FirstOrDefault(f => f is not null && !System.IO.Path.IsPathRooted(f));
        return relative is not null ? (AutomationSettings.None, $"automation.json names the folder '{relative}', which is not a whole path. Nothing of it is done.")
            : said.Downloader is { Count: > 0 } d && !(d.Any(a => a.Contains("{address}", StringComparison.Ordinal)) && d.Any(a => a.Contains("{file}", StringComparison.Ordinal)))
                ? (said with { Downloader = null }, "The downloader in automation.json must have {address} and {file} among its arguments. It is not used.")
            : (said, null);
    }
}
