using Kostel.Core.Answers;
using Kostel.Core.Tests.Text;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Answers;

public class MeantWordsTests
{
    /// <summary>A dictionary that has what the tests say, but for rare terms and mishearings.</summary>
    private static readonly WordKnowledge Known = WordKnowledge.None with
    {
        Lexicon = Lexicon.Read(new StringReader(string.Join('\n', "what who why loss soil water drain field fields hold erosion move run call moment much model valve wind full question mean".Split(' ').Select(w => $"{w} 5 1 0 0")))),
        Vectors = WordVectors.Read(new MemoryStream(WordTable.Of(("water", 1, 0), ("soil", 0, 1)))),
    };

    private static readonly IReadOnlyList<Sentence> Said =
    [
        Lecture.Sentence("Infiltration is the movement of water into the soil."),
        Lecture.Sentence("A field drains, and what it holds then is called its capacity.", 1),
        Lecture.Sentence("The loss of soil by wind is called derosion."),
        Lecture.Sentence("The varve is a layer of one year.", 1),
    ];

    [Theory]
    [InlineData("What is infiltraton?", "What is infiltration?")]
    [InlineData("What is infiltrration of water?", "What is infiltration of water?")]
    [InlineData("What does a feild hold?", "What does a field hold?")]
    [InlineData("What is called its capasity?", "What is called its capacity?")]
    public void A_slip_is_taken_for_the_word_that_the_lecture_says(string asked, string meant) => Assert.Equal(meant, Read(asked).Question);

    [Fact]
    public void A_word_that_the_recogniser_misheard_is_found_by_the_right_one()
    {
        var (question, meant) = Read("What is erosion?");
        Assert.Equal("What is derosion?", question);
        Assert.Equal(new MeantWord("erosion", "derosion"), Assert.Single(meant));
    }

    [Fact]
    public void A_slip_that_is_like_nothing_in_the_lecture_is_taken_for_a_known_word() => Assert.Equal("How does a valve run?", Read("How does a vavle run?").Question);

    [Theory]
    [InlineData("What is infiltration?")]
    [InlineData("How much water does a soil hold?")]
    [InlineData("What do fields mean?")]
    [InlineData("What is a valve?")]
    [InlineData("What is “infiltraton”?")]
    [InlineData("What is \"infiltraton\"?")]
    [InlineData("What is 12 N?")]
    [InlineData("Why doesn't a field hold water, and why shouldn’t it?")]
    [InlineData("Xyzzy plugh quux infiltraton frobozz?")]
    [InlineData("Was ist Infiltratiom und wie schnell geht das?")]
    [InlineData("?")]
    [InlineData("")]
    public void What_is_said_or_written_as_it_is_meant_stays(string asked)
    {
        var (question, meant) = Read(asked);
        Assert.Equal(asked, question);
        Assert.Empty(meant);
    }

    [Fact]
    public void Without_a_dictionary_nothing_is_a_slip() => Assert.Empty(Of(WordKnowledge.None).Read("What is infiltraton?").Meant);

    [Fact]
    public void A_slip_costs_no_answer()
    {
        var answer = new AnswerFinder([new AskedSource(null, Said)], Known).Ask("What is infiltraton?");
        Assert.StartsWith("Infiltration is", answer.Lines[0].Quote, StringComparison.Ordinal);
        Assert.Empty(answer.UnheardWords);
        Assert.Equal(new MeantWord("infiltraton", "infiltration"), Assert.Single(answer.Meant));
    }

    [Fact]
    public void A_question_of_ten_thousand_letters_is_read() => Assert.Empty(Read(new string('x', 10_000)).Meant);

    private static (string Question, IReadOnlyList<MeantWord> Meant) Read(string question) => Of(Known).Read(question);

    private static MeantWords Of(WordKnowledge known)
    {
        var ground = new AnswerGround([Said], known);
        return new MeantWords(Said, w => ground.SentencesWith(w.Stem) > 0, known);
    }
}
