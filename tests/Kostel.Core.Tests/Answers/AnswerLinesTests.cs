using Kostel.Core.Answers;
using Kostel.Core.Text;

namespace Kostel.Core.Tests.Answers;

public class AnswerLinesTests
{
    private static readonly string[] Roof =
    [
        "Welcome to the evening on old houses.", "We begin with the cellar.", "A cellar keeps the potatoes cool.", "The walls are of stone.", "Then there is the roof.", "The roof of such a house is steep.",
        "It is so because the snow has to slide off.", "The chimney stands in the middle.", "Bees live in the wall.", "The door is low.", "People were shorter then.", "The window faces south.", "Thank you for coming.",
    ];

    [Fact]
    public void What_stands_beside_the_words_of_the_question_is_quoted_with_them()
    {
        var line = Ask("Why is the roof steep?", Roof).Lines[0];
        Assert.Contains("The roof of such a house is steep. It is so because the snow has to slide off.", line.Quote, StringComparison.Ordinal);
    }

    [Fact]
    public void What_answers_is_set_off_where_the_reason_stands()
    {
        var answer = Ask("Why is the roof steep?", Roof);
        Assert.Equal("because the snow has to slide off", answer.WordsThatAnswer(0));
    }

    [Fact]
    public void The_chances_of_all_sentences_make_one_and_follow_their_scores()
    {
        var chances = RankedAnswer.Chances([1, 3, 2, -900]);
        Assert.Equal(1, chances.Sum(), 9);
        Assert.True(chances[1] > chances[2] && chances[2] > chances[0] && chances[0] > chances[3]);
        Assert.All(chances, c => Assert.InRange(c, 0, 1));
    }

    [Theory]
    [InlineData("Why is the roof steep?")]
    [InlineData("What do bees do?")]
    [InlineData("How low is the door?")]
    [InlineData("What about elephants?")]
    public void No_sentence_is_quoted_twice_and_no_line_is_long(string question)
    {
        var quoted = Ask(question, Roof).Lines.Select(l => Roof.Where(s => l.Quote.Contains(s, StringComparison.Ordinal)).ToList()).ToList();
        Assert.All(quoted, q => Assert.InRange(q.Count, 1, 6));
        Assert.Equal(quoted.Sum(q => q.Count), quoted.SelectMany(q => q).Distinct().Count());
    }

    [Fact]
    public void A_line_never_runs_from_one_lecture_into_the_next()
    {
        var finder = new AnswerFinder([new AskedSource("a", Lecture.Said(["The kettle boils.", "The lamp burns with oil."])), new AskedSource("b", Lecture.Said(["Oil burns in the lamp.", "Ships carry oil."]))], WordKnowledge.None);
        foreach (var line in finder.Ask("What burns in the lamp?").Lines)
        {
            Assert.Equal(line.LectureId, line.Quote.Contains("kettle", StringComparison.Ordinal) || line.Quote.Contains("with oil", StringComparison.Ordinal) ? "a" : "b");
        }
    }

    private static Answer Ask(string question, string[] sentences) => new AnswerFinder([new AskedSource("a", Lecture.Said(sentences))], WordKnowledge.None).Ask(question);
}
