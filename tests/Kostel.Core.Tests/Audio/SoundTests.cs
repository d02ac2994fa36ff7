using Kostel.Core.Audio;

namespace Kostel.Core.Tests.Audio;

public class SoundTests
{
    [Fact]
    public void A_window_keeps_addresses_when_old_samples_are_let_go()
    {
        var window = new SampleWindow(0);
        for (var i = 0; i < 10; i++)
        {
            window.Append(Enumerable.Range(i * 10_000, 10_000).Select(n => (float)n).ToArray());
            window.DropBefore((i * 10_000) - 5_000);
        }

        Assert.Equal(85_000, window.Start);
        Assert.Equal(100_000, window.End);
        Assert.Equal([90_000f, 90_001f], window.Slice(90_000, 90_002).ToArray());
    }

    [Fact]
    public void A_window_gives_only_what_it_still_holds()
    {
        var window = new SampleWindow(100);
        window.Append([1, 2, 3]);
        Assert.Equal([1f, 2f], window.Slice(0, 102).ToArray());
        Assert.True(window.Slice(200, 300).IsEmpty);
    }

    [Fact]
    public void Peaks_are_zero_for_silence_and_grow_with_loudness()
    {
        byte Loudness(float amplitude)
        {
            var peaks = new WaveformPeaks();
            peaks.Push(Enumerable.Range(0, 800).Select(i => amplitude * MathF.Sin(i * 0.3f)).ToArray());
            return Assert.Single(peaks.ToArray());
        }

        Assert.Equal(0, Loudness(0));
        Assert.True(Loudness(0.05f) < Loudness(0.2f));
        Assert.Equal(255, Loudness(1));
    }

    [Fact]
    public void Peaks_have_twenty_slices_a_second_however_the_sound_arrives()
    {
        var peaks = new WaveformPeaks();
        for (var left = Pcm.SampleRate * 3; left > 0; left -= 777)
        {
            peaks.Push(new float[Math.Min(777, left)]);
        }

        Assert.Equal(60, peaks.ToArray().Length);
    }
}
