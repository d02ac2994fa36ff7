using Kostel.Core.Study.Cards;

namespace Kostel.Core.Tests.Study;

public class ReversedCardsTests
{
    [Theory]
    [InlineData("What is leaching?", "The loss of nutrients by water.", "What is the loss of nutrients by water called?", "Leaching.")]
    [InlineData("What are guard cells?", "Cells that open and shut a pore.", "What are cells that open and shut a pore called?", "Guard cells.")]
    [InlineData("What is the loss of nutrients by water called?", "Leaching.", "What is leaching?", "The loss of nutrients by water.")]
    public void A_term_and_its_meaning_ask_for_each_other(string front, string back, string reversed, string answer)
    {
        var card = ReversedCards.Of(new QuestionCard(front, back))!;
        Assert.Equal((reversed, answer), (card.Front, card.Back));
    }

    [Theory]
    [InlineData("Why does a wall sweat?", "Because the air in front of it is cold.")]
    [InlineData("What is the range?", "Five metres.")]
    [InlineData("What is a leaching field?", "A field in which leaching takes place.")]
    [InlineData("What is the age of the wall at the north gate of the town?", "About as old as the town.")]
    public void What_asks_nothing_or_gives_itself_away_has_no_other_side(string front, string back) =>
        Assert.Null(ReversedCards.Of(new QuestionCard(front, back)));

    [Fact]
    public void A_gap_has_no_other_side() => Assert.Null(ReversedCards.Of(new GapCard("It rises ____ a day.", "twice")));
}
