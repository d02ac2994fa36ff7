using System.Text.Json;
using Kostel.Core.Problems;
using Kostel.Core.Study.Quizzes;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Study;

public sealed class QuizMarkingTests
{
    private static readonly Evidence Place = new("p1", 0, 1_000, "Water is wet.");

    [Theory]
    [InlineData("the pendulum", "Pendulum", true)]
    [InlineData("pendulums", "the pendulum", true)]
    [InlineData("pendulm", "the pendulum", true)]
    [InlineData("permanent wilting point", "the permanent wilting point", true)]
    [InlineData("wilting point", "the permanent wilting point", false)]
    [InlineData("tin", "tan", false)]
    [InlineData("not the moon", "the moon", false)]
    [InlineData("the moon and the sun and the earth and the stars", "the moon", false)]
    [InlineData("", "the moon", false)]
    [InlineData("3 runners", "three runners", true)]
    public void What_is_written_may_be_worded_a_little_otherwise(string written, string said, bool isRight) =>
        Assert.Equal(isRight, new GapQuestion("____ swings.", said).IsRight(new QuizAnswer([], written)));

    [Theory]
    [InlineData("twelve hours", "12 hours", false, true)]
    [InlineData("12", "twelve hours", false, true)]
    [InlineData("12 h", "twelve hours", false, false)]
    [InlineData("12 days", "twelve hours", false, false)]
    [InlineData("13 hours", "twelve hours", false, false)]
    [InlineData("13 hours", "about twelve hours", true, true)]
    [InlineData("30 cm", "thirty centimetres", false, true)]
    [InlineData("30cm", "30 centimeters", false, true)]
    [InlineData("7%", "seven per cent", false, true)]
    [InlineData("7.5", "7 %", false, false)]
    [InlineData("many", "twelve hours", false, false)]
    public void A_number_is_right_in_figures_or_words_with_its_unit_or_without(string written, string said, bool isRough, bool isRight) =>
        Assert.Equal(isRight, new NumberQuestion("It takes ____.", said, isRough).IsRight(new QuizAnswer([], written)));

    public static TheoryData<QuestionContent> EveryKind =>
    [
        new ChoiceQuestion("Which?", ["a", "b", "c"], 2),
        new SeveralQuestion("Which?", ["a", "b", "c"], [0, 2]),
        new GapQuestion("____ is wet.", "water"),
        new ShortQuestion("What is wet?", "water"),
        new NumberQuestion("It takes ____.", "ten minutes", false),
        new OrderQuestion("In which order?", ["b", "c", "a"], [2, 0, 1]),
        new MatchQuestion("What belongs?", ["a", "b"], ["two", "one"], [1, 0], [Place, Place]),
    ];

    [Theory]
    [MemberData(nameof(EveryKind))]
    public void Every_kind_is_sound_takes_its_solution_and_no_answer_of_another_form(QuestionContent asks)
    {
        Assert.True(asks.IsSound && asks.IsRight(asks.Solution) && asks.Takes(QuizAnswer.Open));
        Assert.False(asks.IsRight(QuizAnswer.Open));
        Assert.False(asks.Takes(new QuizAnswer([99], "both")));
        Assert.False(asks.Takes(new QuizAnswer([-7, 3, 3, 3])));
        Assert.Equal(asks.Texts, asks.With(asks.Texts).Texts);
        var stored = JsonSerializer.Deserialize<QuestionContent>(JsonSerializer.Serialize(asks, JsonSerializerOptions.Web), JsonSerializerOptions.Web)!;
        Assert.Equal((asks.Kind, string.Join('|', asks.Texts)), (stored.Kind, string.Join('|', stored.Texts)));
        Assert.True(stored.IsRight(asks.Solution));
    }

    [Fact]
    public void Answers_from_before_there_were_other_kinds_are_read_and_single_choices_written_as_then()
    {
        var old = JsonSerializer.Deserialize<List<QuizAnswer>>("[2,-1]", JsonSerializerOptions.Web)!;
        Assert.Equal(2, Assert.Single(old[0].Chosen));
        Assert.True(old[1].IsOpen);
        Assert.Equal("[2,-1]", JsonSerializer.Serialize(old, JsonSerializerOptions.Web));
        var others = new List<QuizAnswer> { new([1, 0]), new([], "ten") };
        Assert.Equal(JsonSerializer.Serialize(others), JsonSerializer.Serialize(JsonSerializer.Deserialize<List<QuizAnswer>>(JsonSerializer.Serialize(others))));
    }

    [Fact]
    public void Answers_of_another_quiz_are_refused()
    {
        var quiz = new List<QuestionContent> { new ChoiceQuestion("Which?", ["a", "b"], 0), new GapQuestion("____", "water") };
        QuizMarking.Require([QuizAnswer.Of(1), new QuizAnswer([], "ice")], quiz);
        Assert.Equal(1, QuizMarking.RightCount([QuizAnswer.Of(0), new QuizAnswer([], "ice")], quiz));
        Assert.Throws<NotValidException>(() => QuizMarking.Require([QuizAnswer.Of(1)], quiz));
        Assert.Throws<NotValidException>(() => QuizMarking.Require([new QuizAnswer([], "ice"), QuizAnswer.Of(1)], quiz));
        Assert.Throws<NotValidException>(() => QuizMarking.Require([QuizAnswer.Of(1), new QuizAnswer([], new string('a', 501))], quiz));
    }
}
