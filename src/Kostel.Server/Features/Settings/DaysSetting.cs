using System.Globalization;
using Kostel.Core.Review;
using Kostel.Data;

namespace Kostel.Server.Features.Settings;

/// <summary>When the person's days begin. Where they are is what this computer's clock says.</summary>
internal static class DaysSetting
{
    private const string Name = "day-begins";

    /// <summary>The person's days.</summary>
    public static async Task<StudyDays> Days(this KostelContext context, TimeProvider time, CancellationToken cancel) => new(
        time.LocalTimeZone,
        int.TryParse(await context.Setting(Name, cancel), NumberStyles.None, CultureInfo.InvariantCulture, out var hour) && hour <= StudyDays.LatestHour
            ? hour
            : StudyDays.UsualHour);

    /// <summary>Keeps a choice at once.</summary>
    public static Task KeepDayBegins(this KostelContext context, int hour, CancellationToken cancel) =>
        context.KeepSetting(Name, hour.ToString(CultureInfo.InvariantCulture), cancel);
}
