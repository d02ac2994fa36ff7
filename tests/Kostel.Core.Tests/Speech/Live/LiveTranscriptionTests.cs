using System.Runtime.CompilerServices;
using Kostel.Core.Audio;
using Kostel.Core.Speech;
using Kostel.Core.Speech.Live;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Speech.Live;

/// <summary>
/// Live transcription with a recogniser that hears numbers: a word is 300 ms of one value, and a word of which only the beginning
/// was heard is taken for another.
/// </summary>
[Trait("Pace", "slow")]
public class LiveTranscriptionTests
{
    private const int WordMs = 300, GapMs = 60, PieceMs = 100;
    private static readonly LiveOptions Options = new(StallMs: 1_000, Waiting: 1);

    [Fact]
    public async Task Every_word_becomes_certain_once_and_in_order()
    {
        var texts = await Live(Sound([.. Words(1, 12), Silence(800), .. Words(13, 20), Silence(2_500), .. Words(21, 30)]));
        Assert.Equal(Names(1, 30), texts.SelectMany(t => t.Final).Select(w => w.Text));
    }

    [Fact]
    public async Task Words_are_shown_before_they_are_certain_and_put_right_as_more_is_heard()
    {
        var texts = await Live(Sound([.. Words(1, 10), Silence(1_000)]));
        var first = texts.First(t => t.Tentative.Any(w => w.Text == "w3"));
        Assert.DoesNotContain(first.Final, w => w.Text == "w3");
        Assert.Contains(texts.SelectMany(t => t.Tentative), w => w.Text == "part");
        Assert.DoesNotContain(texts.SelectMany(t => t.Final), w => w.Text == "part");
    }

    [Fact]
    public async Task At_a_pause_everything_stands()
    {
        var texts = await Live(Sound([.. Words(1, 4), Silence(900), .. Words(5, 8), Silence(900)]));
        var atPause = texts.Last(t => t.HeardMs < (4 * (WordMs + GapMs)) + 900);
        Assert.Empty(atPause.Tentative);
        Assert.Equal(Names(1, 4), texts.Where(t => t.HeardMs <= atPause.HeardMs).SelectMany(t => t.Final).Select(w => w.Text));
    }

    [Fact]
    public async Task Words_become_certain_within_three_seconds_though_nobody_pauses()
    {
        var texts = await Live(Sound(Words(1, 200)));
        foreach (var text in texts.SkipLast(1))
        {
            Assert.All(text.Final, w => Assert.InRange(text.HeardMs - w.EndMs, 0, 3_000));
        }

        Assert.Equal(Names(1, 200), texts.SelectMany(t => t.Final).Select(w => w.Text));
    }

    [Fact]
    public async Task Times_are_those_of_the_stream_however_long_it_is()
    {
        var words = (await Live(Sound([Silence(5_000), .. Words(1, 60)]))).SelectMany(t => t.Final).ToList();
        Assert.All(words.Index(), w => Assert.InRange(w.Item.StartMs - (5_000 + (w.Index * (WordMs + GapMs))), -40, 40));
    }

    [Fact]
    public async Task A_stream_that_stands_still_makes_what_was_said_certain_and_goes_on()
    {
        var texts = await Live(Sound([.. Words(1, 3), Stall(2_500), .. Words(4, 6)]));
        Assert.Contains(texts.SkipLast(1), t => t.Final.Any(w => w.Text == "w3"));
        Assert.Equal(Names(1, 6), texts.SelectMany(t => t.Final).Select(w => w.Text));
    }

    [Fact]
    public async Task A_stream_that_runs_at_half_speed_gives_the_same_words()
    {
        var texts = await Live(Slowly(Sound([.. Words(1, 8), Silence(700), .. Words(9, 12)])));
        Assert.Equal(Names(1, 12), texts.SelectMany(t => t.Final).Select(w => w.Text));

        static async IAsyncEnumerable<ReadOnlyMemory<float>> Slowly(IAsyncEnumerable<ReadOnlyMemory<float>> sound)
        {
            await foreach (var piece in sound)
            {
                yield return piece;
                await Task.Delay(2 * PieceMs, TestContext.Current.CancellationToken);
            }
        }
    }

    [Fact]
    public async Task A_stream_that_ends_in_the_middle_of_a_word_gives_what_there_is()
    {
        var sound = Sound([.. Words(1, 3), (4, 120, 0)]);
        Assert.Equal([.. Names(1, 3), "part"], (await Live(sound)).SelectMany(t => t.Final).Select(w => w.Text));
    }

    [Fact]
    public async Task A_stream_that_breaks_gives_what_was_heard_and_then_says_so()
    {
        var words = new List<Word>();
        var run = new LiveTranscription(new Numbers(), Options, TimeProvider.System).Run(Broken(), new Loudness(), TestContext.Current.CancellationToken);
        await Assert.ThrowsAsync<IOException>(async () =>
        {
            await foreach (var text in run)
            {
                words.AddRange(text.Final);
            }
        });
        Assert.Equal(Names(1, 3), words.Select(w => w.Text));

        static async IAsyncEnumerable<ReadOnlyMemory<float>> Broken()
        {
            await foreach (var piece in Sound(Words(1, 3)))
            {
                yield return piece;
            }

            throw new IOException("The microphone is gone.");
        }
    }

    [Fact]
    public async Task Silence_is_never_looked_at()
    {
        var numbers = new Numbers();
        Assert.Empty(await Live(Sound([Silence(20_000)]), numbers));
        Assert.Equal(0, numbers.Looks);
    }

