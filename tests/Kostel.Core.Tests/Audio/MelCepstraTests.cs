using Kostel.Core.Audio;

namespace Kostel.Core.Tests.Audio;

public class MelCepstraTests
{
    [Theory]
    [InlineData(0, 0)]
    [InlineData(511, 0)]
    [InlineData(512, 1)]
    [InlineData(16_000, 49)]
    public void A_frame_begins_every_twenty_milliseconds(int samples, int frames) => Assert.Equal(frames, Of(Noise(samples), 1_000).Frames);

    [Theory]
    [InlineData(1)]
    [InlineData(777)]
    [InlineData(16_000)]
    public void The_size_of_the_pieces_makes_no_difference(int piece)
    {
        var sound = Noise(4_000);
        var (whole, pieces) = (Of(sound, sound.Length), Of(sound, piece));
        Assert.Equal(whole.Frames, pieces.Frames);
        Assert.Equal(Frame(whole, 9), Frame(pieces, 9));
    }

    [Fact]
    public void How_loud_it_is_shows_in_the_level_only()
    {
        var loud = Noise(2_000);
        var (a, b) = (Of(loud, 100), Of(Array.ConvertAll(loud, s => s / 10), 100));
        Assert.Equal(20, a.Level(3) - b.Level(3), 0.1f);
        Assert.Equal(Frame(a, 3).Select(v => Math.Round(v, 1)), Frame(b, 3).Select(v => Math.Round(v, 1)));
    }

    /// <summary>The definition, computed slowly: logarithms of mel bands, turned by cosines. A tone lies in the band around it.</summary>
    [Fact]
    public void A_tone_gives_the_cosines_of_its_band()
    {
        var tone = Enumerable.Range(0, 600).Select(i => (float)(0.5 * Math.Sin(Math.Tau * 1_000 * i / 16_000))).ToArray();
        var frame = Frame(Of(tone, 600), 0);

        // 1,000 Hz is 1,000 mel; 26 bands from 150.5 to 2,701.1 mel: the tone is nearest the ninth, so the first cosine is positive, the third negative.
        Assert.True(frame[0] > 0 && frame[2] < 0);
    }

    private static double[] Frame(MelCepstra sound, int number)
    {
        var frame = new double[MelCepstra.Count];
        sound.Read(number, frame);
        return frame;
    }

    private static MelCepstra Of(float[] sound, int piece)
    {
        var cepstra = new MelCepstra();
        foreach (var part in sound.Chunk(piece))
        {
            cepstra.Push(part);
        }

        return cepstra;
    }

    private static float[] Noise(int count)
    {
        var random = new Random(11);
        return Enumerable.Range(0, count).Select(_ => (random.NextSingle() - 0.5f) * 0.4f).ToArray();
    }
}
