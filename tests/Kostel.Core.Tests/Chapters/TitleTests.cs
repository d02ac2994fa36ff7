using Kostel.Core.Chapters.Titles;
using Kostel.Core.Tests.Text;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Chapters;

public class TitleTests
{
    private static readonly Lexicon Words = Lexicon.Read(new StringReader("""
        bread 30 0 0 0
        change 60 80 0 0
        clay 20 0 0 0
        dry 0 20 60 0
        fine 3 1 40 2
        grain 20 1 0 0
        loaf 10 1 0 0
        lime 10 2 0 0
        measure 10 40 0 0
        river 40 0 0 0
        sandy 0 0 8 0
        soil 40 2 0 0
        stale 0 1 12 0
        texture 20 0 0 0
        tide 30 1 0 0
        turn 20 90 0 0
        water 150 5 0 0
        wide 0 0 50 5
        """));

    private static readonly WordKnowledge Known = new(WordVectors.None, Words, WordRelations.None);

    private static List<Sentence> Chapter(params string[] texts) => texts.Select(t => Lecture.Sentence(t)).ToList();

    [Theory]
    [InlineData("What is a tide?", "What a tide is")]
    [InlineData("So, why does the river turn so wide?", "Why the river turns so wide")]
    [InlineData("Can you change the texture of a soil?", "Changing the texture of a soil")]
    [InlineData("How do we measure the water?", "How to measure the water")]
    [InlineData("Who is a river for?", "Who a river is for")]
    [InlineData("So what is bread made of, then?", "What bread is made of")]
    [InlineData("What can a river change?", "What a river can change")]
    [InlineData("What else turns soil?", "What turns soil")]
    [InlineData("How wide does the river turn?", "How wide the river turns")]
    [InlineData("Why did the soil change?", "Why the soil changed")]
    [InlineData("What don't we measure?", "What we don't measure")]
    [InlineData("Why doesn't the river change?", "Why the river doesn't change")]
    [InlineData("Okay, that was the soil, but which tide turns the water?", "Which tide turns the water")]
    [InlineData("I wonder why the river turns.", null)]
    [InlineData("How long may one stay in it, then?", null)]
    [InlineData("What is it?", null)]
    [InlineData("Do you see this?", null)]
    public void A_question_at_the_beginning_is_a_title_when_it_stands_by_itself(string asked, string? title) =>
        Assert.Equal(title, AskedTitles.Of(asked, Words));

    [Theory]
    [InlineData("Now let us turn to the weather, because the tables cannot know it.", "the weather")]
    [InlineData("A word about lime.", "lime")]
    [InlineData("It rains.", null)]
    public void What_is_announced_is_known(string said, string? announced) => Assert.Equal(announced, AskedTitles.Announced(said));

    [Theory]
    [InlineData("So the river turns, because the soil changes, and you see it.", "why the river turns|the soil changes")]
    [InlineData("If the clay is dry, the loaf changes.", "the loaf changes")]
    [InlineData("It turns and this changes them.", "")]
    [InlineData("Bread is stale.", "")]
    [InlineData("The tide is four loaf.", "")]
    [InlineData("Does the river turn the soil?", "")]
    [InlineData("I ask myself how the river turned the soil.", "how the river turned the soil")]
    [InlineData("What turns the river is only the tide.", "what turns the river")]
    [InlineData("You learn how to measure the tide.", "how to measure the tide")]
    [InlineData("It means that the river turns.", "the river turns")]
    [InlineData("People believe that the river turns.", "")]
    [InlineData("A wide river meant that the tide turned.", "the tide turned")]
    [InlineData("The tide changed which the river turned.", "")]
    [InlineData("The water that the river turned is wide.", "")]
    [InlineData("The tide turned how you see.", "")]
    [InlineData("So no river turns the soil.", "no river turns the soil")]
    public void A_short_clause_that_stands_by_itself_can_be_a_title(string said, string clauses)
    {
        var found = new ClausePhrases(Words).Of(Chapter(said)).Select(p => WordForms.Small(p.Text));
        Assert.Equal(clauses, string.Join('|', found));
    }

    [Theory]
    [InlineData("Then you turn the soil.", "turning the soil")]
    [InlineData("We measured a wide river.", "measuring a wide river")]
    [InlineData("You don't change the water.", "")]
    public void What_somebody_does_with_a_thing_can_be_a_title(string said, string doing) =>
        Assert.Equal(doing, string.Join('|', new EnglishPhrases(Words).Of(Chapter(said)).Where(p => p.Form == PhraseForm.Doing).Select(p => p.Text)));

