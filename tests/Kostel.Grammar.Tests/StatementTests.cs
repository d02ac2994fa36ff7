using Kostel.Core.Captions;
using Kostel.Core.Study;
using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Quizzes;
using Kostel.Core.Study.Statements;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Grammar.Tests;

/// <summary>What is made of what people say, with the real parser: texts of several manners, of this test's own.</summary>
public sealed class StatementTests : IDisposable
{
    private const string Glass = """
        So, good morning, everybody, and today we look at how a window is made.
        Glass is a solid whose parts have no order.
        It is made of sand, soda and lime, and the oven has fifteen hundred degrees.
        Soda lowers the point at which the sand melts, and lime keeps the glass from dissolving in water.
        The melt floats on a bath of tin, because tin is heavier and perfectly flat.
        You know, my uncle once dropped a whole pane, but that's another story.
        If the glass cools too quickly, it keeps a tension inside.
        First the sand is weighed.
        Then the mixture is melted.
        Finally the ribbon is cooled over a hundred metres.
        The ribbon leaves the bath at six hundred degrees, and it moves ten metres a minute.
        Lead makes glass heavy and bright, so crystal contains about twenty four per cent of it.
        Glass does not flow at room temperature, whatever you have heard about old windows.
        A hardened pane breaks into small blunt pieces.
        """;

    private const string Bakery = """
        Okay, so, er, bread, I do this every night so stop me if I'm too quick.
        The starter has to be, let's say, twenty six degrees, not more, or it goes sour.
        And then you fold it, four times in two hours, and you don't knead it.
        Salt comes in late because it slows the yeast.
        A crust needs steam in the first ten minutes, otherwise it splits.
        I take the loaf out when it sounds hollow, and I never cut it hot.
        Rye has hardly any gluten, so a rye loaf stays flat.
        """;

    private readonly GrammarProcess grammar = new();

    public void Dispose() => grammar.Dispose();

    [Theory]
    [InlineData(Glass)]
    [InlineData(Bakery)]
    public void Statements_are_words_of_the_lecture_in_a_row_and_what_is_left_out_changes_nothing(string text)
    {
        var lecture = Read(text);
        var sentences = Sentences.Of(lecture.Passages);
        var all = StatementFinder.Of(sentences, [], grammar).All;
        Assert.NotEmpty(all);
        foreach (var group in all.GroupBy(s => s.Sentence))
        {
            var words = sentences[group.Key].Words.ToList();
            var kept = group.SelectMany(s => s.Part.Words.Select(w => w.StartMs)).ToHashSet();
            Assert.All(group, s => Assert.Equal(Enumerable.Range(0, s.Part.Words.Count).Select(k => words[words.FindIndex(w => w.StartMs == s.Part.StartMs) + k].StartMs), s.Part.Words.Select(w => w.StartMs)));
            var dropped = words.Where(w => !kept.Contains(w.StartMs)).SelectMany(w => Tokens.Of(w.Text)).ToList();
            // A clause of its own may lean on something that is not there, and is then no statement; it is not part of one without it either.
            if (group.Count() == 1 && group.Single().Part.Words.Count > words.Count / 2)
            {
                Assert.DoesNotContain(dropped, w => NumberWords.IsNumber(w) || w is "not" or "no" or "never" or "don't" or "if" or "unless" or "hardly" or "only");
            }
        }
    }

    [Fact]
    public void Clauses_side_by_side_are_two_statements_and_a_condition_stays_with_its_clause()
    {
        var all = StatementFinder.Of(Sentences.Of(Read(Glass).Passages), [], grammar).All.Select(s => s.Part.Text).ToList();
        Assert.Contains("Soda lowers the point at which the sand melts.", all);
        Assert.Contains("Lime keeps the glass from dissolving in water.", all);
        Assert.Contains("If the glass cools too quickly, it keeps a tension inside.", all);
    }

