using Kostel.Core.Speech.Dictation;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Speech.Dictation;

public sealed class DictatedTextTests
{
    /// <summary>Words one after the other; a bar is a rest.</summary>
    private static List<Word> Said(string text)
    {
        var (words, at) = (new List<Word>(), 0);
        foreach (var word in text.Split(' '))
        {
            if (word == "|")
            {
                at += 1_000;
                continue;
            }

            words.Add(new Word(word, at, at + 250, 0.9));
            at += 300;
        }

        return words;
    }

    private static string Of(string said, bool punctuates = true, string language = "en") => DictatedText.Of(Said(said), language, punctuates);

    [Theory]
    [InlineData("the tide rises comma then it falls full stop", "The tide rises, then it falls.")]
    [InlineData("The tide rises, comma, then it falls. Full stop.", "The tide rises, then it falls.")]
    [InlineData("is it high question mark yes exclamation mark", "Is it high? Yes!")]
    [InlineData("two reasons colon the moon semicolon the sun", "Two reasons: the moon; the sun")]
    [InlineData("tides open bracket twice a day close bracket rise", "Tides (twice a day) rise")]
    [InlineData("he says open quotes high water close quotes", "He says “high water”")]
    [InlineData("a half hyphen hour walk", "A half-hour walk")]
    [InlineData("fog dash not mist", "Fog – not mist")]
    [InlineData("it ends here-full-stop", "It ends here.")]
    [InlineData("a well-known bridge full-stop", "A well-known bridge.")]
    public void Signs_are_written_where_they_are_spoken(string said, string written) => Assert.Equal(written, Of(said));

    [Theory]
    [InlineData("first new line second", "First\nSecond")]
    [InlineData("First. New paragraph. Second", "First\n\nSecond")]
    [InlineData("causes colon new point the moon new point the sun", "Causes:\n- The moon\n- The sun")]
    public void Lines_and_paragraphs_begin_where_they_are_asked_for(string said, string written) => Assert.Equal(written, Of(said));

    [Theory]
    [InlineData("high water | low water take that back", "High water")]
    [InlineData("high water | low water | take that back", "High water")]
    [InlineData("high water take the last word back tide", "High tide")]
    [InlineData("one | two | take everything back three", "Three")]
    [InlineData("take that back", "")]
    [InlineData("take the last word back fog", "Fog")]
    public void What_was_said_is_taken_back(string said, string written) => Assert.Equal(written, Of(said));

    [Theory]
    [InlineData("write the word comma here", "Write comma here")]
    [InlineData("put a comma here", "Put a comma here")]
    [InlineData("the period of a swing is long", "The period of a swing is long")]
    [InlineData("the word is heard", "The word is heard")]
    [InlineData("capital mars is red", "Mars is red")]
    public void A_command_that_is_meant_as_a_word_is_one(string said, string written) => Assert.Equal(written, Of(said));

    [Fact]
    public void Without_automatic_punctuation_only_spoken_stops_are_written()
    {
        Assert.Equal("The tide rises and falls.", Of("The tide rises. | And falls. Full stop.", punctuates: false));
        Assert.Equal("The tide rises. And falls.", Of("The tide rises. | And falls.", punctuates: true));
    }

    [Fact]
    public void A_rest_within_a_sentence_does_not_begin_another() => Assert.Equal("The tide, which rises", Of("The tide | Comma which rises"));

    [Fact]
    public void A_name_in_the_middle_keeps_its_capital_and_I_too() => Assert.Equal("The Moon and I saw, I think", Of("The Moon and I saw comma I think", punctuates: false));

    [Theory]
    [InlineData("la marea sube coma luego baja punto", "La marea sube, luego baja.")]
    [InlineData("abre interrogación por qué sube cierra interrogación", "¿Por qué sube?")]
    [InlineData("primero punto y aparte segundo", "Primero.\n\nSegundo")]
    [InlineData("la luna | el sol quita eso", "La luna")]
    public void In_Spanish_too(string said, string written) => Assert.Equal(written, Of(said, language: "es"));

    [Fact]
    public void In_a_language_without_commands_all_is_written() => Assert.Equal("Ein Komma", Of("Ein Komma", language: "de"));

    [Fact]
    public void Nothing_said_is_nothing_written() => Assert.Equal("", DictatedText.Of([], "en", punctuates: true));
}
