using Kostel.Core.Audio;
using Kostel.Core.Speech;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Speech;

public class TranscriptionPipelineTests
{
    [Fact]
    public async Task Utterances_come_in_order_although_the_first_takes_longest()
    {
        var recogniser = SlowAtFirst();
        var utterances = await Run(recogniser, Sound(5));
        Assert.Equal(Enumerable.Range(0, 5), utterances.Select(u => u.Index));
        Assert.True(utterances.Zip(utterances.Skip(1)).All(p => p.First.EndSample <= p.Second.StartSample));
    }

    [Fact]
    public async Task Going_on_after_any_utterance_gives_the_same_as_going_through()
    {
        var whole = await Run(SlowAtFirst(), Sound(5));
        for (var done = 1; done < whole.Count; done++)
        {
            var rest = await Run(SlowAtFirst(), Sound(5), whole[done - 1].EndSample, done);
            Assert.Equal(whole.Skip(done).Select(u => u.Index), rest.Select(u => u.Index));
            Assert.All(whole.Skip(done).Zip(rest), p => Assert.InRange(Math.Abs(p.First.StartSample - p.Second.StartSample), 0, 2_000));
        }
    }

    [Fact]
    public async Task A_recogniser_that_fails_ends_the_stream_with_its_error() =>
        await Assert.ThrowsAsync<InvalidOperationException>(() => Run(Failing(), Sound(3)));

    [Fact]
    public async Task It_stops_when_told_to()
    {
        using var stop = new CancellationTokenSource(50);
        await Assert.ThrowsAnyAsync<OperationCanceledException>(() => Run(SlowAtFirst(10_000), Sound(3), cancel: stop.Token));
    }

    /// <summary>Each utterance is 5 s of ones followed by 1.5 s of zeros.</summary>
    private static async IAsyncEnumerable<ReadOnlyMemory<float>> Sound(int utterances)
    {
        for (var i = 0; i < utterances; i++)
        {
            yield return Enumerable.Repeat(1f, Pcm.SampleRate * 5).ToArray();
            yield return new float[Pcm.SampleRate * 3 / 2];
            await Task.Yield();
        }
    }

    [Fact]
    public async Task A_monologue_without_a_pause_loses_nothing_and_says_nothing_twice()
    {
        const int Seconds = 50;
        var found = await Run(SecondByName(), Monologue());
        Assert.True(found.Count >= 3);
        Assert.Equal(Enumerable.Range(0, Seconds).Select(s => $"s{s}"), found.SelectMany(u => u.Words).Select(w => w.Text));

        // Every sample says which second it belongs to, and is near enough to 1 to be speech.
        static async IAsyncEnumerable<ReadOnlyMemory<float>> Monologue()
        {
            for (var s = 0; s < Seconds; s++)
            {
                yield return Enumerable.Repeat(1 - (s / 1000f), Pcm.SampleRate).ToArray();
                await Task.Yield();
            }

            yield return new float[Pcm.SampleRate * 2];
        }

        // Writes a word for each second of which it hears most.
        static OneByOneRecogniser SecondByName() => new((samples, _) => new Recognition(
            samples.ToArray().Select((v, at) => (Second: (int)MathF.Round((1 - v) * 1000), At: at)).Where(x => x.Second < Seconds)
                .GroupBy(x => x.Second).Where(g => g.Count() > Pcm.SampleRate / 2)
                .Select(g => new Word($"s{g.Key}", Pcm.ToMs(g.First().At), Pcm.ToMs(g.Last().At), 1)).ToList()));
    }

    [Fact]
    public async Task What_is_listened_to_counts_only_when_all_before_it_is_written()
    {
        var (written, ahead, silent) = (0L, 0L, new List<long>());
        using var voice = new Loud();
        var pipeline = new TranscriptionPipeline(SlowAtFirst(), new SegmenterOptions(), 2);
        await foreach (var utterance in pipeline.Run(Sound(5), voice, 0, 0, heard => ahead = Math.Max(ahead, heard - Volatile.Read(ref written)), TestContext.Current.CancellationToken))
        {
            Volatile.Write(ref written, utterance.EndSample);
        }

        const int AnUtterance = Pcm.SampleRate * 13 / 2;
        Assert.InRange(ahead, 0, AnUtterance + Pcm.SampleRate);
        await foreach (var _ in pipeline.Run(Silence(), voice, 0, 0, silent.Add, TestContext.Current.CancellationToken))
        {
            Assert.Fail("Silence holds no utterance.");
        }

        Assert.True(silent.Count > 3 && silent[^1] > Pcm.SampleRate * 195);

        static async IAsyncEnumerable<ReadOnlyMemory<float>> Silence()
        {
            for (var s = 0; s < 200; s++)
            {
                yield return new float[Pcm.SampleRate];
                await Task.Yield();
            }
        }
    }

    [Fact]
    public async Task Each_utterance_is_put_on_paper_as_told()
    {
        var plain = await Run(SlowAtFirst(), Sound(3));
        var written = await Run(SlowAtFirst(), Sound(3), write: words => [.. words.Select(w => w with { Text = w.Text + "!" })]);
        Assert.NotEmpty(plain.SelectMany(u => u.Words));
        Assert.Equal(plain.SelectMany(u => u.Words).Select(w => w.Text + "!"), written.SelectMany(u => u.Words).Select(w => w.Text));
    }

    private static async Task<List<Utterance>> Run(
        IRecogniser recogniser,
        IAsyncEnumerable<ReadOnlyMemory<float>> sound,
        long resumeAt = 0,
        int first = 0,
        Func<IReadOnlyList<Word>, IReadOnlyList<Word>>? write = null,
        CancellationToken cancel = default)
    {
        var found = new List<Utterance>();
        using var voice = new Loud();
        await foreach (var u in new TranscriptionPipeline(recogniser, new SegmenterOptions(), 2, write).Run(sound, voice, resumeAt, first, null, cancel))
        {
            found.Add(u);
        }

        return found;
    }

    private sealed class Loud : IVoiceActivityDetector
    {
        public int WindowSize => 512;

        public float Next(ReadOnlySpan<float> window) => window[256];

        public void Dispose()
        {
        }
    }

    private static OneByOneRecogniser SlowAtFirst(int milliseconds = 150)
    {
        var calls = 0;
        return new OneByOneRecogniser((_, cancel) =>
        {
            if (Interlocked.Increment(ref calls) == 1)
            {
                cancel.WaitHandle.WaitOne(milliseconds);
                cancel.ThrowIfCancellationRequested();
            }

            return new Recognition([new Word("ebb", 100, 400, 1)]);
        });
    }

    private static OneByOneRecogniser Failing() => new((_, _) => throw new InvalidOperationException("no"));
}
