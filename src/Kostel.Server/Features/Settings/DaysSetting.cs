using System.Globalization;
using Kostel.Core.Review;
using Kostel.Data;

namespace Kostel.Server.Features.Settings;

/// <summary>When the person's days begin. Where they are is what this computer's clock says.</summary>
internal static class DaysSetting
{
    private const string Name = "day-begins";

    /// <summary>The person's days.</summary>
    public static async Task<StudyDays> Days(this KostelContext context, int personId, TimeProvider time, CancellationToken cancel) => new(
        time.LocalTimeZone,
        int.TryParse(await context.Setting(personId, Name, cancel), NumberStyles.None, CultureInfo.InvariantCulture, out var hour) && hour <= StudyDays.LatestHour
            ? hour
            : StudyDays.UsualHour);

    /// <summary>Keeps a choice at once.</summary>
    public static Task KeepDayBegins(this KostelContext context, int personId, int hour, CancellationToken cancel) =>
        context.KeepSetting(personId, Name, hour.ToString(CultureInfo.InvariantCulture), cancel);
}
