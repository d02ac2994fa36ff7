namespace Kostel.Core.Listening;

/// <summary>Something that could be listened to.</summary>
/// <param name="Value">How much it carries; to be compared with the others alone.</param>
/// <param name="TakesMs">How long it takes.</param>
public sealed record Candidate(double Value, int TakesMs);

/// <summary>Chooses what to listen to in the time one has.</summary>
public static class PlanProposal
{
    /// <summary>Times are counted in steps of this, or coarser where there is very much time.</summary>
    private const int StepMs = 1_000, MostSteps = 8_000;

    /// <summary>The places, in order, of the candidates that together carry most in the time; none where not even one fits.</summary>
    /// <remarks>The 0/1 knapsack by dynamic programming.</remarks>
    public static IReadOnlyList<int> Choose(IReadOnlyList<Candidate> candidates, int budgetMs)
    {
        var step = Math.Max(StepMs, (int)Math.Ceiling(budgetMs / (double)MostSteps));
        var room = budgetMs / step;
        if (room <= 0 || candidates.Count == 0)
        {
            return [];
        }

        var best = new double[candidates.Count + 1, room + 1];
        for (var i = 1; i <= candidates.Count; i++)
        {
            var (value, takes) = (candidates[i - 1].Value, Steps(candidates[i - 1]));
            for (var r = 0; r <= room; r++)
            {
                best[i, r] = Math.Max(best[i - 1, r], takes <= r ? best[i - 1, r - takes] + value : 0);
            }
        }

        var chosen = new List<int>();
        for (var (i, r) = (candidates.Count, room); i > 0; i--)
        {
            if (best[i, r] > best[i - 1, r])
            {
                chosen.Add(i - 1);
                r -= Steps(candidates[i - 1]);
            }
        }

        chosen.Reverse();
        return chosen;

        int Steps(Candidate c) => (int)Math.Ceiling(c.TakesMs / (double)step);
    }
}
