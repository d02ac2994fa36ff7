using Kostel.Core.Answers;
using Kostel.Core.Text;

namespace Kostel.Core.Tests.Answers;

public class RequestedMaterialTests
{
    [Theory]
    [InlineData("summarise the lecture", StudyMaterial.Summary)]
    [InlineData("Could you please summarize this?", StudyMaterial.Summary)]
    [InlineData("a short summary of this chapter in 5 lines", StudyMaterial.Summary)]
    [InlineData("give me 3 key points", StudyMaterial.Summary)]
    [InlineData("What are the main ideas?", StudyMaterial.Summary)]
    [InlineData("make ten flashcards", StudyMaterial.Cards)]
    [InlineData("hi, quiz me on this lecture please", StudyMaterial.Quiz)]
    public void Study_material_is_told_from_a_question(string wish, StudyMaterial material) => Assert.Equal(material, RequestedMaterial.Of(wish));

    [Theory]
    [InlineData("What is field capacity?")]
    [InlineData("What does the summary of the treaty say?")]
    [InlineData("What are the three points of the compass rose?")]
    [InlineData("summarise what was said about lime")]
    [InlineData("Why?")]
    [InlineData("What is the lecture about?")]
    [InlineData("")]
    public void A_question_is_a_question(string text) => Assert.Null(RequestedMaterial.Of(text));

    [Fact]
    public void What_is_made_elsewhere_is_not_looked_for()
    {
        var finder = new AnswerFinder([new AskedSource(null, [Lecture.Sentence("Clay holds more water than sand."), Lecture.Sentence("Lime works slowly.")])], WordKnowledge.None);
        var answer = finder.Ask("Summarise the lecture, please");
        Assert.Equal((StudyMaterial.Summary, AnswerState.NotSaid), (answer.Material, answer.State));
        Assert.Empty(answer.Lines);
        Assert.Null(finder.Ask("What holds more water?").Material);
    }
}
