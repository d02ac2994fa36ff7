using Kostel.Core.Speech.Decoding;

namespace Kostel.Core.Tests.Speech.Decoding;

public class ProposalScorerTests
{
    private const double Never = double.NegativeInfinity;

    [Fact]
    public void Each_proposal_gets_the_sum_of_its_tokens_log_probabilities() =>
        Assert.Equal(
            [Math.Log(0.5 * 0.25), Math.Log(0.25)],
            ProposalScorer.Score(new Counting(), [new(-1, 1, [0, 1], Never), new(-1, 1, [1], Never)]).Select(s => Math.Round(s!.Value, 5)).ToArray(),
            (a, b) => Math.Abs(a - b) < 1e-4);

    [Fact]
    public void What_proposals_have_in_common_is_computed_once()
    {
        var model = new Counting();
        ProposalScorer.Score(model, [new(-1, 1, [0, 1, 2], Never), new(-1, 1, [0, 1, 3], Never), new(-1, 1, [0, 2, 3], Never)]);

        // The beginning; after 0; after 0 1 and after 0 2.
        Assert.Equal(4, model.Next);
    }

    [Fact]
    public void A_branch_is_left_as_soon_as_it_is_too_unlikely()
    {
        var model = new Counting();
        var scores = ProposalScorer.Score(model, [new(-1, 1, [3, 0, 0, 0, 0], Math.Log(0.2)), new(-1, 1, [0], Math.Log(0.2))]);
        Assert.Null(scores[0]);
        Assert.NotNull(scores[1]);
        Assert.Equal(1, model.Next);
    }

    [Fact]
    public void More_branches_than_are_held_at_once_are_all_scored()
    {
        var proposals = Enumerable.Range(0, 100).Select(i => new Proposal(-1, i, [0, i % 4], Never)).ToList();
        Assert.All(ProposalScorer.Score(new Counting(), proposals), s => Assert.NotNull(s));
    }

    [Fact]
    public void No_proposals_ask_nothing() => Assert.Empty(ProposalScorer.Score(new Counting(), []));

    /// <summary>Four tokens, of probability a half, a quarter, and twice an eighth, whatever came before.</summary>
    private sealed class Counting : ITokenModel
    {
        private static readonly float[] Logits = [0, -MathF.Log(2), -2 * MathF.Log(2), -2 * MathF.Log(2)];

        public int Next { get; private set; }

        public int Extend(ReadOnlySpan<Extension> extensions) => (Next += extensions.Length) - extensions.Length;

        public ReadOnlySpan<float> Scores(int row) => Logits;

        public ReadOnlySpan<float> Attention(int beginning) => [];
    }
}
