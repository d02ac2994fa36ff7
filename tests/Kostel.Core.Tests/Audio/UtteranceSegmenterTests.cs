using Kostel.Core.Audio;

namespace Kostel.Core.Tests.Audio;

public class UtteranceSegmenterTests
{
    private const int Window = 512;
    private static readonly SegmenterOptions Options = new(EnoughMs: 4_000, MaxMs: 16_000);

    [Fact]
    public void Silence_gives_no_utterance() => Assert.Empty(Cut(Enumerable.Repeat(0.05f, 2000)));

    [Fact]
    public void A_click_is_no_speech() => Assert.Empty(Cut(Windows(1, 0).Concat(Enumerable.Repeat(0.9f, 3)).Concat(Windows(3, 0))));

    [Fact]
    public void A_wavering_probability_above_the_lower_threshold_stays_one_utterance()
    {
        var wavering = Enumerable.Range(0, 150).Select(i => i % 3 == 0 ? 0.6f : 0.4f);
        Assert.Single(Cut(Windows(0.5, 0).Concat(wavering).Concat(Windows(2, 0))));
    }

    [Fact]
    public void Speech_is_cut_at_the_silence_between_sentences()
    {
        var spans = Cut(Windows(1, 0).Concat(Windows(6, 1)).Concat(Windows(0.6, 0)).Concat(Windows(6, 1)).Concat(Windows(2, 0)));
        Assert.Equal(2, spans.Count);
        Assert.InRange(spans[1].Start - spans[0].End, 0, Pcm.ToSample(600));
    }

    [Fact]
    public void A_monologue_is_cut_where_speech_is_weakest_and_nothing_of_it_is_lost()
    {
        var monologue = Enumerable.Range(0, 1900).Select(i => i % 430 == 400 ? 0.5f : 0.95f);
        var spans = Cut(monologue.Concat(Windows(2, 0)));
        Assert.True(spans.Count >= 4);
        Assert.All(spans, s => Assert.True(s.Length <= Pcm.ToSample(Options.MaxMs + (2 * Options.PadMs))));
        Assert.All(spans.Zip(spans.Skip(1)), pair => Assert.Equal(pair.First.End, pair.Second.Start));
        Assert.All(spans.Zip(spans.Skip(1)).Take(3), pair => Assert.True(pair.First.After > 0 && pair.Second.Before == pair.First.After));
        Assert.True(spans[0].Before == 0 && spans[^1].After == 0);
        Assert.All(spans.Take(3).Select(s => s.End / Window % 430), cut => Assert.InRange(cut, 398, 402));
    }

    [Fact]
    public void An_utterance_still_open_at_the_end_is_kept_and_ends_with_the_sound()
    {
        var spans = Cut(Windows(3, 1));
        Assert.Equal(Windows(3, 1).Count() * Window, Assert.Single(spans).End);
    }

    private static IEnumerable<float> Windows(double seconds, float probability) =>
        Enumerable.Repeat(probability, (int)(seconds * Pcm.SampleRate / Window));

    private static List<SpeechSpan> Cut(IEnumerable<float> probabilities)
    {
        var segmenter = new UtteranceSegmenter(Window, Options);
        var spans = new List<SpeechSpan>();
        long total = 0;
        foreach (var p in probabilities)
        {
            total += Window;
            if (segmenter.Push(p) is { } span)
            {
                spans.Add(span);
            }
        }

        if (segmenter.Finish(total) is { } last)
        {
            spans.Add(last);
        }

        return spans;
    }
}
