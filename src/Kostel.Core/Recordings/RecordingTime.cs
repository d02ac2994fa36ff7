using System.Globalization;
using System.Text.RegularExpressions;
using Kostel.Core.Problems;

namespace Kostel.Core.Recordings;

/// <summary>How long a recording is to be: "50m", "1h30m", "90s", "2h".</summary>
public static partial class RecordingTime
{
    /// <summary>Reads it.</summary>
    /// <exception cref="NotValidException">It is no time, none at all, or longer than a recording may be.</exception>
    public static TimeSpan Parse(string text)
    {
        var found = Form().Match(text);
        var time = TimeSpan.FromHours(Number(found, "h")) + TimeSpan.FromMinutes(Number(found, "m")) + TimeSpan.FromSeconds(Number(found, "s"));
        return !found.Success || time <= TimeSpan.Zero ? throw new NotValidException("A time is written like 50m, 1h30m or 90s.")
            : time > TimeSpan.FromHours(RecordedPiece.MostHours) ? throw new NotValidException($"A recording has at most {RecordedPiece.MostHours} hours.")
            : time;
    }

    private static double Number(Match found, string group) => found.Groups[group] is { Success: true } part ? double.Parse(part.Value, CultureInfo.InvariantCulture) : 0;

    [GeneratedRegex(@"^(?:(?<h>\d{1,3})h)?(?:(?<m>\d{1,4})m)?(?:(?<s>\d{1,6}(?:\.\d{1,3})?)s)?$")]
    private static partial Regex Form();
}
