using Kostel.Core.Study;
using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Quizzes;
using Kostel.Core.Study.Sheets;
using Kostel.Core.Study.Statements;
using Kostel.Core.Study.Summaries;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Study;

public class SpanishStudyTests
{
    private const string Bees =
        """
        Hoy vamos a hablar de las abejas y de su casa.
        La colmena es una caja de madera en la que viven las abejas.
        La abeja que pone los huevos se llama reina.
        Al macho de la abeja se le llama zángano.
        El polen es un polvo fino que las abejas recogen de las flores.
        Una obrera vive unas 6 semanas en verano.
        La reina puede poner 2.000 huevos en un solo día.
        La miel no se estropea porque tiene muy poca agua.
        El propóleo es una resina con la que las abejas cierran las grietas.
        La salida de un grupo de abejas con su reina se llama enjambre.
        Esto lo veremos en la próxima clase.
        """;

    [Fact]
    public void Cards_ask_for_names_meanings_numbers_and_reasons()
    {
        var cards = CardMaker.Make(Said(Bees), 20);
        Assert.Equal(
            [
                ("¿Qué es la colmena?", "Una caja de madera en la que viven las abejas."),
                ("¿Cómo se llama la abeja que pone los huevos?", "Reina."),
                ("¿Cómo se llama el macho de la abeja?", "Zángano."),
                ("¿Qué es el polen?", "Un polvo fino que las abejas recogen de las flores."),
                ("Una obrera vive unas ____ semanas en verano.", "6."),
                ("La reina puede poner ____ huevos en un solo día.", "2.000."),
                ("La miel no se estropea. ¿Por qué?", "Porque tiene muy poca agua."),
                ("¿Qué es el propóleo?", "Una resina con la que las abejas cierran las grietas."),
                ("¿Cómo se llama la salida de un grupo de abejas con su reina?", "Enjambre."),
            ],
            cards.Select(c => (c.Content.Front, c.Content.Back)));
        var check = new SourceCheck(Said(Bees));
        Assert.All(cards, c => Assert.True(check.Of(c.Source).Holds));
    }

    [Theory]
    [InlineData("Esto es una cosa que no se entiende sola.")]
    [InlineData("El problema es que nadie lo sabe todavía bien.")]
    [InlineData("Yo vivo en una casa que se llama Aurora.")]
    [InlineData("Se llaman afluentes.")]
    [InlineData("El agua está fría y clara en esta parte.")]
    [InlineData("¿Qué es una colmena para ustedes?")]
    public void What_has_no_such_form_or_cannot_stand_alone_makes_none(string text) => Assert.Empty(CardMaker.Make(Said($"{text}\nNada.\nNada más.")));

    [Fact]
    public void A_quiz_has_one_key_among_choices_of_the_same_kind()
    {
        var quiz = QuizMaker.Make(Said(Bees), 8);
        Assert.True(quiz.Count >= 5);
        Assert.True(quiz.Select(q => q.Content.Kind).Distinct().Count() >= 3);
        Assert.All(quiz.Select(q => q.Content).OfType<ChoiceQuestion>(), c => Assert.Equal(c.Choices.Count, c.Choices.Distinct().Count()));
        Assert.Equal(quiz.Select(q => q.Content.Stem), QuizMaker.Make(Said(Bees), 8).Select(q => q.Content.Stem));
    }

    [Fact]
    public void A_summary_says_nothing_of_the_lesson_and_a_sheet_has_the_terms()
    {
        var lines = Summarizer.Summarize(Said(Bees), 60).SelectMany(p => p.Lines).Select(l => l.Quote).ToList();
        Assert.NotEmpty(lines);
        Assert.DoesNotContain(lines, l => l.Contains("Hoy", StringComparison.Ordinal) || l.Contains("clase", StringComparison.Ordinal));
        var ground = new StudyGround(Said(Bees));
        Assert.Equal(["Colmena", "Polen", "Propóleo"], SheetMaker.Make(ground, SheetForm.Terms).Lines().Select(l => l.Cells[0]));
        Assert.True(SheetMaker.Make(ground, SheetForm.Steps).HasNoLine());
    }

    private static Transcript Said(string text)
    {
        var (passages, at) = (new List<Passage>(), 0);
        foreach (var line in text.Split('\n', StringSplitOptions.RemoveEmptyEntries))
        {
            var words = line.Split(' ').Select((w, i) => new Word(w, at + (i * 300), at + (i * 300) + 250, 1)).ToList();
            passages.Add(new Passage($"p{passages.Count}", "v1", words[0].StartMs, words[^1].EndMs, words));
            at = words[^1].EndMs + 500;
        }

        return new Transcript("es", at, [Speaker.Unnamed(1)], passages, [new Chapter("Abejas", 0, at)]);
    }
}
