namespace Kostel.Core.Retrieval;

/// <summary>Ranks short texts by their words: BM25 with k1 = 1.2 and b = 0.75.</summary>
/// <remarks>
/// S. Robertson and H. Zaragoza, "The probabilistic relevance framework: BM25 and beyond", 2009. As in SQLite's FTS5, a word
/// that stands in more than half of the texts counts next to nothing rather than against a text.
/// </remarks>
public sealed class Bm25Index
{
    private const double K1 = 1.2, B = 0.75, LeastIdf = 1e-6;
    private readonly Dictionary<string, List<(int Document, int Count)>> postings = [];
    private readonly int[] lengths;
    private readonly double meanLength;

    /// <summary>Indexes texts, each given by its terms.</summary>
    public Bm25Index(IReadOnlyList<IReadOnlyList<string>> documents)
    {
        lengths = documents.Select(d => d.Count).ToArray();
        meanLength = lengths.Length == 0 ? 1 : Math.Max(1e-9, lengths.Average());
        for (var d = 0; d < documents.Count; d++)
        {
            foreach (var group in documents[d].GroupBy(t => t))
            {
                if (!postings.TryGetValue(group.Key, out var list))
                {
                    postings[group.Key] = list = [];
                }

                list.Add((d, group.Count()));
            }
        }
    }

    /// <summary>In how many texts a term stands.</summary>
    public int DocumentsWith(string term) => postings.TryGetValue(term, out var list) ? list.Count : 0;

    /// <summary>The weight of a term: the fewer texts have it, the more.</summary>
    public double Idf(string term)
    {
        var with = DocumentsWith(term);
        return Math.Max(LeastIdf, Math.Log((lengths.Length - with + 0.5) / (with + 0.5)));
    }

    /// <summary>A score for each text, 0 where no term of the query stands.</summary>
    public double[] Scores(IEnumerable<string> query)
    {
        var scores = new double[lengths.Length];
        foreach (var term in query.Distinct())
        {
            if (!postings.TryGetValue(term, out var list))
            {
                continue;
            }

            var idf = Idf(term);
            foreach (var (document, count) in list)
            {
                scores[document] += idf * count * (K1 + 1) / (count + (K1 * (1 - B + (B * lengths[document] / meanLength))));
            }
        }

        return scores;
    }
}
