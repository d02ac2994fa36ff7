using Kostel.Core.Answers;
using Kostel.Core.Answers.Forms;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Answers;

public sealed class AnswerFormTests
{
    [Theory]
    [InlineData("What is the difference between springs and neaps?", "springs", "neaps")]
    [InlineData("How does lime differ from chalk?", "lime", "chalk")]
    [InlineData("Compare the sandy soil with the clay soil.", "sandy soil", "clay soil")]
    [InlineData("Rye versus wheat?", "Rye", "wheat")]
    public void Two_things_that_are_compared_are_told_apart(string text, string one, string other) => Assert.Equal((one, other), ComparedThings.In(text));

    [Theory]
    [InlineData("What is a spring tide?")]
    [InlineData("What is the difference between lime and lime?")]
    [InlineData("")]
    public void Nothing_is_compared_otherwise(string text) => Assert.Null(ComparedThings.In(text));

    [Theory]
    [InlineData("A soil is made of sand, silt and clay.", "sand|silt|clay")]
    [InlineData("You need a bucket, a long rope, and two people.", "a bucket|a long rope|two people")]
    [InlineData("So remember three numbers: seven, nine and eleven.", "seven|nine|eleven")]
    [InlineData("It rises and falls.", "")]
    [InlineData("", "")]
    public void Things_told_one_after_the_other_are_found(string text, string items) =>
        Assert.Equal(items, string.Join('|', Enumerations.In(text).Select(p => text[p.From..p.To])));

    [Theory]
    [InlineData("Does lime raise the pH?", "Lime raises the pH of the soil.", true)]
    [InlineData("Does lime lower the pH?", "Lime does not lower the pH.", false)]
    [InlineData("Does lime raise the pH?", "No, lime does nothing of the kind.", false)]
    [InlineData("Does lime raise the pH?", "Lime raises the pH if it rains.", null)]
    [InlineData("Does lime raise the pH?", "Some people think lime raises the pH.", null)]
    [InlineData("Does lime raise the pH?", "The pH is measured in autumn.", null)]
    [InlineData("Does lime raise the pH?", "Does lime raise the pH?", null)]
    public void Yes_or_no_is_said_only_where_the_sentence_says_so_outright(string question, string sentence, bool? says) =>
        Assert.Equal(says, Verdict.Of(Question.Read(question), question, sentence));

    [Theory]
    [InlineData("ten mites", "five mites", true)]
    [InlineData("ten mites", "10 mites", false)]
    [InlineData("ten mites", "five metres", false)]
    [InlineData("because of the rain", "five metres", false)]
    public void Lectures_differ_where_they_name_other_numbers_of_one_unit(string one, string other, bool differ) => Assert.Equal(differ, Differences.Differ([("a", one), ("b", other)]));

    [Fact]
    public void Numbers_of_one_lecture_do_not_differ_from_each_other() => Assert.False(Differences.Differ([("a", "ten mites"), ("a", "five mites")]));

    [Fact]
    public void Steps_around_the_answer_are_one_line_with_each_step()
    {
        var answer = Ask("How do I move the queen into a new box?", "Bees are insects.", "First look for the queen.", "Then take her out with three frames.", "Next put the queen into a new box.", "Finally give both boxes food.", "Honey is sweet.");
        Assert.Equal(AnswerForm.Steps, answer.Form);
        Assert.Equal(4, answer.Items.Count);
        Assert.Equal("First look for the queen.", answer.Lines[0].Quote[answer.Items[0].From..answer.Items[0].To]);
    }

    [Fact]
    public void A_comparison_has_what_is_said_of_each()
    {
        var answer = Ask("What is the difference between springs and neaps?", "At springs the range is large.", "The harbour is old.", "At neaps the range is small.", "The pilot is tired.");
        Assert.Equal(AnswerForm.Comparison, answer.Form);
        Assert.Equal([("Springs", "At springs the range is large."), ("Neaps", "At neaps the range is small.")], answer.Sides.Select(s => (s.Name, s.Lines[0].Quote)));
    }

    [Fact]
    public void The_places_for_somebody_who_writes_do_not_overlap()
    {
        var found = new AnswerFinder([new AskedSource("a", Lecture.Said("The tide rises.", "The tide falls.", "The tide turns.", "Ships wait.", "The tide ebbs.", "Men sleep."))], WordKnowledge.None).Nearest("What does the tide do?", 4);
        Assert.All(found, f => Assert.DoesNotContain(found, o => o != f && o.StartMs < f.EndMs && f.StartMs < o.EndMs));
        Assert.Empty(new AnswerFinder([new AskedSource("a", [])], WordKnowledge.None).Nearest("Why?", 4));
    }

    private static Answer Ask(string question, params string[] sentences) => new AnswerFinder([new AskedSource("a", Lecture.Said(sentences))], WordKnowledge.None).Ask(question);
}
