namespace Kostel.Core.Speech;

/// <summary>Notices that a recogniser has fallen into a loop: the known failure of autoregressive decoding on sound it cannot read.</summary>
public static class LoopGuard
{
    /// <summary>
    /// The number of leading tokens worth keeping: all, or, when the end repeats a group of up to
    /// <paramref name="longest"/> tokens at least <paramref name="times"/> times, those up to the end of its first occurrence.
    /// </summary>
    public static int Keep(IReadOnlyList<int> tokens, int longest = 12, int times = 4)
    {
        for (var period = 1; period <= longest; period++)
        {
            var needed = period <= 2 ? times + 2 : times;
            if (tokens.Count < period * needed)
            {
                continue;
            }

            var run = 0;
            for (var i = tokens.Count - 1; i - period >= 0 && tokens[i] == tokens[i - period]; i--)
            {
                run++;
            }

            if (run >= period * (needed - 1))
            {
                return tokens.Count - run;
            }
        }

        return tokens.Count;
    }
}
