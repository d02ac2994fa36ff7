using Kostel.Server.Automation;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Kostel.Server.Features.Settings;

/// <summary>What happens without anybody at the screen. It is shown here, and changed only in its file.</summary>
/// <param name="File">Where that is.</param>
/// <param name="Afterwards">The program that is run after a lecture, with its arguments; empty for none.</param>
/// <param name="Downloader">The program for pages that do not say where their recording is; empty for none.</param>
/// <param name="Problem">What is wrong with the file or a folder in it.</param>
public sealed record AutomationView(string File, IReadOnlyList<WatchedFolder> Watch, string? Out, string Afterwards, string Downloader, string? Problem);

internal static class AutomationEndpoints
{
    public static void MapAutomation(this IEndpointRouteBuilder app) => app.MapGet("/api/automation", Get).WithName("getAutomation");

    private static Ok<AutomationView> Get(AutomationFile file, WatchedFolders watched)
    {
        var (settings, problem) = file.Read();
        return TypedResults.Ok(new AutomationView(
            file.Path, settings.Watch ?? [], settings.Out, string.Join(' ', settings.Afterwards ?? []), string.Join(' ', settings.Downloader ?? []), problem ?? watched.Problem));
    }
}
