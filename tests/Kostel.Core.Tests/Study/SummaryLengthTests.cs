using Kostel.Core.Study.Facts;
using Kostel.Core.Study.Statements;
using Kostel.Core.Study.Summaries;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Study;

public sealed class SummaryLengthTests
{
    private static readonly Transcript Frost = Said(
        "Good evening, and welcome to the second evening.",
        "Frost is the freezing of water on cold surfaces.",
        "Cold air sinks into the valley because it is heavier than warm air.",
        "Um, my aunt once had a goat that ate her hat.",
        "At minus two degrees most blossoms die within thirty minutes.",
        "It is the wind that saves them.",
        "What do we do next week?",
        "A sprinkler protects blossoms, since freezing water gives off heat.");

    [Theory]
    [InlineData(SummaryLength.Line)]
    [InlineData(SummaryLength.Short)]
    [InlineData(SummaryLength.Half)]
    [InlineData(SummaryLength.Page)]
    public void A_summary_keeps_to_its_length_and_to_the_lecture(SummaryLength length)
    {
        var lines = Summarizer.Summarize(Frost, SummaryLengths.Words(length)).SelectMany(p => p.Lines).ToList();
        Assert.NotEmpty(lines);
        Assert.InRange(lines.Sum(l => Tokens.Of(l.Quote).Count), 1, SummaryLengths.Words(length));
        var text = string.Join(' ', Frost.Passages.Select(p => p.Text));
        Assert.All(lines, l => Assert.Contains(l.Quote, text, StringComparison.Ordinal));
        Assert.Equal(lines.Select(l => l.StartMs).Order(), lines.Select(l => l.StartMs));
    }

    [Fact]
    public void What_is_to_be_known_comes_before_greetings_anecdotes_and_questions()
    {
        var quotes = Summarizer.Summarize(Frost, SummaryLengths.Words(SummaryLength.Line)).SelectMany(p => p.Lines).Select(l => l.Quote).ToList();
        Assert.Contains(quotes, q => q.StartsWith("Frost is", StringComparison.Ordinal));
        Assert.DoesNotContain(quotes, q => q.Contains("welcome", StringComparison.Ordinal) || q.Contains("goat", StringComparison.Ordinal) || q.EndsWith('?'));
    }

    [Fact]
    public void What_was_marked_comes_first_however_little_it_says_and_the_rest_of_the_room_is_for_the_others()
    {
        var ground = new StudyGround(Frost);
        static bool IsMarked(Evidence e) => e.Quote.Contains("goat", StringComparison.Ordinal);
        var line = Assert.Single(Summarizer.Summarize(ground, SummaryLengths.Words(SummaryLength.Line), isFirst: IsMarked).SelectMany(p => p.Lines));
        Assert.Contains("goat", line.Quote, StringComparison.Ordinal);
        var page = Summarizer.Summarize(ground, SummaryLengths.Words(SummaryLength.Page), isFirst: IsMarked).SelectMany(p => p.Lines).ToList();
        Assert.Contains(page, IsMarked);
        Assert.True(page.Count > 2);
        Assert.Equal(page.Select(l => l.StartMs).Order(), page.Select(l => l.StartMs));
        Assert.Contains(Summarizer.Summarize(ground, IsMarked).SelectMany(p => p.Lines), IsMarked);
    }

    [Fact]
    public void A_sentence_that_leans_brings_the_one_before_it()
    {
        var lines = Summarizer.Summarize(Frost, 400).SelectMany(p => p.Lines).ToList();
        Assert.All(lines, l => Assert.False(l.Quote.StartsWith("It is the wind", StringComparison.Ordinal)));
    }

    [Fact]
    public void Of_nothing_there_is_no_summary() => Assert.Empty(Summarizer.Summarize(Said(), 100));

    [Fact]
    public void Every_sentence_has_a_worth_between_nothing_and_all()
    {
        var sentences = Sentences.Of(Frost.Passages);
        var worth = FactWorth.Of(sentences, Frost.Chapters);
        Assert.Equal(sentences.Count, worth.Length);
        Assert.All(worth, w => Assert.InRange(w, 0, 1));
        Assert.All(FactFeatures.Of(sentences, Frost.Chapters), f => Assert.Equal(FactFeatures.Names.Count, f.Length));
    }

    [Fact]
    public void What_is_chosen_makes_the_like_of_it_worth_less()
    {
        static Choosable One(int part, params string[] words) => new(10, 0.5, part, words.ToDictionary(w => w, _ => 1.0));
        Assert.Equal([0, 2], CoveringChoice.Of([One(0, "frost"), One(0, "frost"), One(1, "wind")], 20));
        Assert.Empty(CoveringChoice.Of([One(0, "frost")], 5));
        Assert.Empty(CoveringChoice.Of([], 5));
    }

    private static Transcript Said(params string[] sentences)
    {
        var at = 0;
        var passages = sentences.Select((s, i) => new Passage($"p{i + 1}", "v1", at, at + 5_000, s.Split(' ').Select(w => new Word(w, at += 200, at + 180, 0.95)).ToList())).ToList();
        return new Transcript("en", Math.Max(1, at + 5_000), [Speaker.Unnamed(1)], passages, [new Chapter("Frost", 0, Math.Max(1, at + 5_000))]);
    }
}