    [Theory]
    [InlineData("So how do they change?", "How they change")]
    [InlineData("Well, the river turns in the tide, you see.", "the river turns in the tide")]
    [InlineData("That's where most of the water turns.", "where most of the water turns")]
    [InlineData("It's full of water, I think.", "full of water|It's full of water")]
    [InlineData("And we call that the turning point, because it turns.", "turning point")]
    [InlineData("It is 40 metres.", "")]
    [InlineData("Because of the", "")]
    [InlineData("The clay is dry, and had a turn of the river.", "The clay is dry")]
    [InlineData("The clay is dry, doesn't change the water.", "The clay is dry")]
    [InlineData("So who does need some?", "")]
    [InlineData("That's what's called the turning point.", "turning point")]
    [InlineData("We call them lime were not dry so we turned.", "")]
    public void What_is_said_in_few_words_can_be_a_title(string said, string titles)
    {
        var found = new SpokenClauses(Words).Of(Chapter(said)).Select(p => p.Text).Where(t => t.Contains(' ', StringComparison.Ordinal));
        Assert.Equal(titles, string.Join('|', found));
    }

    [Fact]
    public void A_lecturer_who_begins_with_thanks_and_with_themselves_introduces_and_a_farewell_closes()
    {
        var first = Chapter("Well, thank you, I am no speaker.", "I have a bench and a bag.", "My river is wide.");
        var clay = Chapter("Clay is fine.", "Fine clay holds water.", "The clay grains are wide.", "Clay turns with water.");
        var last = Chapter("That's about it.", "The door is open.");
        var titles = ChapterTitles.For([first, clay, last], Known);
        Assert.Equal(("Introduction", "Closing words"), (titles[0], titles[2]));
    }

    [Fact]
    public void What_is_counted_of_a_phrase_has_a_name_and_a_weight_and_is_a_number()
    {
        List<IReadOnlyList<Sentence>> chapters = [Chapter("Clay is fine.", "How does clay turn?", "And so on."), Chapter("A loaf."), Chapter("Yes.")];
        var candidates = new TitleCandidates(chapters, Known, "en");
        var features = new TitleFeatures(chapters, candidates.Weights, Known);
        foreach (var counts in chapters.SelectMany((_, c) => new TitlePool(chapters, candidates, Words).Of(c).Select(p => features.Of(c, p))))
        {
            Assert.Equal(TitleFeatures.Names.Length, counts.Length);
            Assert.Equal(TitleWeights.Count, counts.Length);
            Assert.All(counts, n => Assert.True(double.IsFinite(n)));
        }
    }

    [Fact]
    public void A_statement_about_what_the_chapter_speaks_of_is_rather_its_title_than_two_words()
    {
        var titles = ChapterTitles.For(
            [
                Chapter("Here I have a bag, it came from my garden.", "As you know, the clay grains change the water.", "You saw the grains turn it, in the water, and clay too."),
                Chapter("And I have a loaf here.", "Somebody asked me about the loaf, well, stale bread is a dry loaf."),
            ],
            Known);
        Assert.Equal("The clay grains change the water", titles[0]);
    }

    [Fact]
    public void One_word_is_no_title_where_the_lecture_says_something_of_it()
    {
        var titles = ChapterTitles.For(
            [
                Chapter("Clay is a soil with fine grains that the water turns in every tide.", "There is clay, and clay, and more clay here.", "You see it."),
                Chapter("A loaf.", "And a loaf of bread.", "A loaf again, and a loaf, in May."),
                Chapter("There was a tide.", "A tide came in May, and a tide again.", "And the tide turned, and then it went."),
            ],
            Known);
        Assert.Equal("What clay is", titles[0]);
        Assert.Equal("Loaf of bread", titles[1]);
        Assert.All(titles, t => Assert.Contains(' ', t));
    }

    [Fact]
    public void A_name_keeps_its_capital_inside_a_title()
    {
        var titles = ChapterTitles.For([Chapter("The tide turned.", "A tide, a tide.", "In Bergen the river is wide, and Bergen has a tide.", "Bergen, Bergen."), Chapter("A loaf is a loaf.", "Bread.")], Known);
        Assert.Contains("Bergen", titles[0], StringComparison.Ordinal);
    }

