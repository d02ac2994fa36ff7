namespace Kostel.Core.Text;

/// <summary>How long a pattern may be compared with what people bring in.</summary>
public static class PatternTime
{
    /// <summary>
    /// Milliseconds, by the clock and not by work: on a computer that is busy with something else a second can pass between two letters, and a text would be refused for nothing.
    /// A pattern that has lost its way is still ended.
    /// </summary>
    public const int Most = 30_000;
}
