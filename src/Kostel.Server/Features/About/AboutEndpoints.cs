using Kostel.Data;
using Kostel.Speech;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.About;

/// <summary>A model that Kostel uses, and its licence.</summary>
public sealed record ModelView(string Purpose, string Package, string Version, long Bytes, string Licence, string LicenceText);

/// <summary>What the program says of itself.</summary>
/// <param name="IsFirstVisit">Nobody has yet said that they know the way.</param>
public sealed record AboutView(IReadOnlyList<ModelView> Models, string DataFolder, bool IsDemo, bool IsFirstVisit);

internal static class AboutEndpoints
{
    private const string KnowsTheWay = "knows-the-way";

    public static void MapAbout(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/about", Get).WithName("getAbout");
        app.MapPost("/api/about/first-visit-done", Done).WithName("finishFirstVisit");
    }

    private static async Task<Ok<AboutView>> Get(KostelContext context, ModelFolder models, ServerSettings settings, CancellationToken cancel) =>
        TypedResults.Ok(new AboutView(
            models.Pinned.Select(m => new ModelView(m.Purpose, m.Package, m.Version, m.Bytes, m.Licence, m.LicenceText)).ToList(),
            settings.DataFolder,
            settings.DemoFolder is not null,
            !await context.Settings.AnyAsync(s => s.Name == KnowsTheWay, cancel)));

    /// <summary>Saved even when the page is left at once.</summary>
    private static async Task<NoContent> Done(KostelContext context)
    {
        await context.KeepSetting(KnowsTheWay, "yes", CancellationToken.None);
        return TypedResults.NoContent();
    }
}
