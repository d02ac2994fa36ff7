using System.Text.Json;
using Kostel.Core.Answers;
using Kostel.Core.Tests.Text;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Answers;

public sealed class AnsweringPartTests
{
    [Theory]
    [InlineData("How thick are the sides?", "They're two millimetres thick, and they have to go round a corner.", "two millimetres")]
    [InlineData("How long does a worker live?", "In summer a worker has six weeks and flies 800 kilometres.", "six weeks")]
    [InlineData("How far does it fly?", "In summer a worker has six weeks and flies 800 kilometres.", "800 kilometres")]
    [InlineData("Why does he use hide glue?", "I use hide glue, because it lets go when you warm it, and it's cheap.", "because it lets go when you warm it")]
    [InlineData("When does the queen lay?", "The queen begins to lay in february, a few eggs a day.", "in february")]
    [InlineData("Who drew the first map?", "It was drawn by Ottoline Brask for the harbour board.", "Ottoline Brask")]
    [InlineData("What is a mulch?", "A mulch is a layer of material that covers the soil.", "a layer of material that covers the soil")]
    [InlineData("Which wood is best?", "Spruce with its rings close together is best.", "Spruce with its rings close together is best.")]
    public void What_answers_is_set_off(string question, string said, string part)
    {
        var (from, to) = AnsweringPart.Of(Lecture.Sentence(said), Question.Read(question));
        Assert.Equal(part, said[from..to]);
    }

    [Theory]
    [InlineData("How deep is it?", Wanted.Quantity)]
    [InlineData("What is the height of the tower?", Wanted.Quantity)]
    [InlineData("Why not?", Wanted.Reason)]
    [InlineData("What is the mercury in the jar for?", Wanted.Reason)]
    [InlineData("Who came?", Wanted.Person)]
    [InlineData("When did they come?", Wanted.Time)]
    [InlineData("Where is it?", Wanted.Place)]
    [InlineData("How do you bend wood?", Wanted.Steps)]
    [InlineData("Is it enough?", Wanted.YesNo)]
    [InlineData("Which one?", Wanted.Choice)]
    [InlineData("What is a pivot?", Wanted.Definition)]
    [InlineData("", Wanted.Statement)]
    public void A_question_says_by_its_form_what_it_wants(string question, Wanted wanted) => Assert.Equal(wanted, Question.Read(question).Wants);

    [Fact]
    public void A_line_that_leans_on_the_one_before_brings_it_along_and_a_question_what_follows()
    {
        var finder = new AnswerFinder([new AskedSource("a", Sentences("The anchor holds the clock back. It was made of steel by a smith. How thick is the rod? It has nine millimetres.")), new AskedSource("b", Sentences("Bread is baked from flour and water."))], WordKnowledge.None);
        Assert.StartsWith("The anchor holds the clock back. It was made of steel", finder.Ask("What was it made of by the smith?").Lines[0].Quote, StringComparison.Ordinal);
        var thick = finder.Ask("How thick is the rod?");
        Assert.Contains("nine millimetres", thick.Lines[0].Quote, StringComparison.Ordinal);
        Assert.Equal("nine millimetres", thick.Lines[0].Quote[thick.Parts[0].From..thick.Parts[0].To]);
        Assert.Equal("b", finder.Ask("What is bread baked from?").Lines[0].LectureId);
        Assert.DoesNotContain(thick.Lines, l => l.Quote.Contains("millimetres. Bread", StringComparison.Ordinal));
    }

    [Fact]
    public void Of_several_lectures_that_say_alike_the_one_that_is_called_after_it_comes_first()
    {
        const string Said = "The water falls fastest in the third hour. Nobody sails then.";
        AskedSource[] sources = [new("a", Sentences(Said), "Ships of old"), new("b", Sentences(Said), "How water falls")];
        Assert.Equal("b", new AnswerFinder(sources, WordKnowledge.None).Ask("When does the water fall fastest?").Lines[0].LectureId);
        Assert.Equal("a", new AnswerFinder([.. sources.Select(s => s with { Title = "" })], WordKnowledge.None).Ask("When does the water fall fastest?").Lines[0].LectureId);
    }

