using Kostel.Core.Answers;
using Kostel.Core.Text;

namespace Kostel.Core.Tests.Answers;

public sealed class FollowUpTests
{
    [Theory]
    [InlineData("Why?", "Is chart datum low?", Wanted.Reason, "chart datum low")]
    [InlineData("And why is that?", "Is chart datum low?", Wanted.Reason, "chart datum low")]
    [InlineData("How often?", "Does the keeper oil the clock?", Wanted.Quantity, "keeper oil clock")]
    [InlineData("And at neaps?", "How much does the sea rise at springs?", Wanted.Quantity, "neaps sea rise springs")]
    [InlineData("What about the mast?", "How high is the bridge?", Wanted.Quantity, "mast bridge")]
    [InlineData("How thick is it?", "Which wood is used for the top?", Wanted.Quantity, "thick wood top")]
    public void A_question_that_leans_on_the_one_before_takes_its_words(string text, string before, Wanted wants, string words)
    {
        var understood = FollowUp.Understood(text, before, WordKnowledge.None);
        Assert.NotNull(understood);
        var read = Question.Read(understood);
        Assert.Equal(wants, read.Wants);
        Assert.Equal(AskedWords.Of(words).Where(w => !w.IsPlain).Select(w => w.Stem).Order(), read.Words.Where(w => !w.IsPlain).Select(w => w.Stem).Order());
    }

    [Theory]
    [InlineData("What is chart datum?", "How high is the bridge?")]
    [InlineData("And how are the differences for a secondary port applied to the table?", "How high is the bridge?")]
    [InlineData("Why?", null)]
    [InlineData("Why?", "?")]
    [InlineData("", "How high is the bridge?")]
    [InlineData("?!", "How high is the bridge?")]
    public void Any_other_stands_by_itself(string text, string? before) => Assert.Null(FollowUp.Understood(text, before, WordKnowledge.None));

    [Fact]
    public void What_was_taken_is_known() =>
        Assert.Equal(["chart", "datum"], FollowUp.Taken("Why is it low?", FollowUp.Understood("Why is it low?", "What is chart datum?", WordKnowledge.None)!));
}
