using Kostel.Core.Answers;

namespace Kostel.Core.Tests.Answers;

public class QuestionTests
{
    [Theory]
    [InlineData("What is field capacity?", Wanted.Definition)]
    [InlineData("What's field capacity?", Wanted.Definition)]
    [InlineData("whats field capacity", Wanted.Definition)]
    [InlineData("field capacity definition", Wanted.Definition)]
    [InlineData("Explain field capacity", Wanted.Definition)]
    [InlineData("please describe field capacity", Wanted.Definition)]
    [InlineData("the meaning of field capacity", Wanted.Definition)]
    [InlineData("Explain why clay holds more water", Wanted.Reason)]
    [InlineData("Explain the field trip to the old quarry by train", Wanted.Statement)]
    [InlineData("field capacity", Wanted.Statement)]
    [InlineData("Who's the keeper?", Wanted.Person)]
    [InlineData("wheres the moulin", Wanted.Place)]
    [InlineData("When'd the wall fall?", Wanted.Time)]
    [InlineData("why'd it fall", Wanted.Reason)]
    [InlineData("How many pores are there?", Wanted.Quantity)]
    [InlineData("How does one drain a field?", Wanted.Steps)]
    [InlineData("Is clay heavy?", Wanted.YesNo)]
    [InlineData("Which soil drains?", Wanted.Choice)]
    [InlineData("Which year was it?", Wanted.Time)]
    [InlineData("What causes a tide?", Wanted.Reason)]
    public void The_form_of_a_question_says_what_is_wanted(string question, Wanted wanted) => Assert.Equal(wanted, Question.Read(question).Wants);

    [Theory]
    [InlineData("How deep is it?", Measured.Length)]
    [InlineData("How often must one water?", Measured.Frequency)]
    [InlineData("how much does it cost", Measured.Money)]
    [InlineData("What share of it is air?", Measured.Share)]
    [InlineData("How long is a lunar day?", Measured.Extent)]
    [InlineData("How long does it last?", Measured.Duration)]
    public void A_number_is_wanted_in_its_unit(string question, Measured unit) => Assert.Equal(unit, Question.Read(question).Unit);

    [Theory]
    [InlineData("What's field capacity?", "field capacity")]
    [InlineData("whats the harbour", "harbour")]
    [InlineData("Could you tell me what twenty litres weigh?", "20 litre weigh")]
    [InlineData("define firn", "firn")]
    public void What_a_question_is_about_are_its_telling_words(string question, string words) =>
        Assert.Equal(words.Split(' ').Order(), Question.Read(question).Words.Select(w => w.Word.TrimEnd('s')).Order());

    [Theory]
    [InlineData("")]
    [InlineData("?!")]
    [InlineData("  ")]
    public void Nothing_asks_for_nothing(string question) => Assert.Empty(Question.Read(question).Words);
}