    [Fact]
    public void What_was_named_a_while_ago_is_still_spoken_of_a_little_less_with_each_sentence()
    {
        var ground = new AnswerGround([Sentences("A plough was brought to the village. It came from the north. Nobody had seen such a thing. It weighed nine tons.")], WordKnowledge.None);
        var said = ground.Features(Question.Read("Who brought the plough?")).Of.Select(f => f[Array.IndexOf(AnswerModel.Names, "said before")]).ToList();
        Assert.Equal(1, said[0], 3);
        Assert.All(said.Zip(said.Skip(1)), p => Assert.Equal(0.9 * p.First, p.Second, 3));
    }

    [Theory]
    [InlineData("How much does it cost to register a ship?", "It is about forty pounds.", "It is forty metres.")]
    [InlineData("What was the price of a sack?", "Nobody paid more than two francs.", "Nobody carried more than two.")]
    [InlineData("What share of the rain runs off?", "A third of it goes straight to the river.", "Three rivers take it.")]
    [InlineData("Which percentage comes back?", "It is ninety per cent.", "It is ninety metres.")]
    [InlineData("How deep is the moat?", "You would need a pole of four metres.", "You would need four poles.")]
    public void A_number_is_wanted_in_a_unit(string question, string fits, string doesNot)
    {
        Assert.True(new SentenceForms(Lecture.Sentence(fits)).FitsUnit(Question.Read(question)));
        Assert.False(new SentenceForms(Lecture.Sentence(doesNot)).FitsUnit(Question.Read(question)));
    }

    [Fact]
    public void A_rare_thing_of_which_nothing_is_said_and_a_price_where_none_is_named_speak_for_no_answer()
    {
        var vectors = WordVectors.Read(new MemoryStream(WordTable.Of(("the", 100, 0), ("ship", 0, 100), ("pay", 60, 80), ("moat", 80, -60))));
        var known = new WordKnowledge(vectors, Lexicon.None, WordRelations.None);
        var ground = new AnswerGround([[Lecture.Sentence("The ship is forty metres long."), Lecture.Sentence("It lies in the harbour.")]], known);
        double State(string question, string of) => RankedAnswer.Of(ground, Question.Read(question), AnswerModel.Learned.Ranking).State[Array.IndexOf(AnswerModel.StateNames, of)];
        Assert.Equal(0, State("How long is the ship?", "the rarest thing like none"));
        Assert.InRange(State("How deep is the moat?", "the rarest thing like none"), 0.5, 1);
        Assert.Equal(0, State("How long is the ship?", "wants a number of a unit and none is anywhere"));
        Assert.Equal(1, State("How much do you pay for the ship?", "wants a number of a unit and none is anywhere"));
    }

    [Theory]
    [InlineData("?")]
    [InlineData("x")]
    [InlineData("the of and")]
    [InlineData("<b>\u0007\u202E</b> {{}}")]
    [InlineData("¿Qué es la niebla?")]
    public void Whatever_is_asked_is_never_called_said_without_ground(string question)
    {
        var finder = new AnswerFinder([new AskedSource(null, Sentences("The anchor holds the clock back. It was made of steel by a smith. Bread is baked from flour."))], WordKnowledge.None);
        Assert.NotEqual(AnswerState.Said, finder.Ask(question).State);
        Assert.NotEqual(AnswerState.Said, finder.Ask(string.Concat(Enumerable.Repeat(question + " ", 500))).State);
    }

    [Fact]
    public void An_answer_that_was_kept_before_there_were_three_states_is_read()
    {
        Answer Read(string json) => JsonSerializer.Deserialize<Answer>(json, JsonSerializerOptions.Web)!;
        Assert.Equal(AnswerState.Said, Read("{\"isSaid\":true,\"lines\":[],\"unheardWords\":[]}").State);
        Assert.Equal(AnswerState.NotSaid, Read("{\"isSaid\":false,\"lines\":[],\"unheardWords\":[]}").State);
        foreach (var state in Enum.GetValues<AnswerState>())
        {
            Assert.Equal(state, Read(JsonSerializer.Serialize(new Answer(state, [], []), JsonSerializerOptions.Web)).State);
        }
    }

    private static List<Sentence> Sentences(string text) => text.Split(". ").Select(s => s.EndsWith('.') ? s : s + ".").SelectMany(s => s.Contains('?', StringComparison.Ordinal) ? s.Split("? ").Select((p, i) => i == 0 ? p + "?" : p) : [s]).Select(s => Lecture.Sentence(s)).ToList();
}
