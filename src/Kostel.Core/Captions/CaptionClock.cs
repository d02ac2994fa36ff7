using System.Globalization;
using System.Text.RegularExpressions;
using Kostel.Core.Text;

namespace Kostel.Core.Captions;

/// <summary>Times as caption files write them.</summary>
public static partial class CaptionClock
{
    private const int MostHours = 99;

    /// <summary><c>hh:mm:ss,mmm</c> with the decimal sign of the format.</summary>
    public static string Write(int ms, char point) => $"{ms / 3_600_000:00}:{ms / 60_000 % 60:00}:{ms / 1000 % 60:00}{point}{ms % 1000:000}";

    /// <summary><c>m:ss</c> or <c>h:mm:ss</c>, for people.</summary>
    public static string Short(int ms) => ms >= 3_600_000
        ? $"{ms / 3_600_000}:{ms / 60_000 % 60:00}:{ms / 1000 % 60:00}"
        : $"{ms / 60_000}:{ms / 1000 % 60:00}";

    /// <summary>Whether a line is meant to say when a caption is shown, even if it cannot be read.</summary>
    public static bool IsTiming(string line) => line.Contains("-->", StringComparison.Ordinal) || ReadSpan(line) is not null;

    /// <summary>The two times of a line with an arrow, in milliseconds; null if it has none that can be read. Hours may be missing, a comma may be a point.</summary>
    public static (int StartMs, int EndMs)? ReadSpan(string line)
    {
        var match = Span().Match(line);
        return match.Success && Read(match.Groups["a"].Value) is { } start && Read(match.Groups["b"].Value) is { } end ? (start, end) : null;
    }

    /// <summary>One time, in milliseconds; null if it is none. Takes <c>m:ss</c>, <c>h:mm:ss</c>, with or without a fraction.</summary>
    public static int? Read(string text)
    {
        var match = Time().Match(text.Trim());
        if (!match.Success)
        {
            return null;
        }

        int Number(string name) => match.Groups[name].Success ? int.Parse(match.Groups[name].Value, CultureInfo.InvariantCulture) : 0;
        var fraction = match.Groups["f"].Success ? int.Parse(match.Groups["f"].Value.PadRight(3, '0')[..3], CultureInfo.InvariantCulture) : 0;
        var (hours, minutes, seconds) = (Number("h"), Number("m"), Number("s"));
        return hours <= MostHours && minutes < (match.Groups["h"].Success ? 60 : 100) && seconds < 60 ? (((hours * 60) + minutes) * 60 + seconds) * 1000 + fraction : null;
    }

    [GeneratedRegex(@"^\s*(?<a>[\d:.,]+)\s*-{1,2}>\s*(?<b>[\d:.,]+)", RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex Span();

    [GeneratedRegex(@"^(?:(?<h>[0-9]{1,3}):)?(?<m>[0-9]{1,2}):(?<s>[0-9]{1,2})(?:[.,](?<f>[0-9]{1,9}))?$", RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex Time();
}
