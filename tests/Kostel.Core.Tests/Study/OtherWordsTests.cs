using Kostel.Core.Study.Quizzes;
using Kostel.Core.Study.Statements;
using Kostel.Core.Tests.Text;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Study;

/// <summary>Words that the lecture does not use: right where they mean the same, wrong where they are of the same kind.</summary>
public class OtherWordsTests
{
    // An invented list: speed and pace are one, speed and volume are kinds of a quantity.
    private static readonly WordRelations Relations = WordRelations.Read(new StringReader("quantity||\nspeed velocity pace|0|\nvolume bulk|0|\nwell|0|"));

    private static OtherWords Of(string lecture) => new(new WordKnowledge(WordVectors.None, Lexicon.None, Relations), Sentences.Of(Lecture.Of(lecture).Passages));

    [Fact]
    public void A_word_that_means_the_same_is_right_too()
    {
        var asks = new ShortQuestion("What is measured?", "the mean speed").WithAlso(Of("We measure the mean speed of the cart.").Saying);
        Assert.Equal(["the mean velocity", "the mean pace"], asks.Also);
        Assert.True(asks.IsRight(new QuizAnswer([], "mean pace")));
        Assert.False(asks.IsRight(new QuizAnswer([], "mean volume")));
    }

    [Fact]
    public void What_the_lecture_uses_itself_it_may_tell_apart()
    {
        var asks = new ShortQuestion("What has a direction?", "velocity").WithAlso(Of("Speed has none, velocity has a direction.").Saying);
        Assert.Equal(["pace"], asks.Also);
        Assert.False(asks.IsRight(new QuizAnswer([], "speed")));
    }

    [Fact]
    public void A_number_has_no_other_words_and_a_correction_keeps_them()
    {
        Assert.Null(new NumberQuestion("How fast?", "4 speed", IsRough: false).WithAlso(Of("It is fast.").Saying).Also);
        var asks = (ShortQuestion)new ShortQuestion("What?", "speed").WithAlso(Of("It is fast.").Saying).With(["Which?", "speed"]);
        Assert.Equal(["velocity", "pace"], asks.Also!);
    }

    [Theory]
    [InlineData("the speed of light in empty space falls")]
    [InlineData("you may well")]
    public void A_sentence_and_words_that_every_sentence_has_stay_as_they_are(string answer) =>
        Assert.Null(new ShortQuestion("What follows?", answer).WithAlso(Of("It is fast.").Saying).Also);

    [Fact]
    public void Words_that_are_used_otherwise_do_not_mean_the_same_whatever_a_dictionary_says()
    {
        var vectors = WordVectors.Read(new MemoryStream(WordTable.Of(("speed", 100, 0), ("velocity", 90, 44), ("pace", 20, 98))));
        var known = new OtherWords(new WordKnowledge(vectors, Lexicon.None, Relations), []);
        Assert.Equal(["velocity"], known.Saying("speed"));
    }

    [Fact]
    public void Taken_away_each_other_word_is_in_the_package()
    {
        var asks = new ShortQuestion("What is measured?", "speed").WithAlso(Of("It is fast.").Saying);
        var files = QtiPackage.Write("Carts", [new QuestionDraft(asks, new Evidence("p1", 0, 1, "speed"))]);
        Assert.Contains(files, f => f.Content.Contains("map-key=\"velocity\"", StringComparison.Ordinal));
    }

    [Fact]
    public void In_which_share_of_its_meanings_a_word_is_a_kind_of_something()
    {
        Assert.Equal(1, Relations.ShareOf("speeds", "quantity"));
        Assert.Equal(0, Relations.ShareOf("quantity", "speed"));
        Assert.Equal(0, Relations.ShareOf("well", "person"));
        var twofold = WordRelations.Read(new StringReader("person||\nbaker|0|\nbaker oven|3|\nthing||"));
        Assert.Equal(0.5, twofold.ShareOf("baker", "person"));
    }

    [Fact]
    public void A_list_of_kinds_that_goes_in_a_circle_comes_to_an_end() =>
        Assert.Equal(0, WordRelations.Read(new StringReader("person||\nhen|2|\negg|1|")).ShareOf("hen", "person"));

    [Fact]
    public void Without_knowledge_of_words_there_are_none()
    {
        var none = new OtherWords(WordKnowledge.None, []);
        Assert.Empty(none.Saying("the mean speed"));
        Assert.Empty(none.OfOneKindWith("speed"));
    }

    [Fact]
    public void The_wrong_choices_are_things_that_are_used_as_the_right_one_is()
    {
        var vectors = WordVectors.Read(new MemoryStream(WordTable.Of(("deed", 100, 0), ("offer", 90, 44), ("pledge", 80, 60), ("voyage", -20, 98), ("clerk", -90, 44))));
        var wrong = new WrongChoices([.. new[] { "clerk", "voyage", "pledge", "offer", "other pledge" }.Select(n => new NamedThing(n, "the", false))], new OtherWords(new WordKnowledge(vectors, Lexicon.None, WordRelations.None), []));
        Assert.Equal(["the offer", "the pledge"], wrong.For(new NamedThing("deed", "the", false), "A promise in ____ binds.", 3));
    }

    [Fact]
    public void The_article_does_not_tell_which_choice_is_wrong()
    {
        var words = new OtherWords(new WordKnowledge(WordVectors.Read(new MemoryStream(WordTable.Of(("deed", 100, 0), ("offer", 95, 30), ("pledge", 90, 44), ("order", 92, 38), ("voyage", 99, 10)))), Lexicon.None, WordRelations.None), []);
        var wrong = new WrongChoices([new("voyage", "the", false), new("offer", "an", false), new("pledge", "a", false), new("order", "an", false)], words);
        Assert.Equal(["an offer", "an order", "a pledge"], wrong.For(new NamedThing("deed", "a", false), "____ binds.", 3));
        Assert.All(wrong.For(new NamedThing("deed", "the", false), "____ binds.", 3), c => Assert.StartsWith("the ", c, StringComparison.Ordinal));
    }
}
