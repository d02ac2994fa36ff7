using Kostel.Core.Study;
using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Quizzes;
using Kostel.Core.Study.Statements;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Grammar.Tests;

/// <summary>Questions for what a statement ends with, and for reasons, among what the lecture says of other things, with the real parser. The sentences are of this test's own.</summary>
public sealed class QuizEndingTests : IDisposable
{
    private const string Mill = """
        A flood gate stays shut until the miller lifts the bar.
        The wheel of the mill turns slowly when the pond freezes over.
        A sack of rye is refused if the clerk finds a beetle.
        Linen dries on the hedge until the wind changes its quarter.
        The lower stone is dressed twice a year.
        Brass bearings are greased with tallow.
        The upper stone wears away because the grains of barley are hard.
        A sluice of green oak leaks in its first summer.
        The weir of the village holds back the eels.
        """;

    private readonly GrammarProcess grammar = new();

    public void Dispose() => grammar.Dispose();

    [Theory]
    [InlineData("A flood gate stays shut until the miller lifts the bar.", "the miller lifts the bar", EndingRole.Clause)]
    [InlineData("Brass bearings are greased with tallow.", "tallow", EndingRole.Thing)]
    [InlineData("The loom of the weaver has to be oiled before winter.", "oiled before winter", EndingRole.Quality)]
    [InlineData("The loom of the weaver can rattle all night.", "rattle all night", EndingRole.Deed)]
    [InlineData("The ferry of the abbey waits under the old bridge.", "under the old bridge", EndingRole.Place)]
    public void An_ending_stands_for_something_in_its_sentence(string said, string ending, EndingRole role) =>
        Assert.Equal(role, EndingForm.Of(Ending(said, ending), Lexicon.None).Role);

    [Fact]
    public void Wrong_endings_are_of_the_form_of_the_right_one_and_speak_of_something_else()
    {
        var ground = Ground(Mill);
        var endings = ground.Asked.SelectMany(ground.Facts.Endings).ToList();
        var right = endings.Single(e => e.Missing == "the miller lifts the bar");
        var wrong = new WrongEndings(endings, ground.Words).For(right, 3);
        Assert.NotEmpty(wrong);
        Assert.All(wrong, w => Assert.Contains(endings, e => e.Missing == w && EndingForm.Of(e, Lexicon.None) == EndingForm.Of(right, Lexicon.None)));
        Assert.Empty(wrong.SelectMany(Tokens.ContentStems).Intersect(Tokens.ContentStems($"{right.Front} {right.Missing}")));
    }

    [Fact]
    public void Statements_are_matched_with_what_they_end_with_where_each_could_be_taken_for_another()
    {
        var ground = Ground(Mill);
        var endings = ground.Asked.SelectMany(ground.Facts.Endings).Select(e => e with { Chance = 0.9 }).ToList();
        var wrong = new WrongEndings(endings, ground.Words);
        var matches = wrong.OfOneForm.SelectMany(e => MatchQuestions.OfGaps(e, WrongEndings.CanBeMixedUp, new Random(1))).Select(q => Assert.IsType<MatchQuestion>(q.Content)).ToList();
        Assert.NotEmpty(matches);
        Assert.All(matches, m =>
        {
            Assert.InRange(m.Items.Count, 3, 4);
            var pairs = m.Items.Select((item, i) => endings.Single(e => e.Front == item && WordForms.Capital(e.Missing) == m.Partners[m.Pairs[i]])).ToList();
            Assert.Single(pairs.Select(p => EndingForm.Of(p, ground.Words.Lexicon)).Distinct());
            Assert.Equal(pairs.Count, pairs.Select(p => p.Statement.Sentence).Distinct().Count());
            Assert.Equal(pairs.Sum(p => Tokens.ContentStems(p.Missing).Count), pairs.SelectMany(p => Tokens.ContentStems(p.Missing)).Distinct().Count());
        });
    }

    [Fact]
    public void Gaps_that_are_hardly_good_are_not_matched()
    {
        var ground = Ground(Mill);
        var endings = ground.Asked.SelectMany(ground.Facts.Endings).Select(e => e with { Chance = 0.4 }).ToList();
        Assert.DoesNotContain(new WrongEndings(endings, ground.Words).OfOneForm, e => MatchQuestions.OfGaps(e, WrongEndings.CanBeMixedUp, new Random(1)).Any());
    }

    [Fact]
    public void Where_few_reasons_are_given_other_statements_stand_in_for_them()
    {
        var ground = Ground(Mill);
        var card = Assert.Single(CardMaker.Make(ground, 30), c => c.Content.Back.StartsWith("Because ", StringComparison.Ordinal));
        var choice = Assert.IsType<ChoiceQuestion>(Assert.Single(SentenceQuestions.Of([card], ground.Asked, new Random(1))).Content);
        Assert.Equal(card.Content.Back, choice.Choices[choice.Key]);
        Assert.All(choice.Choices, c => Assert.StartsWith("Because ", c, StringComparison.Ordinal));
        Assert.DoesNotContain(choice.Choices, c => c != choice.Choices[choice.Key] && c.Contains("stone", StringComparison.Ordinal));
    }

    [Fact]
    public void A_question_that_brings_along_what_another_asks_is_not_put_beside_it()
    {
        var asks = new GapQuestion("It keeps ____ out.", "frost");
        QuestionDraft Of(int from, int own, int to) => new(asks, At(from, to)) { Asks = At(own, to) };
        Assert.False(new QuestionDraft(asks, At(0, 4_000)).Overlaps(new QuestionDraft(asks, At(4_000, 8_000))));
        Assert.True(Of(0, 2_000, 4_000).Overlaps(Of(0, 4_000, 8_000)), "the second one's context tells what the first one asks");
        Assert.True(Of(0, 2_000, 4_000).Overlaps(new QuestionDraft(asks, At(0, 2_000))), "the first one's context tells what the second one asks");
        var behind = new QuestionDraft(asks, At(0, 9_000)) { Asks = At(6_000, 9_000) };
        Assert.False(Of(4_000, 4_500, 5_000).Overlaps(new QuestionDraft(asks, At(5_000, 9_000)) { Asks = At(6_000, 9_000) }));
        Assert.True(Of(4_000, 4_500, 5_000).Overlaps(behind));
    }

    [Fact]
    public void What_comes_of_a_clause_stays_with_it() =>
        Assert.Equal("A boy can lift the bar by night, and then the meadow is a lake.", Assert.Single(Statements("A boy can lift the bar by night, and then the meadow is a lake.")));

    [Theory]
    [InlineData("Hence the tolls at the bridge, with long queues and low purses.", 0)]
    [InlineData("Hence the tolls at the bridge are high in summer.", 1)]
    public void A_thing_that_is_only_named_has_no_reason(string said, int cards)
    {
        var ground = Ground("The bridge of the town costs a fortune in repairs each spring.\n" + said);
        Assert.Equal(cards, CardMaker.Make(ground, 30).Count(c => c.Content.Front.EndsWith(" Why?", StringComparison.Ordinal)));
    }

    private static Evidence At(int from, int to) => new("p1", from, to, "quote", null);

    private List<string> Statements(string said) => Ground(said).Statements.All.Select(s => s.Part.Text).Take(1).ToList();

    private FactGap Ending(string said, string ending)
    {
        var ground = Ground(said);
        return ground.Asked.SelectMany(ground.Facts.Endings).Single(g => g.Missing == ending);
    }

    private StudyGround Ground(string text) => LinedGround.Of(text, grammar);
}
