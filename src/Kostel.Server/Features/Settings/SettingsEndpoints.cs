using Kostel.Core.Review;
using Kostel.Data;
using Kostel.Server.Http;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Kostel.Server.Features.Settings;

/// <summary>What a person chose.</summary>
/// <param name="DayBeginsAtHour">From 0 to 8.</param>
/// <param name="AsksForKey">Whether Kostel answers only to who has the library's key.</param>
/// <param name="Zone">Where this computer's clock is.</param>
/// <param name="OnlyForReading">Why the library is open for reading only; null if it is not.</param>
public sealed record SettingsView(int DayBeginsAtHour, bool AsksForKey, string Zone, string? OnlyForReading);

/// <summary>A change; what is null stays.</summary>
public sealed record SettingsChange(int? DayBeginsAtHour = null, bool? AsksForKey = null);

internal static class SettingsEndpoints
{
    public static void MapSettings(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/settings", Get).WithName("getSettings");
        app.MapPut("/api/settings", Change).WithName("changeSettings");
    }

    private static async Task<Ok<SettingsView>> Get(KostelContext context, Asker asker, DoorSetting door, LibraryFolder library, TimeProvider time, CancellationToken cancel)
    {
        var days = await context.Days(asker.PersonId, time, cancel);
        return TypedResults.Ok(new SettingsView(days.BeginsAtHour, door.AsksForKey, days.Zone.DisplayName, library.OnlyForReading));
    }

    private static async Task<Ok<SettingsView>> Change(
        SettingsChange change, KostelContext context, Asker asker, DoorSetting door, LibraryFolder library, TimeProvider time, CancellationToken cancel)
    {
        if (change.DayBeginsAtHour is { } hour)
        {
            await context.KeepDayBegins(asker.PersonId, StudyDays.BeginningAt(hour), cancel);
        }

        if (change.AsksForKey is { } asks)
        {
            await door.Keep(context, asks, cancel);
        }

        return await Get(context, asker, door, library, time, cancel);
    }
}