    [Fact]
    public async Task Noise_that_is_never_understood_comes_to_an_end()
    {
        var numbers = new Numbers();
        var texts = await Live(Sound([(-1, 90_000, 0)]), numbers);
        Assert.Empty(texts.SelectMany(t => t.Final));
        Assert.InRange(numbers.LongestMs, 1_000, Options.LongestMs + Options.LongMs + 1_000);
    }

    [Fact]
    public async Task Sound_that_comes_all_at_once_is_looked_at_in_the_same_stretches_and_gives_the_same_words()
    {
        var parts = Enumerable.Range(0, 20).SelectMany(n => ((int Value, int Ms, int StallMs)[])[.. Words((n * 20) + 1, (n * 20) + 20), Silence(900)]).ToArray();
        var all = new List<float>();
        await foreach (var piece in Sound(parts))
        {
            all.AddRange(piece.Span);
        }

        var numbers = new Numbers();
        var texts = await Live(Once(all.ToArray()), numbers);
        Assert.Equal(Names(1, 400), texts.SelectMany(t => t.Final).Select(w => w.Text));
        Assert.InRange(numbers.LongestMs, 1_000, Options.LongestMs);

        static async IAsyncEnumerable<ReadOnlyMemory<float>> Once(float[] samples)
        {
            yield return samples;
            await Task.CompletedTask;
        }
    }

    [Fact]
    public async Task A_recogniser_that_fails_is_no_hang()
    {
        var run = new LiveTranscription(new OneByOneRecogniser((_, _) => throw new InvalidDataException("broken")), Options, TimeProvider.System)
            .Run(Sound(Words(1, 30)), new Loudness(), TestContext.Current.CancellationToken);
        await Assert.ThrowsAsync<InvalidDataException>(async () => await run.CountAsync(TestContext.Current.CancellationToken));
    }

    [Fact]
    public async Task It_can_be_stopped_while_nothing_arrives()
    {
        using var stop = new CancellationTokenSource(300);
        var run = new LiveTranscription(new Numbers(), Options, TimeProvider.System).Run(Sound([.. Words(1, 2), Stall(60_000)]), new Loudness(), stop.Token);
        await Assert.ThrowsAnyAsync<OperationCanceledException>(async () => await run.CountAsync(stop.Token));
    }

    private static async Task<List<LiveText>> Live(IAsyncEnumerable<ReadOnlyMemory<float>> sound, Numbers? numbers = null) =>
        await new LiveTranscription(numbers ?? new Numbers(), Options, TimeProvider.System)
            .Run(sound, new Loudness(), TestContext.Current.CancellationToken).ToListAsync(TestContext.Current.CancellationToken);

    private static IEnumerable<string> Names(int first, int last) => Enumerable.Range(first, last - first + 1).Select(n => $"w{n}");

    private static (int Value, int Ms, int StallMs)[] Words(int first, int last) =>
        Enumerable.Range(first, last - first + 1).SelectMany(n => new[] { (n, WordMs, 0), (0, GapMs, 0) }).ToArray();

    private static (int Value, int Ms, int StallMs) Silence(int ms) => (0, ms, 0);

    private static (int Value, int Ms, int StallMs) Stall(int ms) => (0, 0, ms);

    /// <summary>Samples piece by piece, with a moment between, as they come from a microphone (only faster).</summary>
    private static async IAsyncEnumerable<ReadOnlyMemory<float>> Sound((int Value, int Ms, int StallMs)[] parts, [EnumeratorCancellation] CancellationToken cancel = default)
    {
        var waiting = new List<float>();
        foreach (var (value, ms, stall) in parts)
        {
            waiting.AddRange(Enumerable.Repeat(value / 1000f, (int)Pcm.ToSample(ms)));
            var size = (int)Pcm.ToSample(PieceMs);
            while (waiting.Count >= size || (stall > 0 && waiting.Count > 0))
            {
                yield return waiting.Take(size).ToArray();
                waiting.RemoveRange(0, Math.Min(size, waiting.Count));
                await Task.Delay(1, cancel);
            }

            await Task.Delay(stall, cancel);
        }

        if (waiting.Count > 0)
        {
            yield return waiting.ToArray();
        }
    }

    private sealed class Loudness : IVoiceActivityDetector
    {
        public int WindowSize => 512;

        public float Next(ReadOnlySpan<float> window) => window[^1] != 0 || window[0] != 0 ? 1 : 0;

        public void Dispose()
        {
        }
    }

    private sealed class Numbers : IRecogniser
    {
        public int Looks { get; private set; }

        public int LongestMs { get; private set; }

        public Task Work(System.Threading.Channels.ChannelReader<SpokenUtterance> queue, CancellationToken cancel) =>
            new OneByOneRecogniser((samples, _) => Hear(samples.Span)).Work(queue, cancel);

        private Recognition Hear(ReadOnlySpan<float> samples)
        {
            Looks++;
            LongestMs = Math.Max(LongestMs, Pcm.ToMs(samples.Length));
            var words = new List<Word>();
            for (var i = 0; i < samples.Length;)
            {
                var end = i;
                while (end < samples.Length && samples[end] == samples[i])
                {
                    end++;
                }

                if (samples[i] > 0)
                {
                    var isWhole = end - i >= Pcm.ToSample(WordMs - 40);
                    words.Add(new Word(isWhole ? $"w{(int)Math.Round(samples[i] * 1000)}" : "part", Pcm.ToMs(i), Pcm.ToMs(end), 1));
                }

                i = end;
            }

            return new Recognition(words);
        }
    }
}
