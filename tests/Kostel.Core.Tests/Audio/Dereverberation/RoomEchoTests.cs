using Kostel.Core.Audio;
using Kostel.Core.Audio.Dereverberation;

namespace Kostel.Core.Tests.Audio.Dereverberation;

[Trait("Pace", "slow")]
public class RoomEchoTests
{
    private static readonly CancellationToken Cancel = TestContext.Current.CancellationToken;

    [Fact]
    public async Task Sound_without_a_room_stays_as_it_is_sample_for_sample()
    {
        var said = Syllables(100);
        Assert.Equal(said, await Heard(said));
    }

    [Fact]
    public async Task In_a_room_the_pauses_become_quieter_and_what_is_said_stays()
    {
        var said = Syllables(100);
        var echoing = InRoom(said);
        var heard = await Heard(echoing);
        Assert.Equal(echoing.Length, heard.Length);

        // A tenth of a second after the end of each syllable there is nothing but echo.
        double InPauses(float[] sound) => Power(sound, at => at % Syllable > Syllable * 7 / 10);
        double InSyllables(float[] sound) => Power(sound, at => at % Syllable is > Syllable / 8 and < Syllable / 3);
        Assert.True(InPauses(heard) < 0.4 * InPauses(echoing), $"{InPauses(heard) / InPauses(echoing):0.00} of the echo is left");
        Assert.InRange(InSyllables(heard) / InSyllables(said), 0.7, 1.3);
    }

    [Fact]
    public async Task Only_the_part_with_a_room_is_changed()
    {
        var said = Syllables(200);
        var half = said.Length / 2;
        float[] sound = [.. said[..half], .. InRoom(said[half..])];
        var heard = await Heard(sound);
        Assert.Equal(sound[..(40 * Pcm.SampleRate)], heard[..(40 * Pcm.SampleRate)]);
        Assert.NotEqual(sound[^Pcm.SampleRate..], heard[^Pcm.SampleRate..]);

        // Where one way goes over into the other there is no step.
        var steps = Enumerable.Range(1, sound.Length - 1);
        Assert.True(steps.Max(i => Math.Abs(heard[i] - heard[i - 1])) <= 1.1 * steps.Max(i => Math.Abs(sound[i] - sound[i - 1])));
    }

    [Fact]
    public async Task The_same_comes_out_however_it_comes_in()
    {
        var sound = InRoom(Syllables(70));
        Assert.Equal(await Heard(sound), await Heard(sound, piece: sound.Length));
    }

    [Fact]
    public async Task What_was_transcribed_earlier_is_passed_over_and_what_follows_is_the_same()
    {
        var sound = InRoom(Syllables(150));
        var whole = await Heard(sound);
        var rest = await Heard(sound, from: 90 * Pcm.SampleRate);
        Assert.Equal(sound[..(79 * Pcm.SampleRate)], rest[..(79 * Pcm.SampleRate)]);
        Assert.Equal(whole[(90 * Pcm.SampleRate)..], rest[(90 * Pcm.SampleRate)..]);
    }

    [Theory]
    [InlineData(0)]
    [InlineData(1)]
    [InlineData(127)]
    [InlineData(128)]
    [InlineData(511)]
    [InlineData(10_001)]
    [InlineData(60 * Pcm.SampleRate)]
    [InlineData((60 * Pcm.SampleRate) + 1)]
    public async Task A_recording_of_any_length_keeps_it(int length)
    {
        var sound = InRoom(Syllables(61))[..length];
        Assert.Equal(length, (await Heard(sound)).Length);
    }

    [Fact]
    public async Task A_few_seconds_are_too_short_to_know_a_room()
    {
        var sound = InRoom(Syllables(7));
        Assert.Equal(sound, await Heard(sound));
    }

    [Fact]
    public void While_sound_comes_in_a_room_is_told_after_two_stretches_and_no_room_is_never_told()
    {
        Assert.Equal([false, true, true], Watched(InRoom(Syllables(38))));
        Assert.Equal([false, false, false], Watched(Syllables(38)));
        Assert.Equal([false, true, false], Watched([.. InRoom(Syllables(24)), .. Syllables(14)]));

        static IEnumerable<bool> Watched(float[] sound)
        {
            var watch = new EchoWatch();
            foreach (var piece in sound.Chunk(4_000))
            {
                if (watch.Append(piece) is { } measure)
                {
                    measure();
                    yield return watch.Echoes;
                }
            }
        }
    }

    [Fact]
    public async Task Sound_that_is_not_a_number_goes_through()
    {
        var sound = InRoom(Syllables(30));
        sound[1_000] = float.NaN;
        Assert.Equal(sound.Length, (await Heard(sound)).Length);
    }

    private const int Syllable = Pcm.SampleRate * 3 / 10;

    /// <summary>Short noises with pauses between them, three in a second or so.</summary>
    private static float[] Syllables(int seconds)
    {
        var random = new Random(5);
        return Enumerable.Range(0, seconds * Pcm.SampleRate)
            .Select(i => i % Syllable < Syllable / 2 ? (float)((random.NextDouble() - 0.5) * Math.Sin(Math.PI * (i % Syllable) / (Syllable / 2))) : 0)
            .ToArray();
    }

    /// <summary>With the sound of a room: six hundred reflections within half a second, weaker as they come later.</summary>
    private static float[] InRoom(float[] said)
    {
        var random = new Random(6);
        var heard = said.ToArray();
        for (var n = 0; n < 600; n++)
        {
            var (delay, strength) = (random.Next(80, 8_000), random.NextDouble() - 0.5);
            var factor = (float)(0.3 * strength * Math.Exp(-6.9 * delay / 8_000));
            System.Numerics.Tensors.TensorPrimitives.MultiplyAdd(said.AsSpan(0, said.Length - delay), factor, heard.AsSpan(delay), heard.AsSpan(delay));
        }

        return heard;
    }

    private static double Power(float[] sound, Func<int, bool> counts) =>
        Enumerable.Range(Pcm.SampleRate, sound.Length - (2 * Pcm.SampleRate)).Where(counts).Average(i => sound[i] * (double)sound[i]);

    private static async Task<float[]> Heard(float[] sound, int piece = 7_001, long from = 0)
    {
        var heard = new List<float>();
        await foreach (var part in RoomEcho.Remove(Pieces(sound, piece), from, Cancel))
        {
            heard.AddRange(part.Span);
        }

        return [.. heard];
    }

    private static async IAsyncEnumerable<ReadOnlyMemory<float>> Pieces(float[] sound, int size)
    {
        for (var at = 0; at < sound.Length; at += size)
        {
            await Task.Yield();
            yield return sound.AsMemory(at, Math.Min(size, sound.Length - at));
        }
    }
}
