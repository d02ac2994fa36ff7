using System.Runtime.CompilerServices;
using System.Threading.Channels;
using Kostel.Core.Audio;
using Kostel.Core.Audio.Dereverberation;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Speech;

/// <summary>
/// From sound to words as a stream: voice activity, utterances, recognition of several side by side, results in order.
/// Holds no more sound than the utterances at hand.
/// </summary>
/// <param name="write">How what was said is put on paper, utterance by utterance; nothing is changed without.</param>
public sealed class TranscriptionPipeline(
    IRecogniser recogniser, SegmenterOptions segmenter, int parallel, Func<IReadOnlyList<Word>, IReadOnlyList<Word>>? write = null)
{
    /// <summary>A second of sound more or less is not worth a report.</summary>
    private const long ReportEvery = Pcm.SampleRate * 2;

    /// <summary>For each worker: enough that none ever waits for the next utterance, little enough for the memory.</summary>
    private const int QueuedEach = 4, PendingEach = 16;

    /// <summary>Transcribes a stream of samples.</summary>
    /// <param name="sound">16 kHz mono, from the start of the recording, in pieces of any size.</param>
    /// <param name="voice">A fresh detector.</param>
    /// <param name="resumeAt">Sound before this sample was transcribed earlier and is passed over.</param>
    /// <param name="firstIndex">The number of the first utterance that comes out.</param>
    /// <param name="heard">Told now and then, while no utterance is on its way, up to which sample the sound was listened to.</param>
    public async IAsyncEnumerable<Utterance> Run(
        IAsyncEnumerable<ReadOnlyMemory<float>> sound,
        IVoiceActivityDetector voice,
        long resumeAt,
        int firstIndex,
        Action<long>? heard,
        [EnumeratorCancellation] CancellationToken cancel = default)
    {
        using var stop = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        var stopped = new TaskCompletionSource();
        await using var stopping = stop.Token.Register(stopped.SetResult);
        var queue = Channel.CreateBounded<SpokenUtterance>(parallel * QueuedEach);
        var order = Channel.CreateBounded<Pending>(parallel * PendingEach);
        var progress = new Listening(heard);
        var work = Enumerable.Range(0, parallel).Select(_ => Start(() => recogniser.Work(queue.Reader, stop.Token), stop))
            .Append(Start(() => Listen(sound, voice, resumeAt, progress, queue.Writer, order.Writer, stop.Token), stop))
            .ToArray();
        try
        {
            var index = firstIndex;
            Utterance? held = null;
            await foreach (var pending in order.Reader.ReadAllAsync(cancel))
            {
                await Task.WhenAny(pending.Words, stopped.Task);
                if (!pending.Words.IsCompletedSuccessfully)
                {
                    break;
                }

                var next = Place(index++, pending, await pending.Words);
                progress.Written();
                if (held is not null)
                {
                    // What came after the cut may have been no speech: then nobody else heard the end of the one before it.
                    var (earlier, later) = pending.Span.Before > 0
                        ? UtteranceJoin.Join(held.Words, next.Words, Pcm.ToMs(held.EndSample), segmenter.OverlapMs)
                        : (held.Words, next.Words);
                    yield return Written(held with { Words = earlier });
                    next = next with { Words = later };
                    held = null;
                }

                if (pending.Span.After > 0)
                {
                    held = next;
                    continue;
                }

                yield return Written(next);
            }

            if (held is not null)
            {
                yield return Written(held);
            }

            await Task.WhenAll(work);
        }
        finally
        {
            await stop.CancelAsync();
            await Task.WhenAll(work).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
        }
    }

    private Utterance Written(Utterance utterance) => write is null ? utterance : utterance with { Words = write(utterance.Words) };

    /// <summary>Runs in the background; when it fails the rest is stopped.</summary>
    private static Task Start(Func<Task> work, CancellationTokenSource stop) =>
        Task.Run(async () =>
        {
            try
            {
                await work();
            }
            catch
            {
                await stop.CancelAsync();
                throw;
            }
        });

    private async Task Listen(
        IAsyncEnumerable<ReadOnlyMemory<float>> sound,
        IVoiceActivityDetector voice,
        long resumeAt,
        Listening progress,
        ChannelWriter<SpokenUtterance> queue,
        ChannelWriter<Pending> order,
        CancellationToken cancel)
    {
        try
        {
            var size = voice.WindowSize;
            var start = resumeAt / size * size;
            var window = new SampleWindow(0);
            var cutter = new UtteranceSegmenter(size, segmenter, start);
            long next = start, reported = 0;
            await foreach (var piece in RoomEcho.Remove(Level.Bring(sound, cancel), start, cancel))
            {
                window.Append(piece.Span);
                window.DropBefore(Math.Min(start, window.End));
                for (; next + size <= window.End; next += size)
                {
                    if (cutter.Push(voice.Next(window.Slice(next, next + size))) is { } span)
                    {
                        await Send(span);
                        window.DropBefore(span.End - span.After);
                    }
                }

                window.DropBefore(Math.Max(start, next - Pcm.ToSample(segmenter.MaxMs + segmenter.LongPauseMs + (4 * segmenter.PadMs))));
                if (next - reported >= ReportEvery)
                {
                    progress.Heard(reported = next);
                }
            }

            if (cutter.Finish(window.End) is { } last)
            {
                await Send(last);
            }

            async Task Send(SpeechSpan span)
            {
                var from = Math.Max(span.Start - span.Before, window.Start);
                var utterance = new SpokenUtterance(window.Slice(from, span.End + span.After).ToArray());
                var end = Math.Min(span.End, from + utterance.Samples.Length);
                progress.Spoken();
                await queue.WriteAsync(utterance, cancel);
                await order.WriteAsync(new Pending(span with { Start = Math.Max(span.Start, from), End = end }, from, utterance.Words), cancel);
            }
        }
        finally
        {
            queue.TryComplete();
            order.TryComplete();
        }
    }

    private static Utterance Place(int index, Pending pending, Recognition recognition)
    {
        var offset = Pcm.ToMs(pending.From);
        var words = recognition.Words.Select(w => w with { StartMs = w.StartMs + offset, EndMs = w.EndMs + offset }).ToList();
        return new Utterance(index, pending.Span.Start, pending.Span.End, words);
    }

    /// <summary>Tells how far the listening is, as long as no utterance is on its way: what is listened to is not yet written.</summary>
    private sealed class Listening(Action<long>? heard)
    {
        private int underway;

        public void Spoken() => Interlocked.Increment(ref underway);

        public void Written() => Interlocked.Decrement(ref underway);

        public void Heard(long sample)
        {
            if (Volatile.Read(ref underway) == 0)
            {
                heard?.Invoke(sample);
            }
        }
    }

    /// <param name="Span">The stretch that is its own.</param>
    /// <param name="From">Where its sound begins.</param>
    private sealed record Pending(SpeechSpan Span, long From, Task<Recognition> Words);
}
