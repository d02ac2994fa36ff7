using Kostel.Core.Speech;
using Kostel.Core.Speech.Decoding;

namespace Kostel.Core.Tests.Speech.Decoding;

public class BeamSearchTests
{
    private const int A = 3, B = 4, C = 5, Other = 7, End = SearchOptions.EndToken;

    [Fact]
    public void One_beginning_takes_the_best_token_at_every_step_even_where_that_leads_astray() =>
        Assert.Equal([A, C], Find(new Tree(Trap), 1));

    [Fact]
    public void Several_beginnings_find_the_text_that_is_likelier_as_a_whole() =>
        Assert.Equal([B, C], Find(new Tree(Trap), 4));

    [Fact]
    public void A_text_that_never_ends_is_cut_at_the_limit() =>
        Assert.Equal(7, Find(new Tree(_ => Scores((A, 0.5), (B, 0.3))), 3, 7).Count);

    [Fact]
    public void Saying_the_same_again_and_again_is_heard_once() =>
        Assert.Equal([A, B], Find(new Tree(text => text.Count % 2 == 0 ? Scores((A, 0.99)) : Scores((B, 0.99))), 1, 100));

    [Fact]
    public void Silence_ends_at_once() => Assert.Empty(Find(new Tree(_ => Scores((End, 0.9))), 4));

    [Fact]
    public void A_wide_search_does_not_fall_silent_where_every_text_is_unlikely() =>
        Assert.Equal(Mumble, Find(new Tree(Mumbled), 4));

    [Fact]
    public void Every_token_carries_its_probability_and_what_came_before()
    {
        var model = new Tree(Trap);
        var found = BeamSearch.Find(model, new SearchOptions(4), 10, TestContext.Current.CancellationToken);
        Assert.Equal(0.4, found.Probabilities[0], 0.01);
        Assert.Equal(0.95, found.Probabilities[1], 0.01);
        Assert.Equal([B], model.Text(found.Beginnings[1]));
    }

    [Fact]
    public void Watched_tokens_are_noted_at_every_place_whether_chosen_or_not()
    {
        var model = new Tree(Trap);
        var search = new BeamSearch(new SearchOptions(1), 10, [B, A]);
        while (!search.IsOver)
        {
            search.Take(model, model.Extend(search.Wanted.ToArray()));
        }

        Assert.Equal([A, C], search.Best.Tokens);
        Assert.Equal(2, search.Best.Watched!.Count);
        Assert.Equal(Math.Log(0.4), search.Best.Watched[0][0], 0.02);
        Assert.Equal(Math.Log(search.Best.Probabilities[0]), search.Best.Watched[0][1], 0.001);
    }

    [Theory]
    [InlineData(0.9, C)]
    [InlineData(0.995, B)]
    public void A_reluctant_token_is_taken_only_when_it_is_as_good_as_certain(double chance, int taken)
    {
        var model = new Tree(text => text.Count switch
        {
            0 => Scores((A, 0.95)),
            1 => Scores((B, chance), (C, 0.9 * (1 - chance))),
            _ => Scores((End, 0.95)),
        });
        var search = new BeamSearch(new SearchOptions(1), 10, reluctant: new HashSet<(int, int)> { (A, B) });
        while (!search.IsOver)
        {
            search.Take(model, model.Extend(search.Wanted.ToArray()));
        }

        Assert.Equal([A, taken], search.Best.Tokens);
        Assert.Equal(taken == B ? chance : 0.9 * (1 - chance), search.Best.Probabilities[1], 0.01);
    }

    [Fact]
    public void A_coarse_word_is_known_by_its_last_two_tokens() =>
        Assert.Equal([(1, 4)], CoarseWords.Pairs(word => word[0] == 'f' ? [1, word.Length] : [1]));

    [Fact]
    public void Without_watched_tokens_nothing_is_noted() =>
        Assert.Null(BeamSearch.Find(new Tree(Trap), new SearchOptions(4), 10, TestContext.Current.CancellationToken).Watched);

    [Fact]
    public void A_given_text_is_scored_as_it_would_be_found()
    {
        var model = new Tree(Trap);
        var scored = TextScorer.Score(model, -1, SearchOptions.StartToken, [B, C, End]);
        Assert.Equal(Math.Log(0.4 * 0.95 * 0.95), scored.Sum(s => s.LogProbability), 0.05);
    }

    private static readonly int[] Mumble = [A, B, A, C, B, C];

    private static IReadOnlyList<int> Find(Tree model, int width, int most = 10) =>
        BeamSearch.Find(model, new SearchOptions(width), most, TestContext.Current.CancellationToken).Tokens;

    /// <summary>A looks better than B, but what follows A is anybody's guess.</summary>
    private static float[] Trap(IReadOnlyList<int> text) => text switch
    {
        [] => Scores((A, 0.6), (B, 0.4)),
        [A] => Scores((C, 0.3), (B, 0.25), (A, 0.25)),
        [B] => Scores((C, 0.95)),
        _ => Scores((End, 0.95)),
    };

    /// <summary>Every word is a guess; that nothing was said is unlikelier than the first word, but likelier than all of them.</summary>
    private static float[] Mumbled(IReadOnlyList<int> text) => text.Count switch
    {
        0 => Scores((A, 0.4), (End, 0.25), (B, 0.2)),
        6 => Scores((End, 0.95)),
        _ => Scores((Mumble[text.Count], 0.4), (0, 0.25), (6, 0.2)),
    };

    private static float[] Scores(params (int Token, double Probability)[] likely)
    {
        var scores = Enumerable.Repeat(-12f, 8).ToArray();
        foreach (var (token, probability) in likely)
        {
            scores[token] = (float)Math.Log(probability);
        }

        scores[Other] = (float)Math.Log(1 - likely.Sum(l => l.Probability) + 1e-9);

        return scores;
    }

    /// <summary>An invented model: the scores depend on the text so far.</summary>
    private sealed class Tree(Func<IReadOnlyList<int>, float[]> next) : ITokenModel
    {
        private readonly List<IReadOnlyList<int>> texts = [];
        private readonly List<float[]> scores = [];

        public int Next => texts.Count;

        public int Extend(ReadOnlySpan<Extension> extensions)
        {
            var first = texts.Count;
            scores.Clear();
            foreach (var e in extensions)
            {
                texts.Add(e.Beginning < 0 ? [] : [.. texts[e.Beginning], e.Token]);
                scores.Add(next(texts[^1]));
            }

            return first;
        }

        public ReadOnlySpan<float> Scores(int row) => scores[row];

        public ReadOnlySpan<float> Attention(int beginning) => [1];

        public IReadOnlyList<int> Text(int beginning) => texts[beginning];
    }
}
