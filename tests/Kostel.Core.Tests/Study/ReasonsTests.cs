using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Quizzes;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Study;

public sealed class ReasonsTests
{
    [Theory]
    [InlineData("A squeaking door has dry hinges because the grease was washed out by rain.", "A squeaking door has dry hinges.", "Because the grease was washed out by rain.")]
    [InlineData("The outer vessel is wider than the inner one, and that is why the pressure falls.", "The pressure falls.", null)]
    [InlineData("Copper grows more than steel in the heat, which is why the strip of both bends to one side.", "The strip of both bends to one side.", "Copper grows more than steel in the heat.")]
    [InlineData("Proteins are too large for the pores of the filter. Therefore protein behind the filter shows that it is damaged.", "Protein behind the filter shows that it is damaged.", "Proteins are too large for the pores of the filter.")]
    [InlineData("Before you take the wheel out you shift to the smallest cog. Why? Because then the chain is slack.", "Before you take the wheel out you shift to the smallest cog.", "Because then the chain is slack.")]
    [InlineData("Old paper turns brown on the shelf. The reason is that the acid in it eats the fibres.", "Old paper turns brown on the shelf.", "Because the acid in it eats the fibres.")]
    [InlineData("Why does a ship of steel float? Because it pushes away more water than it weighs.", "Why does a ship of steel float?", "Because it pushes away more water than it weighs.")]
    public void What_is_said_with_its_reason_is_asked_with_why(string said, string claim, string? because)
    {
        var reasons = Found(said);
        if (because is null)
        {
            // Too little is left of the claim to know what is asked.
            Assert.Empty(reasons);
            return;
        }

        Assert.Equal((claim, because), (Assert.Single(reasons).Claim, reasons[0].Because));
    }

    [Theory]
    [InlineData("It squeaks because the grease was washed out by rain.")]
    [InlineData("I bought the second one because the first had a crack in it.")]
    [InlineData("Look at the upper arm because the lower one is hidden by the frame.")]
    [InlineData("This was given up because the price of the metal rose too much.")]
    [InlineData("They are too large for the pores. Therefore protein behind the filter shows that it is damaged.")]
    [InlineData("The plan failed because of the heavy rain in that month.")]
    [InlineData("Do you see that? Because nobody saw it the first time.")]
    public void What_cannot_be_understood_alone_is_not_asked(string said) => Assert.Empty(Found(said));

    [Fact]
    public void A_choice_of_reasons_has_only_reasons_of_other_things()
    {
        var reasons = Found("""
            Old paper turns brown on the shelf because acid in the pulp eats its fibres. Brass bells ring longer than lead ones because lead swallows the swinging.
            Bread dough is folded several times because folding lines up the strands. Night trains run slower on old lines because the signals stand closer there.
            """);
        Assert.Equal(4, reasons.Count);
        var questions = SentenceQuestions.Of(reasons.Select(r => r.Card), [], new Random(1)).ToList();
        Assert.Equal(4, questions.Count);
        Assert.All(questions, q =>
        {
            var choice = Assert.IsType<ChoiceQuestion>(q.Content);
            var own = reasons.Single(r => r.Question == choice.Stem);
            Assert.Equal(own.Because, choice.Shown[choice.Solution.Chosen[0]]);
            Assert.All(choice.Shown, c => Assert.Contains(reasons, r => r.Because == c));
            Assert.Equal(choice.Shown.Count, choice.Shown.Distinct().Count());
        });
    }

    [Theory]
    [InlineData("Three things carry heat: conduction, convection and radiation.", "Three things carry heat. Which?", "Conduction, convection and radiation.")]
    [InlineData("A seed needs two conditions to wake: moisture and warmth.", "A seed needs two conditions to wake. Which?", "Moisture and warmth.")]
    public void What_is_counted_and_then_named_is_asked_for_by_its_count(string said, string front, string back)
    {
        var card = NamedLists.Of(Lecture.Sentence(said));
        Assert.Equal((front, back), (card?.Content.Front, card?.Content.Back));
    }

    [Theory]
    [InlineData("Three things carry heat: conduction and convection.")]
    [InlineData("They need two conditions: moisture and warmth.")]
    [InlineData("Three metres of rope were left: it was wet.")]
    public void A_list_that_is_not_as_long_as_it_was_counted_is_none(string said) => Assert.Null(NamedLists.Of(Lecture.Sentence(said)));

    private static List<Reason> Found(string said)
    {
        var sentences = Sentences.Of(Lecture.Of(said.ReplaceLineEndings(" ")).Passages);
        return Enumerable.Range(0, sentences.Count).Select(i => Reasons.Of(sentences, i)).OfType<Reason>().ToList();
    }
}
