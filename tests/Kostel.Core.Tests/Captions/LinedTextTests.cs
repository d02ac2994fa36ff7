using Kostel.Core.Captions;

namespace Kostel.Core.Tests.Captions;

public class LinedTextTests
{
    [Fact]
    public void Every_line_is_a_sentence_with_its_number_and_a_time()
    {
        var text = LinedText.Read("Bees shiver .\r\n\r\nThey do not sleep\nIn the ball it is warm.\nOutside lies snow.\n")!;
        Assert.Equal([1, 3, 4, 5], text.Lines);
        Assert.Equal("They do not sleep", text.Sentences[1].Text);
        Assert.All(text.Sentences.Zip(text.Sentences.Skip(1)), p => Assert.True(p.First.EndMs <= p.Second.StartMs));
        Assert.Equal(text.Sentences[^1].EndMs, text.DurationMs);
    }

    [Fact]
    public void Paragraphs_and_a_few_lines_are_not_such_a_text()
    {
        var paragraph = string.Join(' ', Enumerable.Repeat("word", 90));
        Assert.Null(LinedText.Read($"{paragraph}\n{paragraph}\n{paragraph}\n{paragraph}\n"));
        Assert.Null(LinedText.Read("One.\nTwo."));
        Assert.Null(LinedText.Read(""));
    }

    [Fact]
    public void A_name_before_a_line_is_no_part_of_its_sentence_and_begins_a_turn()
    {
        var text = LinedText.Read("Ines: Why does it leak?\nTom: The wall is old.\nIt is clay.\nInes: And the gate?\nTom: Oak.\n")!;
        Assert.Equal(["Why does it leak?", "The wall is old.", "It is clay.", "And the gate?", "Oak."], text.Sentences.Select(s => s.Text));
        Assert.Equal([0, 0, 1, 0, 0], text.Sentences.Zip(text.Sentences.Prepend(null!)).Select(p => p.First.PassageId == p.Second?.PassageId ? 1 : 0));
    }
}
