using Kostel.Core.Study.Facts;
using Kostel.Core.Tests.Text;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Study;

public class FactsTests
{
    [Theory]
    [InlineData("A sluice is a gate that holds the water back, or the meadow has none.", "sluice", "a gate that holds the water back")]
    [InlineData("A mere is a lake that is shallow, or one that has no outflow.", "mere", "a lake that is shallow, or one that has no outflow")]
    [InlineData("A spring tide is a tide with a large range, which occurs after full moon.", "spring tide", "a tide with a large range, which occurs after full moon")]
    [InlineData("So slack water is the short time when the stream has stopped.", "slack water", "the short time when the stream has stopped")]
    [InlineData("Mottles are grey and rusty spots that show that a soil is often waterlogged.", "mottles", "grey and rusty spots that show that a soil is often waterlogged")]
    [InlineData("A fair stream is a stream that goes your way, and a foul stream is a stream that goes against you.", "fair stream", "a stream that goes your way")]
    [InlineData("High water is the highest level that the sea reaches, and low water is the lowest level.", "high water", "the highest level that the sea reaches")]
    [InlineData("The loss of nutrients by water that drains through the soil is called leaching.", "leaching", "the loss of nutrients by water that drains through the soil")]
    [InlineData("Now the gnomon, that's a rod, a plain one, and we set it up at noon.", "gnomon", "a rod, a plain one")]
    [InlineData("A weir, what is a weir, well, it's a wall that the river runs over.", "weir", "a wall that the river runs over")]
    [InlineData("Cold air over a warm sea, that's your sea smoke.", "sea smoke", "cold air over a warm sea")]
    [InlineData("Such a tide, with two high waters each day, is called a semidiurnal tide.", "semidiurnal tide", "a tide, with two high waters each day")]
    public void A_sentence_that_says_what_something_is(string text, string term, string meaning)
    {
        var definition = Definitions.Find(Lecture.Sentence(text));
        Assert.Equal((term, meaning), (definition?.Term, definition?.Meaning));
    }

    [Theory]
    [InlineData("This is called resonance.")]
    [InlineData("You hang everybody on the hook where the number belongs, and this is called chaining.")]
    [InlineData("That side is called the lee side.")]
    [InlineData("It is the full tank of the soil.")]
    [InlineData("The answer is a surface that grows with every cut.")]
    [InlineData("The first source is the atlas of the stream.")]
    [InlineData("The fourth thing is the wish of both sides to be bound.")]
    [InlineData("A deed is the exception that every clerk knows of.")]
    [InlineData("The weather, that's the question that everybody asks.")]
    [InlineData("The old mill, that's where I learned it.")]
    [InlineData("Fine, that's the hour for which we have the room.")]
    [InlineData("The base is the thing that most people forget about.")]
    [InlineData("Wait twenty minutes with the door shut, it's called soaking.")]
    [InlineData("See how the strands lie flat and even, that's called laying up.")]
    [InlineData("Behind the mill, do the sum, that's a million and a half.")]
    [InlineData("In the drift is the distance that the stream carries you.")]
    [InlineData("A mulch is a layer of material that covers the soil, five centimetres of.")]
    [InlineData("What is a tide with a large range?")]
    [InlineData("")]
    public void A_sentence_that_does_not(string text) => Assert.Null(text.Length == 0 ? null : Definitions.Find(Lecture.Sentence(text)));

    [Fact]
    public void An_odd_word_that_a_person_wrote_down_is_not_doubted()
    {
        var sentence = Lecture.Sentence("A hair-thin spring brings the balance back each time.");
        Sentence Sure(double each) => sentence with { Words = [.. sentence.Words.Select(w => w with { Confidence = each })] };
        Assert.Equal(1, ConfirmedWords.Settle([Sure(1)], WordKnowledge.None)[0].WeakestConfidence);
        Assert.True(ConfirmedWords.Settle([Sure(0.99)], WordKnowledge.None)[0].WeakestConfidence < 0.6);
    }

