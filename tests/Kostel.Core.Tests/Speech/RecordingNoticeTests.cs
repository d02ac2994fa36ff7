using Kostel.Core.Speech;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Speech;

public class RecordingNoticeTests
{
    private const int Hour = 3_600_000;

    [Fact]
    public void A_good_recording_needs_no_notice() => Assert.Null(RecordingNotice.For(Words(0.95), "en", Hour, Hour, 0.001));

    [Fact]
    public void Without_words_there_was_no_speech() => Assert.StartsWith("No speech", RecordingNotice.For([], "en", Hour, Hour, 0.5));

    [Fact]
    public void Words_that_are_mostly_guesses_are_said_to_be_hardly_english() => Assert.Contains("hardly looks like spoken English", RecordingNotice.For(Words(0.4), "en", Hour, Hour, 0));

    [Fact]
    public void A_recording_that_was_too_loud_is_said_to_be_even_where_the_words_are_guesses() => Assert.Contains("recorded too loud", RecordingNotice.For(Words(0.4), "en", Hour, Hour, 0.2));

    [Fact]
    public void A_file_that_ends_early_is_said_to() => Assert.Contains("30:05 of 60:00", RecordingNotice.For(Words(0.95), "en", Hour, 1_805_000, 0));

    [Fact]
    public void A_second_less_than_the_file_says_is_no_loss() => Assert.Null(RecordingNotice.For(Words(0.95), "en", Hour, Hour - 1_000, 0));

    private static List<Word> Words(double confidence) => [.. Enumerable.Range(0, 20).Select(i => new Word("word", i, i + 1, confidence))];
}
