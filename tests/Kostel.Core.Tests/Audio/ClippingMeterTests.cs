using Kostel.Core.Audio;

namespace Kostel.Core.Tests.Audio;

public class ClippingMeterTests
{
    [Fact]
    public void A_loud_tone_that_fits_is_not_clipped() => Assert.Equal(0, Share(Tone(0.96f)));

    [Fact]
    public void A_tone_that_only_touches_the_limit_is_not_clipped() => Assert.Equal(0, Share(Tone(1f, hertz: 2_000)));

    [Fact]
    public void A_tone_of_four_times_the_limit_is_clipped_most_of_the_time() => Assert.InRange(Share(Tone(4f)), 0.8, 0.88);

    [Fact]
    public void It_does_not_matter_in_what_pieces_the_sound_comes()
    {
        var meter = new ClippingMeter();
        var tone = Tone(3f);
        for (var at = 0; at < tone.Length; at += 7)
        {
            meter.Push(tone.AsSpan(at, Math.Min(7, tone.Length - at)));
        }

        Assert.Equal(Share(tone), meter.Share);
    }

    [Fact]
    public void Nothing_is_not_clipped() => Assert.Equal(0, new ClippingMeter().Share);

    private static float[] Tone(float amplitude, double hertz = 100) =>
        Enumerable.Range(0, Pcm.SampleRate).Select(i => Math.Clamp(amplitude * (float)Math.Sin(i * hertz * 2 * Math.PI / Pcm.SampleRate), -1, 1)).ToArray();

    private static double Share(float[] samples)
    {
        var meter = new ClippingMeter();
        meter.Push(samples);
        return meter.Share;
    }
}
