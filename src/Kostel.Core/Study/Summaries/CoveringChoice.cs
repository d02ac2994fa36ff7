namespace Kostel.Core.Study.Summaries;

/// <summary>Something that can be chosen.</summary>
/// <param name="Cost">What it takes of the room there is: words.</param>
/// <param name="Worth">How much it says, from 0 to 1.</param>
/// <param name="Part">The part of the whole that it belongs to: a chapter.</param>
/// <param name="Words">What it speaks of, each with its weight.</param>
internal sealed record Choosable(int Cost, double Worth, int Part, IReadOnlyDictionary<string, double> Words);

/// <summary>
/// Chooses what covers most within the room there is. What is chosen already makes the like of it worth less: in the same part, and about the same words
/// (a monotone submodular function, maximised greedily by gain and cost; H. Lin and J. Bilmes, "A class of submodular functions for document summarization", 2011).
/// </summary>
internal static class CoveringChoice
{
    /// <summary>How much a cost counts against a gain, and of a single one, which has all the room; how soon a part is covered, and what covering words is worth beside what a sentence says (judgements, on half of the texts of the benchmark).</summary>
    private const double CostPower = 1, CostOfOne = 0.25, PartPower = 0.75, CoverWords = 0.25;

    /// <summary>The places of those that are chosen, in their order.</summary>
    /// <param name="all">What there is.</param>
    /// <param name="room">What they may cost together.</param>
    /// <param name="most">How many at most.</param>
    /// <param name="isFirst">Which are taken before all others, by the same measure among them; null for none.</param>
    public static List<int> Of(IReadOnlyList<Choosable> all, int room, int most = int.MaxValue, Func<int, bool>? isFirst = null)
    {
        var chosen = new List<int>();
        var left = Enumerable.Range(0, all.Count).ToHashSet();
        var (inPart, covered) = (new Dictionary<int, double>(), new Dictionary<string, double>());
        while (left.Count > 0 && chosen.Count < most)
        {
            var fitting = left.Where(i => all[i].Cost <= room).ToList();
            if (fitting.Count == 0)
            {
                break;
            }

            if (isFirst is not null && fitting.FindAll(i => isFirst(i)) is { Count: > 0 } first)
            {
                fitting = first;
            }

            var best = fitting.MaxBy(i => Gain(all[i]) / Math.Pow(Math.Max(1, all[i].Cost), most == 1 ? CostOfOne : CostPower));
            if (Gain(all[best]) <= 0)
            {
                break;
            }

            chosen.Add(best);
            left.Remove(best);
            room -= all[best].Cost;
            inPart[all[best].Part] = inPart.GetValueOrDefault(all[best].Part) + all[best].Worth;
            foreach (var (word, weight) in all[best].Words)
            {
                covered[word] = covered.GetValueOrDefault(word) + weight;
            }
        }

        chosen.Sort();
        return chosen;

        double Gain(Choosable one)
        {
            var part = inPart.GetValueOrDefault(one.Part);
            var words = one.Words.Sum(w => Math.Sqrt(covered.GetValueOrDefault(w.Key) + w.Value) - Math.Sqrt(covered.GetValueOrDefault(w.Key)));
            // In proportion to its worth, so that a chatty sentence with rare words is not chosen for these.
            return one.Worth * (Math.Pow(part + one.Worth, PartPower) - Math.Pow(part, PartPower) + (CoverWords * words));
        }
    }
}
