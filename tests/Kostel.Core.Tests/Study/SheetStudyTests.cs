using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Quizzes;
using Kostel.Core.Study.Sheets;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Study;

/// <summary>Cards and questions of what stands on a sheet.</summary>
public sealed class SheetStudyTests
{
    [Fact]
    public void Questions_and_terms_of_a_sheet_are_asked_as_they_stand_and_rest_on_what_the_line_rests_on()
    {
        var asked = Assert.Single(Cards(Sheet(["Question", "Answer"], ["When do swarms leave?", "They leave in May."])));
        Assert.Equal(("When do swarms leave?", "They leave in May.", 1_000), (asked.Content.Front, asked.Content.Back, asked.Source.StartMs));
        Assert.Equal("What is meant by “neap tide”?", Assert.Single(Cards(Sheet(["Term", "What it is", "Number"], ["Neap tide", "a tide of small range", ""]))).Content.Front);
        Assert.Equal("¿Qué significa «marea muerta»?", Assert.Single(SheetStudy.Cards(Sheet(["Term", "What it is"], ["Marea muerta", "la de menor amplitud"]), "es", [], null, WordKnowledge.None)).Content.Front);
    }

    [Fact]
    public void A_line_that_is_said_nowhere_or_has_an_empty_half_asks_nothing()
    {
        var sheet = Sheet(["Question", "Answer"], ["When?", ""], ["", "In May."]);
        Assert.Empty(Cards(sheet));
        Assert.Empty(Cards(sheet with { Parts = [new SheetPart("", [new SheetLine(["When?", "In May."], null, IsOwn: true)])] }));
        Assert.Empty(Cards(SheetMaker.Empty));
        Assert.Empty(SheetStudy.Questions(SheetMaker.Empty, "en", 12, 1, null, WordKnowledge.None));
    }

    [Fact]
    public void What_a_card_asks_already_is_not_asked_again()
    {
        var sheet = Sheet(["Question", "Answer"], ["When do swarms leave the hive?", "In May."], ["Who leads a swarm?", "The old queen."]);
        var left = Assert.Single(SheetStudy.Cards(sheet, "en", [new QuestionCard("When do swarms leave the hive?", "In May.")], null, WordKnowledge.None));
        Assert.Equal("Who leads a swarm?", left.Content.Front);
    }

    [Fact]
    public void Two_lines_that_rest_on_one_place_are_two_cards()
    {
        var source = new Evidence("p1", 5_000, 9_000, "The old queen leads a swarm in May.");
        var sheet = new Sheet(["Question", "Answer"], [new SheetPart("", [new SheetLine(["Who leads a swarm?", "The old queen."], source), new SheetLine(["When do bees leave?", "In May."], source)])]);
        Assert.Equal(2, Cards(sheet).Select(c => c.Key).Distinct().Count());
    }

    [Fact]
    public void Of_statements_cards_are_made_as_of_a_lecture_with_the_places_of_the_lecture()
    {
        var sheet = Sheet(["Point"], ["A neap tide is a tide of small range that comes with the half moon."], ["The ebb runs for six hours and a quarter."]);
        var cards = Cards(sheet);
        Assert.NotEmpty(cards);
        Assert.All(cards, c => Assert.Contains(sheet.Lines(), l => l.Source == c.Source));
    }

    [Theory]
    [InlineData("Neap tide", "a tide of small range", "A neap tide is a tide of small range.")]
    [InlineData("Ebb tide", "a tide that falls", "An ebb tide is a tide that falls.")]
    [InlineData("Osmosis", "a process in which water passes a skin", "Osmosis is a process in which water passes a skin.")]
    [InlineData("Overfalls", "steep waves over a bank.", "Overfalls are steep waves over a bank.")]
    [InlineData("Neap tide", "A neap tide comes with the half moon", "A neap tide comes with the half moon.")]
    public void A_term_and_its_meaning_are_read_as_one_sentence(string term, string meaning, string sentence) =>
        Assert.Equal(sentence, Assert.Single(new SheetText(Sheet(["Term", "Meaning"], [term, meaning]), "en").Transcript.Passages).Text);

    [Fact]
    public void Questions_of_terms_have_their_key_among_the_terms_and_each_place_is_the_lectures()
    {
        var sheet = Sheet(
            ["Term", "Meaning"],
            ["Neap", "the smallest rise of the water in a fortnight"],
            ["Overfall", "a steep wave that stands over a bank"],
            ["Slack", "the pause in which the stream turns"],
            ["Race", "a strong current round a headland"]);
        var quiz = SheetStudy.Questions(sheet, "en", 12, 1, null, WordKnowledge.None);
        Assert.NotEmpty(quiz);
        Assert.All(quiz, q => Assert.True(q.Content.IsSound));
        Assert.All(quiz.SelectMany(q => q.Content.Places.Append(q.Source)), s => Assert.Contains(sheet.Lines(), l => l.Source == s));
        var match = Assert.IsType<MatchQuestion>(quiz.First(q => q.Content.Kind == "match").Content);
        Assert.All(match.Items.Zip(match.Said), p => Assert.Equal(p.First, sheet.Lines().Single(l => l.Source == p.Second).Cells[0]));
    }

    private static Sheet Sheet(IReadOnlyList<string> columns, params string[][] rows) =>
        new(columns, [new SheetPart("Tides", [.. rows.Select((r, i) => new SheetLine(r, new Evidence($"p{i}", 1_000 * (i + 1), (1_000 * (i + 1)) + 900, $"Words {i} of the lecture.")))])]);

    private static IReadOnlyList<CardDraft> Cards(Sheet sheet) => SheetStudy.Cards(sheet, "en", [], null, WordKnowledge.None);
}
