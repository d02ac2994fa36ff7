using Kostel.Core.Answers;

namespace Kostel.Core.Tests.Answers;

public class BareQuestionTests
{
    [Theory]
    [InlineData("hi, what is firn? thanks", "what is firn?")]
    [InlineData("Good evening! What is firn? Many thanks in advance.", "What is firn?")]
    [InlineData("Sorry, I was late. Why is firn white", "Why is firn white")]
    [InlineData("What is firn? Please explain it in simple words.", "What is firn?")]
    [InlineData("Can you tell me what firn is?", "what firn is?")]
    [InlineData("I have an exam tomorrow and I really need to know exactly how deep a crevasse gets", "how deep a crevasse gets")]
    [InlineData("could you please explain to us again why ice flows?", "why ice flows?")]
    [InlineData("My friend wondered where moulins form", "where moulins form")]
    [InlineData("For the final: does firn melt in summer?", "does firn melt in summer?")]
    [InlineData("Does the guide say when the wall was built?", "when the wall was built?")]
    [InlineData("What is firn? Why is firn white? Cheers", "What is firn? Why is firn white?")]
    [InlineData("ok so how long does it take for firn to form", "how long does it take for firn to form")]
    public void What_stands_around_a_question_is_left_out(string typed, string asked) => Assert.Equal(asked, BareQuestion.Of(typed));

    [Theory]
    [InlineData("What is firn?")]
    [InlineData("Why?")]
    [InlineData("And at neaps?")]
    [InlineData("firn density")]
    [InlineData("I have a sandy soil. How often should I water it?")]
    [InlineData("We heard of firn. Why is it white?")]
    [InlineData("How do you tell whether glass is hot?")]
    [InlineData("Who knows what firn is?")]
    [InlineData("How do I know when the tide turns?")]
    [InlineData("Well depth?")]
    [InlineData("Explain the ratio 1:2, is that right?")]
    [InlineData("Is the lecturer sure about firn?")]
    [InlineData("thanks")]
    [InlineData("?!")]
    [InlineData("")]
    public void What_is_asked_about_stays(string typed) => Assert.Equal(typed, BareQuestion.Of(typed));

    [Fact]
    public void Ten_thousand_letters_are_read_at_once() => Assert.NotEmpty(BareQuestion.Of(string.Join(' ', Enumerable.Repeat("tell me why, or how: what?", 400))));

    [Theory]
    [InlineData("hi, how far does firn reach? thanks", Wanted.Quantity)]
    [InlineData("I want to understand why firn is white.", Wanted.Reason)]
    [InlineData("Who is asking: what is firn?", Wanted.Definition)]
    public void What_is_wanted_is_read_from_the_question_alone(string typed, Wanted wanted) => Assert.Equal(wanted, Question.Read(typed).Wants);
}
