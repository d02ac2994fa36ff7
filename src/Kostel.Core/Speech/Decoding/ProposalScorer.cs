namespace Kostel.Core.Speech.Decoding;

/// <summary>A text that may follow a beginning.</summary>
/// <param name="Before">The last token before it, not yet appended to <paramref name="Beginning"/>.</param>
/// <param name="AtLeast">A log-probability; less than that is of no interest.</param>
public sealed record Proposal(int Beginning, int Before, IReadOnlyList<int> Tokens, double AtLeast);

/// <summary>
/// Asks a model how likely many texts are at once: a prefix tree over tokens, walked level by level. What texts have in common
/// is computed once, and a branch is left as soon as all on it have become too unlikely.
/// </summary>
public static class ProposalScorer
{
    /// <summary>Rows of scores that are held at once.</summary>
    private const int RowsAtOnce = 32;

    /// <summary>The log-probability of each proposal; null where it is below what was asked for.</summary>
    public static IReadOnlyList<double?> Score(ITokenModel model, IReadOnlyList<Proposal> proposals)
    {
        var branches = proposals.Select(p => new Branch(p.Beginning, p.Before, 0, p.AtLeast)).ToArray();
        for (var at = 0; ; at++)
        {
            var level = Enumerable.Range(0, branches.Length)
                .Where(i => branches[i].IsLikely && at < proposals[i].Tokens.Count)
                .GroupBy(i => new Extension(branches[i].Beginning, branches[i].Before));
            var any = false;
            foreach (var nodes in level.Chunk(RowsAtOnce))
            {
                any = true;
                var first = model.Next;
                model.Extend(nodes.Select(n => n.Key).ToArray());
                for (var row = 0; row < nodes.Length; row++)
                {
                    var scores = model.Scores(row);
                    var total = BeamSearch.LogTotal(scores);
                    foreach (var i in nodes[row])
                    {
                        var token = proposals[i].Tokens[at];
                        branches[i] = branches[i] with { Beginning = first + row, Before = token, LogProbability = branches[i].LogProbability + scores[token] - total };
                    }
                }
            }

            if (!any)
            {
                return branches.Select(b => b.IsLikely ? b.LogProbability : (double?)null).ToList();
            }
        }
    }

    private readonly record struct Branch(int Beginning, int Before, double LogProbability, double AtLeast)
    {
        public bool IsLikely => LogProbability >= AtLeast;
    }
}
