using Kostel.Core.Speech;
using Kostel.Core.Speech.Languages;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Speech;

public class RecordingTranscriptionTests
{
    [Theory]
    [InlineData(Spelling.British, "The harbour.")]
    [InlineData(Spelling.American, "The harbor.")]
    public void English_is_spelled_as_planned(Spelling spelling, string expected) =>
        Assert.Equal(expected, Arrange(new LanguageChoice("en", false, null), spelling, "The", "harbor.").Transcript.Passages[0].Text);

    [Fact]
    public void Other_languages_are_left_as_they_were_heard() =>
        Assert.Equal("El harbor.", Arrange(new LanguageChoice("es", false, null), Spelling.British, "El", "harbor.").Transcript.Passages[0].Text);

    [Fact]
    public void That_it_sounds_like_another_language_is_said_before_anything_else() =>
        Assert.StartsWith("This was given as English", Arrange(new LanguageChoice("en", false, new LanguageGuess("es", IsClear: true)), Spelling.AsHeard, "The").Notice, StringComparison.Ordinal);

    [Fact]
    public void A_recording_without_speech_says_so() =>
        Assert.StartsWith("No speech", Arrange(new LanguageChoice("en", false, null), Spelling.AsHeard).Notice, StringComparison.Ordinal);

    [Fact]
    public async Task A_language_that_nobody_named_is_what_the_recording_sounds_like()
    {
        var choice = await LanguageChoice.Make(null, ["en", "es"], Hears("es"));
        Assert.Equal(("es", true, null), (choice.Language, choice.IsGuessed, choice.Mismatch));
    }

    [Fact]
    public async Task One_that_was_named_stays_and_is_compared()
    {
        var choice = await LanguageChoice.Make("en", ["es", "en"], Hears("es"));
        Assert.Equal(("en", false), (choice.Language, choice.IsGuessed));
        Assert.Contains("sounds like Spanish", choice.Mismatch, StringComparison.Ordinal);
    }

    [Fact]
    public async Task With_one_language_to_choose_from_nothing_was_guessed() =>
        Assert.False((await LanguageChoice.Make(null, ["en"], Hears("en"))).IsGuessed);

    [Fact]
    public async Task A_language_that_cannot_be_heard_here_is_taken_without_listening() =>
        Assert.Equal(new LanguageChoice("fr", false, null), await LanguageChoice.Make("fr", ["en"], _ => throw new InvalidOperationException("listened")));

    private static Func<IReadOnlyList<string>, Task<LanguageGuess>> Hears(string language) => _ => Task.FromResult(new LanguageGuess(language, IsClear: true));

    private static TranscribedRecording Arrange(LanguageChoice language, Spelling spelling, params string[] words)
    {
        var said = words.Select((w, i) => new Word(w, i * 500, (i * 500) + 400, 0.9)).ToList();
        var transcription = new RecordingTranscription(null!, new TranscriptionPlan(language, 1, spelling, 0), parallel: 1);
        return transcription.Arrange(said.Count == 0 ? [] : [new Utterance(0, 0, 16_000, said)]);
    }
}