    [Theory]
    [InlineData("The soil stays cold longer in spring.", true)]
    [InlineData("Mustard grows fast but adds none.", true)]
    [InlineData("Between strangers the law presumes the opposite.", true)]
    [InlineData("The big ones suffer most from the plough.", true)]
    [InlineData("The second is a matter of taste.", true)]
    [InlineData("Soda makes the sand melt at a lower heat.", false)]
    [InlineData("Iron is heavier than oak.", false)]
    [InlineData("If you stir it the broth cools faster.", false)]
    [InlineData("The glass gets stiffer in the air.", false)]
    [InlineData("The deeper the well, the colder the water.", false)]
    [InlineData("The difference between the two is the price.", false)]
    [InlineData("None of the boats came home.", false)]
    [InlineData("About 5% is organic matter.", true)]
    [InlineData("Five per cent is organic matter.", true)]
    [InlineData("Two thirds goes back into the air.", true)]
    [InlineData("Half is lost as heat.", true)]
    [InlineData("Half of it is lost as heat.", false)]
    [InlineData("About 5% of the soil is organic matter.", false)]
    [InlineData("Seven is the number of days in a week.", false)]
    [InlineData("A quarter note is two eighths.", false)]
    [InlineData("About the tides nobody asked.", false)]
    [InlineData("Only on three conditions, the Act must be ambiguous.", true)]
    [InlineData("Except B twelve, that's the odd one out.", true)]
    [InlineData("The chin one's done like the slap.", true)]
    [InlineData("There are two ways, and the first is that the crystals change their shape.", true)]
    [InlineData("There are three kinds of salt in the sea.", false)]
    [InlineData("There are two reasons why the rope breaks.", false)]
    [InlineData("Leave a gap of a hand there for the air.", true)]
    [InlineData("If there for once is no wind, the mill stands still.", false)]
    [InlineData("Only the vapour burns.", false)]
    [InlineData("A dancer keeps one's balance with the arms.", false)]
    [InlineData("A fifth is an interval of seven semitones.", false)]
    public void What_is_left_unsaid(string text, bool isUnsaid) => Assert.Equal(isUnsaid, Unsaid.IsIn(Kostel.Core.Text.Tokens.Of(text)));

    [Theory]
    [InlineData("A lunar day is twenty four hours and fifty minutes long.", "twenty four hours and fifty minutes")]
    [InlineData("The water falls by twenty-five millimetres a week.", "twenty-five millimetres")]
    [InlineData("A mile is one thousand eight hundred and fifty two metres.", "one thousand eight hundred and fifty two metres")]
    [InlineData("High water is 4.7 metres.", "4.7 metres")]
    [InlineData("A few places have only one high water each day.", "")]
    [InlineData("One of them moves under the moon.", "")]
    [InlineData("In one day they filter a hundred and eighty litres.", "one day|a hundred and eighty litres")]
    [InlineData("They take up a fifth of the blood, and two thirds of the salt.", "a fifth|two thirds")]
    [InlineData("In the cold the rod shrinks by a tenth.", "a tenth")]
    [InlineData("A tyre loses half a bar in a month and a wide one wants four bar.", "half a bar|four bar")]
    [InlineData("Press a hundred to a hundred and twenty times a minute.", "a hundred to a hundred and twenty times")]
    [InlineData("Sea water has three and a half per cent of salt, our blood one per cent.", "one per cent")]
    [InlineData("A train doing a hundred and sixty needs a kilometre.", "")]
    [InlineData("A train doing a hundred and sixty needs about a kilometre.", "a kilometre")]
    public void Quantities_are_numbers_with_units(string text, string expected) =>
        Assert.Equal(expected, string.Join('|', Quantities.Find(Lecture.Sentence(text)).Select(q => q.Text)));

    [Theory]
    [InlineData("Gravity grows weaker with distance.", true)]
    [InlineData("So gravity grows weaker with distance.", true)]
    [InlineData("They arrive a day or two later.", false)]
    [InlineData("This delay is called the age of the tide.", false)]
    [InlineData("Half of that is twelve hours and more.", false)]
    [InlineData("Next week please bring a pencil to the quay.", false)]
    [InlineData("Gravity grows weaker with distance and the", false)]
    [InlineData("How much does gravity fall with distance?", false)]
    public void A_sentence_stands_alone_or_not(string text, bool stands) =>
        Assert.Equal(stands, QuotableSentence.IsSelfContained(Lecture.Sentence(text)));

