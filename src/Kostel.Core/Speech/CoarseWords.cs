namespace Kostel.Core.Speech;

/// <summary>
/// Words that hardly any lecture holds, but that a network which learned from everyday speech hears in harmless ones ("fog").
/// They are written when they are as good as certain.
/// </summary>
public static class CoarseWords
{
    /// <summary>In lower case.</summary>
    public static IReadOnlyList<string> All { get; } = ["fuck", "shit", "cunt"];

    /// <summary>For each word the token that makes it, with the one before.</summary>
    /// <param name="encode">A word's tokens; one that is a single token or more than two is left out.</param>
    public static IReadOnlySet<(int Before, int Token)> Pairs(Func<string, IReadOnlyList<int>> encode) =>
        All.Select(encode).Where(t => t.Count == 2).Select(t => (t[0], t[1])).ToHashSet();
}