    [Fact]
    public void With_the_grammar_more_of_a_lecture_can_be_asked_about_and_each_card_rests_on_its_words()
    {
        var lecture = Read(Glass);
        var cards = CardMaker.Make(lecture, 12, grammar);
        Assert.True(cards.Count > CardMaker.Make(lecture, 12).Count);
        var check = new SourceCheck(lecture);
        Assert.All(cards, c => Assert.True(check.Of(c.Source).Holds, c.Source.Quote));
        Assert.DoesNotContain(cards, c => c.Content.Front.Contains("uncle", StringComparison.Ordinal) || c.Content.Front.Contains("good morning", StringComparison.OrdinalIgnoreCase));
    }

    [Fact]
    public void A_quiz_of_twelve_has_at_least_four_kinds_each_answered_by_its_own_solution()
    {
        var quiz = QuizMaker.Make(Read(Glass + "\n" + Bakery), 12, grammar: grammar);
        Assert.True(quiz.Count >= 9, $"{quiz.Count} questions");
        Assert.True(quiz.Select(q => q.Content.Kind).Distinct().Count() >= 4, string.Join(' ', quiz.Select(q => q.Content.Kind)));
        Assert.All(quiz, q => Assert.True(q.Content.IsSound && q.Content.IsRight(q.Content.Solution) && !q.Content.IsRight(QuizAnswer.Open), q.Content.Stem));
        Assert.Contains(quiz, q => q.Content is OrderQuestion order && order.Items[order.Order[0]] == "The sand is weighed");
    }

    [Fact]
    public void Nothing_is_asked_twice_in_one_quiz_nor_told_by_another_question()
    {
        var quiz = QuizMaker.Make(Read(Glass + "\n" + Bakery), 20, grammar: grammar);
        var pairs = quiz.SelectMany(q => quiz.Where(o => o != q).SelectMany(o => Shown(o).Select(shown => (Asked: q.Asks ?? q.Source, Shown: shown)))).ToList();
        Assert.NotEmpty(pairs);
        Assert.All(pairs, p => Assert.True(p.Shown.EndMs <= p.Asked.StartMs || p.Shown.StartMs >= p.Asked.EndMs, p.Asked.Quote));

        static IEnumerable<Evidence> Shown(QuestionDraft question) => question.Content.Places.Count > 0 ? question.Content.Places : [question.Source];
    }

    [Theory]
    [InlineData("The most dangerous cargo is a little water in a wide tank.", "dangerous cargo")]
    [InlineData("The heat of the kettle explains why ordinary glass breaks in boiling water.", "ordinary glass breaks")]
    [InlineData("A few volcanoes of the island stand far from any edge of the plate.", "any edge")]
    [InlineData("The letters of both words would land on the same hook of the rail.", "the same hook")]
    public void Half_a_comparison_a_verb_and_what_may_be_anything_are_not_asked_for(string said, string missing)
    {
        var ground = new StudyGround(Read($"We look at the first part of it today.\n{said}\nThe rest is for the next week.\nPlease read the chapter."), grammar);
        Assert.DoesNotContain(ground.Asked.SelectMany(ground.Facts.All), g => g.Missing.StartsWith(missing, StringComparison.OrdinalIgnoreCase));
    }

    [Theory]
    [InlineData(4)]
    [InlineData(5)]
    [InlineData(6)]
    public void A_short_quiz_has_four_kinds_too_where_the_lecture_gives_them(int count)
    {
        var quiz = QuizMaker.Make(Read(Glass), count, grammar: grammar);
        Assert.Equal(count, quiz.Count);
        Assert.True(quiz.Select(q => q.Content.Kind).Distinct().Count() >= 4, string.Join(", ", quiz.Select(q => q.Content.Kind)));
    }

    private static Transcript Read(string text)
    {
        var sentences = LinedText.Read(text)!.Sentences;
        return new Transcript("en", sentences[^1].EndMs, [Speaker.Unnamed(1)], [.. sentences.Select((s, n) => new Passage($"p{n + 1}", "v1", s.StartMs, s.EndMs, s.Words))], []);
    }
}
