using Kostel.Core.Speech;

namespace Kostel.Core.Tests.Speech;

public class WordAlignerTests
{
    [Fact]
    public void Tokens_start_where_attention_moves_to_them()
    {
        int[] borders = [0, 12, 30, 44];
        var attention = borders.Select((b, i) => Row(60, b, i + 1 < borders.Length ? borders[i + 1] : 60)).ToList();
        var starts = WordAligner.TokenStarts(attention);
        Assert.All(starts.Zip(borders), p => Assert.InRange(Math.Abs(p.First - p.Second), 0, 1));
    }

    [Fact]
    public void Starts_never_run_backward_even_when_attention_does()
    {
        var random = new Random(4);
        var attention = Enumerable.Range(0, 20).Select(_ => Enumerable.Range(0, 50).Select(_ => random.NextSingle()).ToArray()).ToList();
        var starts = WordAligner.TokenStarts(attention);
        Assert.All(starts.Zip(starts.Skip(1)), p => Assert.True(p.First <= p.Second));
    }

    [Fact]
    public void Pieces_become_words_with_the_least_certain_piece_as_their_confidence()
    {
        TokenPiece[] pieces = [new("▁Sl", 0.9), new("ack", 0.4), new("▁water", 0.8), new(".", 0.1)];
        var words = WordAligner.Words(pieces, [0, 4, 10, 20], 24, 1_000);
        Assert.Equal(["Slack", "water."], words.Select(w => w.Text));
        Assert.Equal([0.4, 0.8], words.Select(w => w.Confidence));
        Assert.Equal((80, 320), (words[0].StartMs, words[0].EndMs));
    }

    [Fact]
    public void A_word_before_a_pause_does_not_last_through_it()
    {
        TokenPiece[] pieces = [new("▁Ebb", 0.9), new("▁tide", 0.9)];
        Assert.InRange(WordAligner.Words(pieces, [0, 200], 24, 6_000)[0].EndMs, 100, 700);
    }

    [Fact]
    public void No_tokens_give_no_starts() => Assert.Empty(WordAligner.TokenStarts([]));

    private static float[] Row(int frames, int from, int to) =>
        Enumerable.Range(0, frames).Select(f => f >= from && f < to ? 0.2f : 0.001f).ToArray();
}