    [Fact]
    public void The_beginning_and_the_end_are_called_what_they_are()
    {
        var welcome = Chapter("Good evening and welcome.", "Tonight we look at soils.", "Next week we speak about lime.");
        var clay = Chapter("Clay is fine.", "Fine clay holds water.", "The clay grains are wide.", "Clay turns with water.");
        var bread = Chapter("Stale bread is not dry bread.", "The loaf is stale.", "A loaf of bread.");
        var end = Chapter("To sum up, clay holds water.", "For next week do the exercises.", "Thank you, good night.");
        var titles = ChapterTitles.For([welcome, clay, bread, end], Known);
        Assert.Equal(("Welcome and plan", "Summing up and homework"), (titles[0], titles[3]));
        Assert.Equal("Stale bread is not dry bread", titles[2]);
        Assert.Contains("clay", titles[1], StringComparison.OrdinalIgnoreCase);
        Assert.True(titles[1].Split(' ').Length is >= 2 and <= 7, titles[1]);
        Assert.Equal(4, titles.Distinct().Count());
    }

    [Fact]
    public void Without_a_lexicon_and_in_Spanish_chapters_have_names_of_the_lecture_too()
    {
        var titles = ChapterTitles.For([Chapter("The barometer falls.", "A barometer weighs the air."), Chapter("The mooring holds.", "A mooring needs chain.")], WordKnowledge.None);
        Assert.Contains("arometer", titles[0]);
        Assert.Contains("ooring", titles[1]);
        var spanish = ChapterTitles.For([Chapter("La niebla es una nube.", "La niebla moja el suelo."), Chapter("El viento mueve las nubes.", "El viento sopla.")], Known, "es");
        Assert.Contains("niebla", spanish[0], StringComparison.OrdinalIgnoreCase);
        Assert.Contains("viento", spanish[1], StringComparison.OrdinalIgnoreCase);
        Assert.DoesNotContain(spanish, t => t.Contains(" and ", StringComparison.Ordinal));
        Assert.Contains(spanish, t => !t.Contains(' '));
    }

    [Fact]
    public void Spanish_chapters_are_called_what_they_ask_or_explain_and_their_edges_what_they_are()
    {
        var titles = ChapterTitles.For(
            [
                Chapter("Buenos días a todos.", "En la clase de hoy vamos a hablar de las mareas."),
                Chapter("¿Por qué sube el mar?", "La luna atrae el mar.", "El mar sube dos veces al día."),
                Chapter("La pleamar es el nivel más alto de la marea.", "¿Qué hace esto?", "En la pleamar entran los barcos."),
                Chapter("En resumen, la luna manda.", "Para la próxima clase, lean el capítulo dos.", "Muchas gracias."),
            ],
            WordKnowledge.None,
            "es");
        Assert.Equal(["Bienvenida y plan", "Por qué sube el mar", "Qué es la pleamar", "Resumen y tareas"], titles);
    }

    [Theory]
    [InlineData("Gracias a todos y hasta la próxima.", "Despedida")]
    [InlineData("Traigan un cuaderno.", "Tareas")]
    [InlineData("El agua pesa más que el aire.", null)]
    public void A_Spanish_end_is_told_by_what_is_said_at_ends(string said, string? title) => Assert.Equal(title, SpanishTitles.Closing(Chapter(said)));

    [Theory]
    [InlineData("¿Por qué la usamos?")]
    [InlineData("¿Qué es esto?")]
    [InlineData("¿Ustedes qué creen?")]
    public void A_Spanish_question_that_points_at_something_names_nothing(string asked) => Assert.Empty(SpanishTitles.Of(Chapter(asked), _ => 1));

    [Fact]
    public void What_is_defined_by_several_words_is_named_by_them_and_a_single_word_asked_for()
    {
        string First(params string[] texts) => ChapterTitles.For([Chapter(texts), Chapter("The river turns water.", "The river is wide.")], Known)[0];
        Assert.Equal("Stale bread", First("Stale bread is bread that has turned dry.", "Stale bread is dry, and stale bread is no loaf."));
        Assert.Equal("What lime is", First("Lime is a white powder of burnt stone that people spread over their beds.", "They spread it early."));
    }

