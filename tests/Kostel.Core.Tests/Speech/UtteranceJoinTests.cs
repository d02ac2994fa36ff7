using Kostel.Core.Speech;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Speech;

public class UtteranceJoinTests
{
    private const int Cut = 10_000, Overlap = 960;

    [Fact]
    public void What_both_heard_stands_once()
    {
        var (earlier, later) = UtteranceJoin.Join(
            Words(8_600, "the water rises and fall"), Words(9_200, "rises and falls with the moon"), Cut, Overlap);
        Assert.Equal("the water rises and falls with the moon", Text([.. earlier, .. later]));
    }

    [Fact]
    public void A_word_that_only_one_of_them_heard_is_kept()
    {
        var (earlier, later) = UtteranceJoin.Join(Words(9_000, "a very slow tide"), Words(9_600, "slow spring tide comes"), Cut, Overlap);
        Assert.Equal("a very slow spring tide comes", Text([.. earlier, .. later]));
    }

    [Fact]
    public void Where_they_heard_nothing_alike_each_keeps_its_side_of_the_cut()
    {
        var (earlier, later) = UtteranceJoin.Join(Words(9_200, "one two three four"), Words(9_300, "five six seven"), Cut, Overlap);
        Assert.Equal("one two three", Text(earlier));
        Assert.Equal("seven", Text(later));
    }

    [Fact]
    public void The_same_word_far_away_is_another_one()
    {
        var (earlier, later) = UtteranceJoin.Join(Words(2_000, "tide"), Words(10_200, "tide"), Cut, Overlap);
        Assert.Equal("tide|tide", $"{Text(earlier)}|{Text(later)}");
    }

    [Fact]
    public void Nothing_joins_with_nothing()
    {
        var (earlier, later) = UtteranceJoin.Join([], Words(10_100, "tide"), Cut, Overlap);
        Assert.Empty(earlier);
        Assert.Single(later);
    }

    private static List<Word> Words(int startMs, string text) =>
        text.Split(' ').Select((w, i) => new Word(w, startMs + (i * 300), startMs + (i * 300) + 250, 1)).ToList();

    private static string Text(IEnumerable<Word> words) => string.Join(' ', words.Select(w => w.Text));
}
