using Kostel.Core.Entries;
using Kostel.Core.Marks;
using Kostel.Core.Problems;

namespace Kostel.Core.Tests.Entries;

public class EntryTests
{
    [Fact]
    public void A_text_loses_what_stands_around_it_and_what_cannot_be_seen() =>
        Assert.Equal("Neap\ttides\nat noon", EntryRules.Note.Read("  Neap\ttides\n\u0000at\u0007 noon \r\n"));

    [Theory]
    [InlineData(null)]
    [InlineData("")]
    [InlineData(" \u0000 ")]
    public void What_must_be_there_must_be_more_than_white_space(string? text)
    {
        Assert.Equal("A title cannot be empty.", Assert.Throws<NotValidException>(() => EntryRules.Title.Read(text)).Message);
        Assert.Equal("", EntryRules.Course.Read(text));
    }

    [Fact]
    public void A_text_that_is_too_long_is_told_how_long_it_may_be()
    {
        Assert.Equal(200, EntryRules.Title.Read(new string('x', 200)).Length);
        Assert.Equal("A title can have up to 200 characters.", Assert.Throws<NotValidException>(() => EntryRules.Title.Read(new string('x', 201))).Message);
        Assert.Contains("5,000", Assert.Throws<NotValidException>(() => EntryRules.Note.Read(new string('x', 5_001))).Message, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(-5, 20, 0, 20)]
    [InlineData(90, 500, 90, 100)]
    [InlineData(50, 10, 50, 50)]
    [InlineData(700, 800, 100, 100)]
    public void A_mark_lies_inside_its_lecture(int start, int end, int keptStart, int keptEnd) =>
        Assert.Equal((keptStart, keptEnd), MarkEntries.Span(start, end, durationMs: 100));

    [Fact]
    public void Only_what_is_unclear_can_be_resolved()
    {
        Assert.Equal("It drains.", MarkEntries.Resolved(MarkKind.Unclear, " It drains. "));
        Assert.Null(MarkEntries.Resolved(MarkKind.Key, "It drains."));
        Assert.Null(MarkEntries.Resolved(MarkKind.Unclear, null));
    }

    [Fact]
    public void A_label_has_a_name_and_a_note_may_be_empty()
    {
        Assert.Throws<NotValidException>(() => MarkEntries.Text(MarkKind.Label, " "));
        Assert.Equal("", MarkEntries.Text(MarkKind.Note, " "));
    }
}
