using Kostel.Core.Speech;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Speech;

public class WordConfidenceTests
{
    [Fact]
    public void The_surer_the_recogniser_the_likelier_the_word()
    {
        var chances = WordConfidence.Calibrate(Words(0, 0.2, 0.5, 0.9, 1)).Select(w => w.Confidence).ToList();
        Assert.Equal(chances.Order(), chances);
        Assert.All(chances, c => Assert.InRange(c, 0.001, 0.999));
    }

    [Fact]
    public void A_word_before_a_doubtful_one_is_less_likely_right() =>
        Assert.True(WordConfidence.Calibrate(Words(0.9, 0.2))[0].Confidence < WordConfidence.Calibrate(Words(0.9, 0.9))[0].Confidence);

    [Fact]
    public void A_recording_without_words_is_no_nonsense() => Assert.Equal(1, WordConfidence.Mean([]));

    private static List<Word> Words(params double[] probabilities) =>
        probabilities.Select((p, i) => new Word("tide", i * 300, (i * 300) + 200, p)).ToList();
}
