using Kostel.Core.Text;

namespace Kostel.Core.Chapters;

/// <summary>Where the words of a lecture are said, each by its rarity: what ends, begins and goes on at a place.</summary>
internal sealed class SaidWords
{
    /// <summary>So that a few words do not count as all.</summary>
    private const double Little = 0.5;

    private readonly Dictionary<string, double>[] said;
    private readonly Dictionary<string, List<int>> places = [];

    public SaidWords(IReadOnlyList<IReadOnlyList<string>> units, WordVectors vectors)
    {
        said = units.Select(t => t.Where(w => !StopWords.Contains(w)).GroupBy(Tokens.Stem).ToDictionary(g => g.Key, g => g.Max(vectors.WeightOf))).ToArray();
        for (var i = 0; i < said.Length; i++)
        {
            foreach (var stem in said[i].Keys)
            {
                (places.TryGetValue(stem, out var at) ? at : places[stem] = []).Add(i);
            }
        }
    }

    /// <summary>How much of what some units say was said between a place and the first of them.</summary>
    public double Share(int from, int to, int since)
    {
        double all = Little, there = 0;
        for (var i = from; i < Math.Min(to, said.Length); i++)
        {
            foreach (var (stem, weight) in said[i])
            {
                all += weight;
                there += Count(stem, since, from) > 0 ? weight : 0;
            }
        }

        return there / all;
    }

    /// <summary>What the two units at a place say that was not said within so many before, and is said again within as many.</summary>
    public double NewAndAgain(int at, int wide) => Math.Log(1 + Of(at, at + 2).Where(s => Count(s.Key, at - wide, at) == 0).Sum(s => s.Value * Count(s.Key, at + 2, at + 2 + wide)));

    /// <summary>Of what was said more than once in so many units before a place, how much is not said in as many behind it.</summary>
    public double Ended(int at, int wide)
    {
        double ended = 0, all = Little;
        foreach (var (stem, weight) in Of(at - wide, at))
        {
            if (Count(stem, at - wide, at) is > 1 and var times)
            {
                all += weight * times;
                ended += Count(stem, at, at + wide) > 0 ? 0 : weight * times;
            }
        }

        return ended / all;
    }

    /// <summary>What is said in so many units before a place and in as many behind it.</summary>
    public double Spanning(int at, int wide) => Math.Log(1 + Of(at - wide, at).Where(s => Count(s.Key, at, at + wide) > 0).Sum(s => s.Value));

    private IEnumerable<KeyValuePair<string, double>> Of(int from, int to) =>
        Enumerable.Range(Math.Max(0, from), Math.Max(0, Math.Min(to, said.Length) - Math.Max(0, from))).SelectMany(i => said[i]).DistinctBy(s => s.Key);

    /// <summary>In how many units from one to another (exclusive) a word is said.</summary>
    private int Count(string stem, int from, int to)
    {
        var at = places[stem];
        return FirstFrom(to) - FirstFrom(from);

        int FirstFrom(int unit) => at.BinarySearch(unit) is var i && i < 0 ? ~i : i;
    }
}
