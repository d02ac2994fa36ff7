using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Quizzes;
using Kostel.Core.Study.Summaries;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Study;

public class StudyMaterialTests
{
    private static readonly Dictionary<string, Transcript> Lectures =
        new[] { "01-why-tides", "04-tidal-streams", "05-soil-texture", "06-soil-water", "07-soil-acidity" }
            .ToDictionary(n => n, n => Lecture.Of(Lecture.DemoParagraphs(n)));

    public static TheoryData<string> Names => [.. Lectures.Keys];

    [Theory]
    [MemberData(nameof(Names))]
    public void Ten_cards_ask_different_things_and_answer_in_words_of_the_lecture(string name)
    {
        var lecture = Lectures[name];
        var cards = CardMaker.Make(lecture);
        Assert.Equal(10, cards.Count);
        Assert.Equal(10, cards.Select(c => c.Content.Front).Distinct().Count());
        var words = lecture.Passages.SelectMany(p => Tokens.Of(p.Text)).ToHashSet();
        Assert.All(cards, c => Assert.Subset(words, Tokens.Of(c.Content.Back).Where(w => w != "because").ToHashSet()));
        Assert.All(cards, c => Assert.InRange(Tokens.Of(c.Content.Back).Count, 1, 28));
    }

    [Theory]
    [MemberData(nameof(Names))]
    public void No_card_points_to_what_is_not_on_it(string name)
    {
        string[] dangling = ["this", "these", "those", "here", "we", "our", "tonight"];
        Assert.All(CardMaker.Make(Lectures[name]), c => Assert.Empty(Tokens.Of(c.Content.Front + " " + c.Content.Back).Intersect(dangling)));
    }

    [Theory]
    [MemberData(nameof(Names))]
    public void Every_card_and_question_knows_where_it_was_said(string name)
    {
        var lecture = Lectures[name];
        var sources = CardMaker.Make(lecture).Select(c => c.Source).Concat(QuizMaker.Make(lecture).Select(q => q.Source));
        Assert.All(sources, s =>
        {
            var passage = lecture.Passages.Single(p => p.Id == s.PassageId);
            // A part of a sentence is quoted with a capital and a full stop.
            Assert.Contains(s.Quote.TrimEnd('.'), passage.Text, StringComparison.OrdinalIgnoreCase);
            Assert.InRange(s.StartMs, passage.StartMs, passage.EndMs);
        });
    }

    /// <summary>Item-writing guidelines of Haladyna, Downing and Rodriguez (2002), as far as form shows them.</summary>
    [Theory]
    [MemberData(nameof(Names))]
    public void A_quiz_keeps_the_guidelines_for_choice_questions(string name)
    {
        var quiz = QuizMaker.Make(Lectures[name], 12);
        Assert.InRange(quiz.Count, 6, 12);
        Assert.All(quiz, q => Assert.True(q.Content.IsSound && q.Content.IsRight(q.Content.Solution), q.Content.Stem));
        Assert.All(quiz.Select(q => q.Content).OfType<ChoiceQuestion>(), q =>
        {
            Assert.InRange(q.Choices.Count, 3, 4);
            Assert.Equal(q.Choices.Count, q.Choices.Select(c => c.ToLowerInvariant()).Distinct().Count());
            Assert.DoesNotContain(q.Choices, c => c.Contains("above", StringComparison.OrdinalIgnoreCase));
            Assert.Contains('?', q.Stem);
        });
    }

    [Fact]
    public void The_key_is_not_always_in_the_same_place() =>
        Assert.True(Lectures.Values.SelectMany(l => QuizMaker.Make(l)).Select(q => q.Content).OfType<ChoiceQuestion>().Select(q => q.Key).Distinct().Count() > 1);

    [Fact]
    public void The_same_seed_gives_the_same_quiz()
    {
        var lecture = Lectures["06-soil-water"];
        Assert.Equal(QuizMaker.Make(lecture, seed: 4).Select(q => string.Join('|', q.Content.Texts)), QuizMaker.Make(lecture, seed: 4).Select(q => string.Join('|', q.Content.Texts)));
    }

    [Theory]
    [MemberData(nameof(Names))]
    public void A_summary_has_lines_from_every_chapter_in_order_and_is_short(string name)
    {
        var lecture = Lectures[name];
        var summary = Summarizer.Summarize(lecture);
        Assert.Equal(lecture.Chapters.Select(c => c.Title), summary.Select(p => p.Chapter));
        Assert.All(summary, p => Assert.NotEmpty(p.Lines));
        var lines = summary.SelectMany(p => p.Lines).ToList();
        Assert.Equal(lines.Select(l => l.StartMs).Order(), lines.Select(l => l.StartMs));
        var share = lines.Sum(l => Tokens.Of(l.Quote).Count) / (double)lecture.Passages.Sum(p => p.Words.Count);
        Assert.InRange(share, 0.05, 0.4);
    }

    [Fact]
    public void A_lecture_without_words_gives_nothing()
    {
        var empty = TranscriptBuilder.Build([], 60_000);
        Assert.Empty(CardMaker.Make(empty));
        Assert.Empty(QuizMaker.Make(empty));
        Assert.Empty(Summarizer.Summarize(empty));
    }

    [Theory]
    [InlineData("High water comes every twelve hours.", "How often does high water come?", "Every twelve hours.")]
    [InlineData("The time from one high water to the next is half a lunar day, which is twelve hours.", "What is the time from one high water to the next?", "Twelve hours.")]
    [InlineData("When the wind blows against the stream, the waves become short and steep. This is called wind over tide, with a wind of nine knots.", "Give the term: when the wind blows against the stream, the waves become short and steep.", "Wind over tide.")]
    [InlineData("The waves run in at an angle and straight out again, so every pebble goes along the beach. Longshore drift it's called, and here it goes to the east.", "Give the term: the waves run in at an angle and straight out again, so every pebble goes along the beach.", "Longshore drift.")]
    [InlineData("A fair stream is a stream that goes your way, and a foul stream is a stream that goes against you.", "What is a foul stream?", "A stream that goes against you.")]
    [InlineData("When the air pressure falls by one hectopascal, the sea rises by one centimetre, so a deep low lifts it a lot.", "When the air pressure falls by one hectopascal, what follows?", "The sea rises by one centimetre.")]
    [InlineData("A monopoly is a market in which one seller meets many buyers.", "What is a monopoly?", "A market in which one seller meets many buyers.")]
    public void A_statement_becomes_a_question(string lecture, string front, string back) =>
        Assert.Contains(CardMaker.Make(Lecture.Of(lecture)), c => (c.Content.Front, c.Content.Back) == (front, back));

    [Theory]
    [InlineData("If high water is at two in the afternoon, the fair stream runs until noon.")]
    [InlineData("A useful habit is to look at two marks in line, one behind the other.")]
    [InlineData("Lovely, that's a good hole in the sock.")]
    [InlineData("If you climb a ladder of perfect fifths you should be back at the same note, a bit higher.")]
    [InlineData("The pale alga makes sugar out of light and the fungus makes the house.")]
    [InlineData("The old presumption only holds as long as the statute says nothing.")]
    public void An_example_becomes_none(string lecture) => Assert.Empty(CardMaker.Make(Lecture.Of(lecture)));
}
