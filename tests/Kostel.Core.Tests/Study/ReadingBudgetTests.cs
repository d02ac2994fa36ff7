using Kostel.Core.Study.Statements;

namespace Kostel.Core.Tests.Study;

public sealed class ReadingBudgetTests
{
    [Fact]
    public void Of_a_short_lecture_everything_is_read()
    {
        int[] words = [.. Enumerable.Repeat(18, 60), 40, 7];
        Assert.Equal(words.Order(), ReadingBudget.OfSentences.Take(words, w => w).Order());
    }

    [Fact]
    public void Of_a_long_one_the_worthiest_are_read_first_and_the_very_long_ones_last()
    {
        var words = Enumerable.Range(0, 600).Select(i => (At: i, Words: i % 3 == 0 ? 32 : 15)).ToList();
        var taken = ReadingBudget.OfSentences.Take(words, w => w.Words);
        Assert.Equal(words.Where(w => w.Words == 15).Take(taken.Count), taken);
        Assert.InRange(taken.Count, 200, 260);
    }

    [Fact]
    public void What_is_too_long_by_itself_is_not_read() => Assert.Empty(new ReadingBudget(1_000).Take([11], w => w));
}
