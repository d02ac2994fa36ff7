using Kostel.Core.Lectures;
using Kostel.Core.Study.Quizzes;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Study;

public sealed class KeptQuizTests
{
    private static readonly DateTime Then = new(2026, 3, 1, 10, 0, 0, DateTimeKind.Utc);
    private static readonly Evidence Place = new("p1", 0, 1_000, "Water is wet.");

    [Theory]
    [MemberData(nameof(QuizMarkingTests.EveryKind), MemberType = typeof(QuizMarkingTests))]
    public void A_question_of_every_kind_comes_back_out_of_a_file_with_what_was_answered(QuestionContent asks)
    {
        var (_, kept) = Written(new KeptQuiz(Then, [KeptQuizQuestion.Of(asks, Place)], [new KeptAttempt(Then, [asks.Solution]), new KeptAttempt(Then, [QuizAnswer.Open])]));
        var content = kept!.Quizzes![0].Questions[0].Content;
        Assert.Equal((asks.Kind, string.Join('|', asks.Texts)), (content.Kind, string.Join('|', content.Texts)));
        Assert.Equal([true, false], kept.Quizzes[0].Attempts!.Select(a => content.IsRight(a.Choices[0])));
        Assert.Equal(asks.Places, content.Places);
    }

    [Theory]
    [InlineData("\"pairs\": [", "\"pairs\": [ 7,")]
    [InlineData("\"kind\": \"match\"", "\"kind\": \"riddle\"")]
    [InlineData("\"partners\": [", "\"partners\": [ null,")]
    public void A_senseless_one_is_refused(string good, string bad)
    {
        var (text, _) = Written(new KeptQuiz(Then, [KeptQuizQuestion.Of(new MatchQuestion("What belongs?", ["a", "b"], ["two", "one"], [1, 0], [Place, Place]), Place)]));
        Assert.Contains(good, text, StringComparison.Ordinal);
        Assert.Throws<FormatException>(() => LectureFormat.ReadThings(text.Replace(good, bad, StringComparison.Ordinal)));
    }

    [Fact]
    public void Other_words_that_are_right_too_come_back_and_empty_ones_are_refused()
    {
        var (text, kept) = Written(new KeptQuiz(Then, [KeptQuizQuestion.Of(new ShortQuestion("What is measured?", "speed") { Also = ["velocity"] }, Place)]));
        Assert.True(kept!.Quizzes![0].Questions[0].Content.IsRight(new QuizAnswer([], "velocity")));
        Assert.Throws<FormatException>(() => LectureFormat.ReadThings(text.Replace("\"velocity\"", "null", StringComparison.Ordinal)));
    }

    private static (string Text, KeptThings? Kept) Written(KeptQuiz quiz)
    {
        var transcript = Lecture.Of("Water is wet.");
        var text = LectureFormat.Write(new KeptLecture(transcript, new KeptThings(new LectureFacts("Wet"), Quizzes: [quiz])));
        return (text, LectureFormat.ReadThings(text));
    }
}
