using Kostel.Core.Audio;

namespace Kostel.Core.Tests.Audio;

public class LevelTests
{
    private static readonly CancellationToken Cancel = TestContext.Current.CancellationToken;

    [Fact]
    public async Task A_recording_at_a_usual_level_stays_as_it_is()
    {
        var sound = Tone(0.1f, 3);
        Assert.Equal(sound, await Brought(sound));
    }

    [Fact]
    public async Task One_that_is_far_too_quiet_is_brought_to_a_level()
    {
        var heard = await Brought(Tone(0.0002f, 25));
        Assert.Equal(25 * Pcm.SampleRate, heard.Length);
        Assert.InRange(heard.Max(), 0.06f, 0.08f);
    }

    [Fact]
    public async Task A_pause_in_a_usual_recording_is_not_drawn_up()
    {
        var heard = await Brought([.. Tone(0.0002f, 5), .. Tone(0.2f, 1), .. Tone(0.0002f, 60)]);
        Assert.True(heard[..Pcm.SampleRate].Max() < 0.001f && heard[^Pcm.SampleRate..].Max() < 0.001f);
    }

    [Theory]
    [InlineData(0, 0)]
    [InlineData(0.000005f, 0)]
    [InlineData(0.000005f, 0.3f)]
    public async Task Nothing_is_not_made_into_something(float amplitude, float offset)
    {
        var sound = Tone(amplitude, 12).Select(s => s + offset).ToArray();
        Assert.Equal(sound, await Brought(sound));
    }

    [Fact]
    public async Task An_empty_recording_stays_empty() => Assert.Empty(await Brought([]));

    private static float[] Tone(float amplitude, int seconds) =>
        Enumerable.Range(0, seconds * Pcm.SampleRate).Select(i => amplitude * MathF.Sin(i * 0.05f)).ToArray();

    private static async Task<float[]> Brought(float[] sound)
    {
        var heard = new List<float>();
        await foreach (var piece in Level.Bring(Pieces(sound), Cancel))
        {
            heard.AddRange(piece.Span);
        }

        return [.. heard];
    }

    private static async IAsyncEnumerable<ReadOnlyMemory<float>> Pieces(float[] sound)
    {
        for (var at = 0; at < sound.Length; at += 7_001)
        {
            await Task.Yield();
            yield return sound.AsMemory(at, Math.Min(7_001, sound.Length - at));
        }
    }
}