    [Fact]
    public void Nothing_rests_on_a_word_that_was_not_heard_well()
    {
        Assert.False(QuotableSentence.IsSelfContained(Lecture.Sentence("Gravity grows weaker with distance.", confidence: 0.2)));
        Assert.False(QuotableSentence.IsHeardWell(Lecture.Sentence("The rule of T-W-E-L-F-T-H-S is an estimate.")));
        Assert.False(QuotableSentence.IsHeardWell(Lecture.Sentence("The rule of twelve s is an estimate.")));
    }

    [Theory]
    [InlineData("Three words first, the set of a stream is the direction toward which it flows.", "set of a stream")]
    [InlineData("Now the main part, a transit is a line that two marks make.", "transit")]
    [InlineData("A tide with two high waters of similar height. Is called a semidiurnal tide.", "semidiurnal tide")]
    public void What_only_leads_up_to_a_definition_is_passed_over(string text, string term) =>
        Assert.Equal(term, Definitions.Find(Lecture.Sentence(text))?.Term);

    [Theory]
    [InlineData("The oldest gates were boards that were lifted like a curtain, and these are called guillotine gates.")]
    [InlineData("A few places have one high water a day, such a tide is called a diurnal tide.")]
    [InlineData("Acidity is measured on a scale that everybody knows.")]
    public void A_name_belongs_to_what_it_is_said_of(string text) => Assert.Null(Definitions.Find(Lecture.Sentence(text)));

    [Fact]
    public void A_sentence_that_runs_on_is_read_in_parts()
    {
        var parts = Clauses.Of(Lecture.Sentence("Water also moves up, capillary rise is the movement of water On the chart it is a line.")).Select(c => c.Text).ToList();
        Assert.Contains("Capillary rise is the movement of water.", parts);
        Assert.Contains("On the chart it is a line.", parts);
        Assert.All(parts, p => Assert.True(char.IsUpper(p[0]) && p.EndsWith('.')));
        Assert.Empty(Clauses.Of(Lecture.Sentence("Gravity grows weaker with distance.")));
    }

    [Fact]
    public void A_doubtful_word_is_believed_when_it_is_heard_well_elsewhere()
    {
        var doubtful = new Sentence("p1", 0, [.. Lecture.Words("The pull of the", confidence: 0.9), .. Lecture.Words("moon.", 2_000, 0.3)]);
        var sure = Enumerable.Range(0, 3).Select(i => Lecture.Sentence("The moon is round.")).ToList();
        Assert.True(QuotableSentence.IsHeardWell(ConfirmedWords.Settle([doubtful, .. sure], WordKnowledge.None)[0]));
        Assert.False(QuotableSentence.IsHeardWell(ConfirmedWords.Settle([doubtful], WordKnowledge.None)[0]));
    }

    [Theory]
    [InlineData("clean", 0.6, true)]
    [InlineData("bendage", 0.6, false)]
    [InlineData("bendage", 0.97, false)]
    [InlineData("bendage", 1, true)]
    [InlineData("Bendage", 0.6, true)]
    [InlineData("overfall", 0.8, true)]
    [InlineData("overfall", 0.7, false)]
    public void A_word_that_no_list_has_is_doubtful_unless_it_is_a_name_or_was_written_or_is_made_of_two_that_are_known_and_was_heard_well(string word, double confidence, bool isBelieved)
    {
        var known = new WordKnowledge(WordVectors.Read(new MemoryStream(WordTable.Of(("clean", 100, 0), ("body", 90, 44)))), Lexicon.Read(new StringReader("over 0 0 0 9\nfall 9 9 0 0")), WordRelations.None);
        var said = new Sentence("p1", 0, [.. Lecture.Words("The", confidence: 0.9), .. Lecture.Words(word, 2_000, confidence), .. Lecture.Words("body.", 4_000, 0.9)]);
        Assert.Equal(isBelieved, QuotableSentence.IsHeardWell(ConfirmedWords.Settle([said], known)[0]));
        Assert.True(QuotableSentence.IsHeardWell(ConfirmedWords.Settle([said], WordKnowledge.None)[0]));
    }

    [Theory]
    [InlineData("The stream runs on for two or three hours after high water.", "two or three hours")]
    [InlineData("It lifts the sea by 20 to 30 centimetres.", "20 to 30 centimetres")]
    public void A_range_is_one_quantity(string text, string expected) =>
        Assert.Equal(expected, string.Join('|', Quantities.Find(Lecture.Sentence(text)).Select(q => q.Text)));
}