    [Fact]
    public void A_word_that_no_list_knows_and_that_was_only_heard_is_no_title()
    {
        var known = new WordKnowledge(WordVectors.Read(new MemoryStream(WordTable.Of(("soil", 100, 0), ("water", 90, 44), ("river", 80, 10)))), Words, WordRelations.None);
        string[] soil = ["Soil turns to derosion.", "Dry soil is fine soil."];
        string[] river = ["The river turns water.", "The river is wide."];
        string First(double confidence) => ChapterTitles.For([[.. soil.Select(t => Lecture.Sentence(t, confidence))], Chapter(river)], known)[0];
        Assert.Equal("Soil turns to derosion", First(1));
        Assert.Equal("Fine soil", First(0.9));
    }

    [Fact]
    public void Chapters_that_say_nothing_still_have_different_names()
    {
        var titles = ChapterTitles.For([Chapter("Yes."), Chapter("No."), Chapter("Well then.")], Known);
        Assert.Equal(3, titles.Distinct().Count());
        Assert.DoesNotContain(titles, t => t.StartsWith("Part", StringComparison.Ordinal));
    }

    [Fact]
    public void Other_titles_are_of_the_chapter_and_none_that_is_there_or_says_the_same()
    {
        var chapters = new List<IReadOnlyList<Sentence>>
        {
            Chapter("Welcome everybody.", "Today we speak of soil."),
            Chapter("What is a tide?", "The tide turns the river.", "The wide river changes with the tide.", "A tide is water that is moved."),
            Chapter("Why does the soil change?", "Clay is a fine soil.", "Sandy soil is dry."),
        };
        var titles = ChapterTitles.For(chapters, Known);
        var others = ChapterTitles.Others(chapters, 1, Known, "en", titles, 3);
        Assert.InRange(others.Count, 1, 3);
        Assert.Empty(others.Intersect(titles, StringComparer.OrdinalIgnoreCase));
        Assert.All(others, t => Assert.Contains(Stems(t), s => !Stems(titles[1]).Contains(s) && !others.TakeWhile(o => o != t).SelectMany(Stems).Contains(s)));
        Assert.All(others, t => Assert.Contains(Stems(t), s => s is "tide" or "river" or "water"));

        static List<string> Stems(string title) => [.. Tokens.Of(title).Where(w => !StopWords.Contains(w)).Select(Tokens.Stem)];
    }

    [Fact]
    public void A_chapter_in_which_nothing_is_said_has_no_other_titles() =>
        Assert.Empty(ChapterTitles.Others([[], Chapter("Clay is a fine soil.")], 0, Known, "en", ["Silence", "Soil"], 5));

    [Theory]
    [InlineData("cost", "cost")]
    [InlineData("set", "set")]
    [InlineData("turn", "turned")]
    public void The_past_of_some_verbs_is_as_their_present(string verb, string past) => Assert.Equal(past, VerbForms.Past(verb));

    [Theory]
    [InlineData("Okay, come closer, and mind the bucket.", "Welcome")]
    [InlineData("Evening all, have you got your clay?", "Welcome")]
    public void A_first_chapter_that_only_calls_people_in_is_a_welcome(string said, string title) => Assert.Equal(title, EdgeTitles.Opening(Chapter(said)));

    [Theory]
    [InlineData("That's me done, I think.", "Closing words")]
    [InlineData("I think that I shall stop here, and I am glad to take questions.", "Questions")]
    public void A_last_chapter_that_only_says_goodbye_is_told(string said, string title) => Assert.Equal(title, EdgeTitles.Closing(Chapter(said)));

    [Fact]
    public void A_few_sentences_at_either_end_of_several_chapters_are_no_more_than_that()
    {
        var titles = ChapterTitles.For([Chapter("Everybody got boots on."), Chapter("What is a tide?", "The tide turns the river."), Chapter("Why does the soil change?", "Clay is a fine soil."), Chapter("Bang your boots on the post.")], Known);
        Assert.Equal(("Introduction", "Closing words"), (titles[0], titles[3]));
    }

    [Theory]
    [InlineData("So what is a loaf, it's bread.", "what a loaf is")]
    [InlineData("Now, what's soil texture, you'll ask.", "what soil texture is")]
    public void What_is_asked_and_answered_in_one_breath_is_a_title(string said, string title) =>
        Assert.Contains(new SpokenClauses(Words).Of(Chapter(said)), p => p.Text == title);
}
