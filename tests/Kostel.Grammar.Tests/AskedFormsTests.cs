using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Statements;
using Kostel.Core.Transcripts;

namespace Kostel.Grammar.Tests;

/// <summary>What is asked about one sentence, and how, with the real parser. The sentences are of this test's own.</summary>
public sealed class AskedFormsTests : IDisposable
{
    private readonly GrammarProcess grammar = new();

    public void Dispose() => grammar.Dispose();

    [Theory]
    [InlineData("The upper valve controls the inflow of the boiler.", "What does the upper valve control?", "The inflow of the boiler.")]
    [InlineData("The upper valve is called the governor.", "What is the upper valve called?", "The governor.")]
    [InlineData("A diving bell has to hang level and carry ballast below.", "What does a diving bell have to do?", "Hang level and carry ballast below.")]
    [InlineData("A ship may not stop the engines in the strait.", "What may a ship not do?", "Stop the engines in the strait.")]
    public void A_plain_statement_is_asked_for_with_a_question(string said, string front, string back) => Assert.Contains((front, back), Asked(said));

    [Theory]
    [InlineData("Brine has three grams of salt in each spoon, and our kettle can boil two litres of brine.", "our kettle")]
    [InlineData("Barley grows on the upper fields and feeds the cattle of the whole valley.", "does barley grow on the upper fields and feed")]
    [InlineData("A contract of the mill only holds as long as the stones of the mill turn.", "does a contract of the mill only hold")]
    [InlineData("The fourth valve is the small one, it's called the governor.", "what is the fourth valve is")]
    public void A_question_has_one_clause_in_it(string said, string never) =>
        Assert.DoesNotContain(Asked(said), c => c.Front.EndsWith('?') && c.Front.Contains(never, StringComparison.OrdinalIgnoreCase));

    [Theory]
    [InlineData("Come in, come in, there is room beside the stove.")]
    [InlineData("Four thousand kilometres if you ride in the rain, perhaps seven in the dry.")]
    [InlineData("A trap gate, yes, and millers have had to pay for them.")]
    [InlineData("Compost, people think you throw leaves in a corner and wait.")]
    [InlineData("Everybody thinks that the upper stone of the mill does the work.")]
    [InlineData("Come round, not too close, the kiln is at nine hundred degrees.")]
    [InlineData("A drop of water on the rim, a tap, and it comes off the stick.")]
    [InlineData("You have to keep turning it all the time because the wax runs down.")]
    [InlineData("The trial in the reader had barley that came up five days after the frost.")]
    [InlineData("The blade of the scythe goes along the grass at the height we've just set.")]
    [InlineData("Only on two conditions, the kiln must be cold and the door must be open.")]
    [InlineData("For the seminar you read the two letters of the miller and bring them on Friday.")]
    [InlineData("Up to ninety kilos a field, which is what many farmers are given by the mill.")]
    public void Talk_and_what_has_no_verb_is_not_asked_about(string said) => Assert.Empty(Asked(said));

    [Fact]
    public void Names_are_asked_for_as_a_whole() =>
        Assert.DoesNotContain(Asked("The lung keeps the blood from turning sour by giving out carbon dioxide."), c => c.Back is "Dioxide." or "Carbon.");

    [Fact]
    public void What_is_asked_for_does_not_stand_in_the_question() =>
        Assert.DoesNotContain(Asked("If a farmer mows the meadow and the miller owes him twenty florins for the hay, he cannot sue for the twenty florins."), c => c.Back == "Twenty florins.");

    [Theory]
    [InlineData("The sluice keepers reach places that no barge comes to.", "Reach places.")]
    [InlineData("Oak and ash burn slowly, and they've kept the mill warm.", "They've.")]
    public void A_verb_is_no_thing_to_ask_for(string said, string never) => Assert.DoesNotContain(Asked(said), c => c.Back == never);

    [Theory]
    [InlineData("After rain a passenger train can only stop in about a kilometre.", "A kilometre.")]
    [InlineData("Over thirty winters in a row the chance of at least one is twenty six per cent.", "Twenty six per cent.")]
    public void The_number_that_is_measured_is_asked_for(string said, string back) => Assert.Contains(Asked(said), c => c.Back == back);

    [Fact]
    public void What_is_compared_brings_along_what_with()
    {
        var statements = StatementFinder.Of(Sentences.Of(Read("Clover adds nitrogen to the field.\nMustard grows faster but adds none.").Passages), [], grammar).All;
        Assert.Equal("Clover adds nitrogen to the field.", Assert.Single(statements.Single(s => s.Sentence == 1).Before).Text);
    }

    [Theory]
    [InlineData("The second trouble begins after the barley has been sold.")]
    [InlineData("Malt is called a long business for that reason.")]
    public void What_was_counted_or_reasoned_before_is_brought_along(string said)
    {
        const string First = "Barley from the field of the abbey is often wet.";
        var statements = StatementFinder.Of(Sentences.Of(Read($"{First}\n{said}").Passages), [], grammar).All;
        Assert.Equal(First, Assert.Single(statements.Single(s => s.Sentence == 1).Before).Text);
    }

    [Fact]
    public void A_law_that_has_its_number_in_its_name_stands_alone() =>
        Assert.Empty(StatementFinder.Of(Sentences.Of(Read("Barley is wet when it comes.\nThe second law of the abbey forbids wet barley.").Passages), [], grammar).All.Single(s => s.Sentence == 1).Before);

    [Theory]
    [InlineData("A mitre gate can therefore hold the water of the river back.", "Hold the water of the river back.")]
    [InlineData("The sand of the lower field can even set like mortar.", "Set like mortar.")]
    public void What_can_be_done_is_asked_without_the_word_that_ties_it(string said, string back) => Assert.Contains(Asked(said), c => c.Back == back);

    [Fact]
    public void What_points_out_of_its_sentence_brings_the_one_before_along()
    {
        var statements = StatementFinder.Of(Sentences.Of(Read("The chart of the bay hangs in the hall.\nA course of constant bearing is a straight line on it.").Passages), [], grammar).All;
        Assert.Equal("The chart of the bay hangs in the hall.", Assert.Single(statements.Single(s => s.Sentence == 1).Before).Text);
    }

    private List<(string Front, string Back)> Asked(string said) => CardMaker.Make(Read(said), 20, grammar).Select(c => (c.Content.Front, c.Content.Back)).ToList();

    /// <summary>Sentences of a speaker, one on each line, a second a word.</summary>
    private static Transcript Read(string text)
    {
        var at = 0;
        var passages = text.Split('\n').Select((line, n) =>
        {
            var words = line.Split(' ').Select(w => new Word(w, at, (at += 1_000) - 1, 1)).ToList();
            return new Passage($"p{n + 1}", "v1", words[0].StartMs, words[^1].EndMs, words);
        }).ToList();
        return new Transcript("en", at, [Speaker.Unnamed(1)], passages, []);
    }
}
