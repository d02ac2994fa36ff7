using Kostel.Core.Answers;
using Kostel.Core.Text;

namespace Kostel.Core.Tests.Answers;

public class QuestionPartsTests
{
    private static readonly AnswerFinder Finder = new(
        [new AskedSource(null, [Lecture.Sentence("Good evening and welcome to all."), Lecture.Sentence("Firn is old snow that survived a summer."), Lecture.Sentence("Moulins are holes through which the water drains."), Lecture.Sentence("Firn is white because of the air in it.")])],
        WordKnowledge.None);

    [Theory]
    [InlineData("What is firn and where do moulins form?", "What is firn|where do moulins form?")]
    [InlineData("What is firn? Why do moulins drain?", "What is firn|Why do moulins drain?")]
    [InlineData("What is firn, and why is it white?", "What is firn|why is it white firn")]
    [InlineData("What is firn and why?", "What is firn|why firn")]
    [InlineData("What is firn, and how do moulins form and when does ice melt?", "What is firn|how do moulins form|when does ice melt?")]
    public void Several_questions_are_asked_each(string text, string parts) => Assert.Equal(parts.Split('|'), QuestionParts.Of(text, WordKnowledge.None).Select(p => p.Full));

    [Theory]
    [InlineData("What is firn?")]
    [InlineData("When and where does firn form?")]
    [InlineData("Why and how?")]
    [InlineData("What is the difference between what falls and what melts?")]
    [InlineData("How do snow and ice differ?")]
    [InlineData("What is it and what is that and what is this and what is firn?")]
    [InlineData("")]
    public void One_question_stays_one(string text) => Assert.Equal([text], QuestionParts.Of(text, WordKnowledge.None).Select(p => p.Full));

    [Fact]
    public void What_is_said_to_each_stands_under_its_question()
    {
        var answer = Finder.Ask("What is firn and what are moulins?");
        Assert.Equal(["What is firn", "What are moulins?"], answer.Sides.Select(s => s.Name));
        Assert.StartsWith("Firn is old snow", answer.Sides[0].Lines[0].Quote, StringComparison.Ordinal);
        Assert.StartsWith("Moulins are holes", answer.Sides[1].Lines[0].Quote, StringComparison.Ordinal);
        Assert.Equal(answer.Lines.Count, answer.Parts.Count);
    }

    [Fact]
    public void A_question_that_nothing_answers_says_so_beside_one_that_is_answered()
    {
        var answer = Finder.Ask("What is firn and who invented the telescope?");
        Assert.NotEqual(AnswerState.NotSaid, answer.State);
        Assert.Equal(AnswerState.NotSaid, answer.Sides[1].State);
        Assert.Empty(answer.Sides[1].Lines);
    }

    [Fact]
    public void Where_nothing_answers_either_the_nearest_places_are_shown_as_ever()
    {
        var answer = Finder.Ask("Who invented the telescope and who painted the telescope?");
        Assert.Equal(AnswerState.NotSaid, answer.State);
        Assert.Empty(answer.Sides);
    }
}
