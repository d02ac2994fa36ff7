using Kostel.Core.Answers;
using Kostel.Core.Text;

namespace Kostel.Core.Tests.Answers;

public class AnswerFinderTests
{
    private static readonly Dictionary<string, AnswerFinder> Finders =
        new[] { "01-why-tides", "02-tide-table", "03-rule-of-twelfths", "04-tidal-streams", "06-soil-water", "07-soil-acidity" }
            .ToDictionary(n => n, n => new AnswerFinder(Lecture.Of(Lecture.DemoParagraphs(n)), WordKnowledge.None));

    [Theory]
    [InlineData("What is field capacity?", "So field capacity is the amount of water that a soil holds.", true)]
    [InlineData("What is a glacier?", "A glacier is a body of ice that moves.", true)]
    [InlineData("What are moulins?", "Moulins are the holes through which water drains.", true)]
    [InlineData("What is field capacity?", "Field capacity is important to growers.", false)]
    [InlineData("What is field capacity?", "Capacity is a matter of the field.", false)]
    [InlineData("What is field capacity?", "Field capacity is the what?", false)]
    [InlineData("Why is field capacity low?", "Field capacity is the amount of water that a soil holds.", false)]
    public void What_is_defined_outright_is_said(string question, string sentence, bool isSaid) => Assert.Equal(isSaid, OutrightDefinition.Is(Question.Read(question), sentence));

    [Theory]
    [InlineData("What is different in our harbour?")]
    [InlineData("What is different in our harbor?")]
    [InlineData("What differs in the harbours?")]
    public void A_word_is_found_in_either_spelling(string question)
    {
        var answer = new AnswerFinder([new AskedSource(null, [Lecture.Sentence("Water is warm here."), Lecture.Sentence("In our harbor it is often six hours."), Lecture.Sentence("Bread is baked there.")])], WordKnowledge.None).Ask(question);
        Assert.Contains("In our harbor", answer.WordsThatAnswer(0), StringComparison.Ordinal);
        Assert.DoesNotContain(answer.UnheardWords, w => w.StartsWith("harb", StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("01-why-tides", "What is a spring tide?", "a tide with a large range")]
    [InlineData("01-why-tides", "How long is a lunar day?", "twenty four hours and fifty minutes")]
    [InlineData("01-why-tides", "Why do the highest springs come late?", "takes time to respond")]
    [InlineData("01-why-tides", "How much does the sea rise when air pressure falls by one hectopascal?", "one centimetre")]
    [InlineData("01-why-tides", "What is the main cause of the tides?", "pull of the moon")]
    [InlineData("02-tide-table", "What is chart datum?", "the level from which depths")]
    [InlineData("02-tide-table", "How is the clearance of a bridge measured?", "highest astronomical tide")]
    [InlineData("02-tide-table", "How much must you add in summer?", "one hour")]
    [InlineData("03-rule-of-twelfths", "What is a tidal hour?", "one sixth of the time")]
    [InlineData("03-rule-of-twelfths", "How large is the error of the rule at springs?", "twenty centimetres")]
    [InlineData("04-tidal-streams", "What is slack water?", "the stream has stopped")]
    [InlineData("04-tidal-streams", "How many metres is a nautical mile?", "eight hundred and fifty two")]
    [InlineData("06-soil-water", "How much available water does a loam hold?", "one hundred and seventy")]
    [InlineData("06-soil-water", "What is field capacity?", "drained freely")]
    [InlineData("07-soil-acidity", "Why do soils become acid?", "carbon dioxide")]
    [InlineData("07-soil-acidity", "How long must you wait between lime and manure?", "six weeks")]
    public void A_question_that_the_lecture_answers(string lecture, string question, string says)
    {
        var answer = Finders[lecture].Ask(question);
        Assert.NotEqual(AnswerState.NotSaid, answer.State);
        Assert.Contains(answer.Lines, l => l.Quote.Contains(says, StringComparison.OrdinalIgnoreCase));
    }

    [Theory]
    [InlineData("01-why-tides", "Who discovered the cause of the tides?")]
    [InlineData("01-why-tides", "How deep is the Pacific?")]
    [InlineData("01-why-tides", "What is a tsunami?")]
    [InlineData("02-tide-table", "How much does a tide table cost?")]
    [InlineData("03-rule-of-twelfths", "What engine should a boat have?")]
    [InlineData("04-tidal-streams", "How do satellites measure currents?")]
    [InlineData("06-soil-water", "What is hydroponics?")]
    [InlineData("06-soil-water", "How many litres does a tomato need?")]
    [InlineData("07-soil-acidity", "Which lime is sold in Denmark?")]
    [InlineData("07-soil-acidity", "the of and")]
    [InlineData("07-soil-acidity", "?")]
    public void A_question_that_it_does_not(string lecture, string question) => Assert.False(Finders[lecture].Ask(question).IsSaid);

    [Fact]
    public void The_nearest_passages_are_shown_with_the_words_that_were_never_said()
    {
        var answer = Finders["02-tide-table"].Ask("How much does a tide table cost?");
        Assert.NotEmpty(answer.Lines);
        Assert.Equal(["cost"], answer.UnheardWords);
    }

    [Fact]
    public void Every_line_is_quoted_word_for_word()
    {
        var paragraphs = string.Join(' ', Lecture.DemoParagraphs("06-soil-water"));
        var lines = Finders["06-soil-water"].Ask("When should you water?").Lines;
        Assert.NotEmpty(lines);
        Assert.All(lines, l => Assert.Contains(l.Quote, paragraphs, StringComparison.Ordinal));
    }

    [Fact]
    public void A_lecture_without_words_answers_nothing() =>
        Assert.False(new AnswerFinder(Kostel.Core.Transcripts.TranscriptBuilder.Build([], 1000), WordKnowledge.None).Ask("What is a tide?").IsSaid);

    [Fact]
    public void What_is_offered_to_be_asked_is_answered_and_each_thing_once()
    {
        var tides = Lecture.Of(Lecture.DemoParagraphs("04-tidal-streams"));
        var offered = WorthAsking.Of(tides, WordKnowledge.None, 5);
        Assert.InRange(offered.Count, 1, 5);
        Assert.Equal(offered.Count, offered.Distinct().Count());
        Assert.All(offered, q => Assert.Equal(AnswerState.Said, Finders["04-tidal-streams"].Ask(q).State));
        Assert.Empty(WorthAsking.Of(Kostel.Core.Transcripts.TranscriptBuilder.Build([], 1000), WordKnowledge.None, 5));
    }

    [Fact]
    public void Numbers_match_however_they_are_said() =>
        Assert.Equal(AskedWords.Of("three point six metres"), AskedWords.Of("3.6 metres"));
}
