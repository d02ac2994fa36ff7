using Kostel.Core.Study;
using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Statements;
using Kostel.Core.Transcripts;

namespace Kostel.Grammar.Tests;

/// <summary>What a statement ends with is asked for, and sentences put behind each other with commas are taken apart, with the real parser. The sentences are of this test's own.</summary>
public sealed class EndingTests : IDisposable
{
    private readonly GrammarProcess grammar = new();

    public void Dispose() => grammar.Dispose();

    [Theory]
    [InlineData("A wreck stays with its owner until the harbour sells the timber.", "the harbour sells the timber")]
    [InlineData("The loom of the weaver has to be taken apart before winter.", "taken apart before winter")]
    [InlineData("Oak burns as slowly as peat from the moor.", "peat from the moor")]
    [InlineData("A double flag means that the ferry waits for the tide.", "that the ferry waits for the tide")]
    [InlineData("The planks of the hull are called strakes and they're a palm and a half.", "a palm and a half")]
    [InlineData("A rope of hemp stretches by up to a tenth of its length.", "up to a tenth of its length")]
    public void What_stands_behind_a_verb_or_a_joining_word_can_be_asked_for(string said, string ending) => Assert.Contains(ending, Endings(said));

    [Theory]
    [InlineData("The groynes of the harbour are these walls of oak.", "these walls of oak")]
    [InlineData("By hand you can cut one stitch and the rest hold.", "one stitch and the rest hold")]
    [InlineData("The miller sells rye, barley, oats, and a little wheat.", "rye, barley, oats, and a little wheat")]
    [InlineData("The ferry of the village waits for the ferry of the village.", "the ferry of the village")]
    [InlineData("The soundboard of the harp takes up water from the air.", "up water from the air")]
    [InlineData("The harp sinks in winter when the stove's on it goes flat.", "the stove's on it goes flat")]
    [InlineData("A rope that's old isn't safe in a storm.", "old isn't safe in a storm")]
    [InlineData("The boats that are tarred last longer than the others.", "tarred last longer than the others")]
    public void No_ending_points_away_crosses_a_comma_or_is_said_already(string said, string never) => Assert.DoesNotContain(never, Endings(said));

    [Fact]
    public void An_ending_that_is_a_thing_is_asked_for_with_a_question_and_a_time_is_not()
    {
        var ground = Ground("A double flag means that the ferry waits for the tide.\nThe ferry waits at the old pier.");
        var all = ground.Asked.SelectMany(ground.Facts.Endings).ToList();
        Assert.Equal("What does a double flag mean?", all.Single(g => g.Missing == "that the ferry waits for the tide").Question);
        Assert.All(all.Where(g => g.Missing.StartsWith("at ", StringComparison.Ordinal)), g => Assert.Null(g.Question));
    }

    [Theory]
    [InlineData("Two lanterns mean that the lock is closed to barges, that's an early warning for the slow ones down there.", "Two lanterns mean that the lock is closed to barges.")]
    [InlineData("Linen is spun wet, it's stronger that way than dry, it doesn't, well, break.", "Linen is spun wet.")]
    public void Sentences_behind_each_other_are_taken_apart(string said, string first) => Assert.Equal(first, Parts(said)[0]);

    [Theory]
    [InlineData("If the rope is old and, well, wet, it breaks under the load of, er, two barges.")]
    [InlineData("The longer the rope is, well, the rope, it breaks under the load of, er, two barges.")]
    [InlineData("It is the ditches, more than the, er, stones, that made the roads of the, well, legions last.")]
    [InlineData("Because the lock of the, er, canal is closed, they wait for hours, er, hours at the pier.")]
    public void A_condition_stays_with_what_it_is_a_condition_of(string said) => Assert.DoesNotContain(Parts(said), p => p.Split(' ').Length < said.Split(' ').Length / 2 && p.StartsWith(said[..8], StringComparison.Ordinal));

    [Fact]
    public void A_statement_that_leans_on_one_that_is_asked_about_is_asked_about_too()
    {
        var cards = CardMaker.Make(Ground("The crust of the loaf needs steam in the oven for the first ten minutes.\nThis water vapour keeps the surface soft until the bread has risen to its full height."), 20);
        Assert.Contains(cards, c => c.Asks.Quote.StartsWith("The crust", StringComparison.Ordinal));
        Assert.Contains(cards, c => c.Asks.Quote.StartsWith("This water", StringComparison.Ordinal) && c.Source.Quote.StartsWith("The crust", StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("A rock on which nobody could live has none of these rights.")]
    [InlineData("A rope that isn't dressed can lose half of its strength.")]
    [InlineData("If the ball of clay goes flat there's too much water.")]
    [InlineData("Before the fair begins the bakers light the ovens.")]
    public void A_verb_of_the_main_clause_is_seen_behind_others(string said) => Assert.True(StandingAlone.HasVerb(Only(said), grammar.Read([said])[0]));

    [Theory]
    [InlineData("Half of the barley, which nobody wanted.")]
    [InlineData("A lot from the door, whether the bag is full.")]
    public void What_only_depends_has_no_verb_of_its_own(string said) => Assert.False(StandingAlone.HasVerb(Only(said), grammar.Read([said])[0]));

    private static Sentence Only(string said) => new("p1", 0, [.. said.Split(' ').Select((w, i) => new Word(w, i * 1_000, (i * 1_000) + 900, 1))]);

    private List<string> Endings(string said)
    {
        var ground = Ground(said);
        return ground.Asked.SelectMany(ground.Facts.Endings).Select(g => g.Missing).ToList();
    }

    private List<string> Parts(string said) => StatementFinder.Of([Only(said)], [], grammar).All.Select(s => s.Part.Text).ToList();

    private StudyGround Ground(string text) => LinedGround.Of(text, grammar);
}
