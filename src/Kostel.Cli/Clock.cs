namespace Kostel.Cli;

/// <summary>Times as people read them.</summary>
internal static class Clock
{
    /// <summary><c>m:ss</c> or <c>h:mm:ss</c>.</summary>
    public static string Of(int ms) => ms >= 3_600_000
        ? $"{ms / 3_600_000}:{ms / 60_000 % 60:00}:{ms / 1000 % 60:00}"
        : $"{ms / 60_000}:{ms / 1000 % 60:00}";
}
