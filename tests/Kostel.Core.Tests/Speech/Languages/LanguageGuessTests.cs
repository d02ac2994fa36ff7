using Kostel.Core.Problems;
using Kostel.Core.Speech;
using Kostel.Core.Speech.Languages;
using Kostel.Core.Speech.Numbers;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Speech.Languages;

public class LanguageGuessTests
{
    private const int HalfMinute = 30_000;
    private static readonly IReadOnlyList<Word> Many = Lecture.Words(string.Join(' ', Enumerable.Range(0, 70).Select(i => $"word{i}")));

    [Fact]
    public void The_language_with_more_words_that_were_heard_well_is_the_one() =>
        Assert.Equal(new LanguageGuess("es", IsClear: true), Guess(english: Lecture.Words("and so it is in the way", confidence: 0.6), spanish: Many));

    [Fact]
    public void One_thing_again_and_again_is_no_language_however_sure_it_is() =>
        Assert.Equal("es", Guess(english: Lecture.Words(string.Join(' ', Enumerable.Repeat("the", 150)), confidence: 0.99), spanish: Many).Language);

    [Fact]
    public void Where_both_are_alike_it_stays_with_what_is_expected_and_says_that_it_is_not_clear() =>
        Assert.Equal(new LanguageGuess("en", IsClear: false), Guess(Many, Many));

    [Fact]
    public void Where_hardly_anything_was_said_it_stays_with_what_is_expected() =>
        Assert.Equal("en", Guess(english: [], spanish: Lecture.Words("sí", confidence: 0.9)).Language);

    [Fact]
    public void With_one_language_there_is_nothing_to_compare_but_nonsense_is_seen()
    {
        Assert.False(Alone(Many).FitsNone);
        Assert.True(Alone(Lecture.Words(string.Join(' ', Enumerable.Repeat("the and a", 30)), confidence: 0.8)).FitsNone);
        Assert.True(Alone(Lecture.Words("one two")).FitsNone);
    }

    [Fact]
    public void Who_speaks_slowly_is_no_foreigner() =>
        Assert.False(Alone(Lecture.Words(string.Join(' ', Enumerable.Range(0, 24).Select(i => $"word{i}")))).FitsNone);

    [Fact]
    public void A_clear_mismatch_is_said_with_what_to_do() =>
        Assert.Equal(
            "This was given as English, but it sounds like Spanish. Transcribe it again and choose Spanish.",
            LanguageNotice.For("en", new LanguageGuess("es", IsClear: true)));

    [Fact]
    public void Doubt_is_no_mismatch()
    {
        Assert.Null(LanguageNotice.For("en", new LanguageGuess("es", IsClear: false)));
        Assert.Null(LanguageNotice.For("en", new LanguageGuess("en", IsClear: true)));
    }

    [Theory]
    [InlineData("en", true)]
    [InlineData("por", true)]
    [InlineData("EN", false)]
    [InlineData("e", false)]
    [InlineData("en-GB", false)]
    [InlineData("", false)]
    public void A_code_has_two_or_three_small_letters(string text, bool isCode) => Assert.Equal(isCode, SpokenLanguages.IsCode(text));

    [Fact]
    public void Figures_are_written_for_english_only()
    {
        Assert.Equal(WrittenNumbers.Of, WrittenForms.Of("en"));
        Assert.Null(WrittenForms.Of("es"));
    }

    [Theory]
    [InlineData("es", 3, true)]
    [InlineData(null, null, true)]
    [InlineData("Spanish", null, false)]
    [InlineData("es", 0, false)]
    [InlineData("es", 21, false)]
    public void A_choice_makes_sense_or_not(string? language, int? voices, bool makesSense)
    {
        var choice = new TranscriptionChoice(Accuracy.Fast, language, Voices: voices);
        Assert.Equal(makesSense, Record.Exception(choice.Required) is not NotValidException);
    }

    private static LanguageGuess Guess(IReadOnlyList<Word> english, IReadOnlyList<Word> spanish) =>
        LanguageGuess.Of(new Dictionary<string, IReadOnlyList<Word>> { ["en"] = english, ["es"] = spanish }, HalfMinute, "en") with { FitsNone = false };

    private static LanguageGuess Alone(IReadOnlyList<Word> words) =>
        LanguageGuess.Of(new Dictionary<string, IReadOnlyList<Word>> { ["en"] = words }, HalfMinute, "en");
}
