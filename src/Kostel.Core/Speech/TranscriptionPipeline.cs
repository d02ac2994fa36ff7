using System.Runtime.CompilerServices;
using System.Threading.Channels;
using Kostel.Core.Audio;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Speech;

/// <summary>
/// From sound to words as a stream: voice activity, utterances, recognition of several side by side, results in order.
/// Holds no more sound than the utterances at hand.
/// </summary>
public sealed class TranscriptionPipeline(IRecogniser recogniser, SegmenterOptions segmenter, int parallel)
{
    /// <summary>A second of sound more or less is not worth a report.</summary>
    private const long ReportEvery = Pcm.SampleRate * 2;

    /// <summary>Transcribes a stream of samples.</summary>
    /// <param name="sound">16 kHz mono, from the start of the recording, in pieces of any size.</param>
    /// <param name="voice">A fresh detector.</param>
    /// <param name="resumeAt">Sound before this sample was transcribed earlier and is passed over.</param>
    /// <param name="firstIndex">The number of the first utterance that comes out.</param>
    /// <param name="heard">Told now and then up to which sample the sound was listened to.</param>
    public async IAsyncEnumerable<Utterance> Run(
        IAsyncEnumerable<ReadOnlyMemory<float>> sound,
        IVoiceActivityDetector voice,
        long resumeAt,
        int firstIndex,
        Action<long>? heard,
        [EnumeratorCancellation] CancellationToken cancel = default)
    {
        using var stop = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        var pending = Channel.CreateBounded<Task<Utterance>>(parallel);
        var listening = Task.Run(() => Listen(sound, voice, resumeAt, firstIndex, heard, pending.Writer, stop.Token), CancellationToken.None);
        try
        {
            await foreach (var recognition in pending.Reader.ReadAllAsync(cancel))
            {
                yield return await recognition;
            }
        }
        finally
        {
            await stop.CancelAsync();
            await listening.ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
        }

        await listening;
    }

    private async Task Listen(
        IAsyncEnumerable<ReadOnlyMemory<float>> sound,
        IVoiceActivityDetector voice,
        long resumeAt,
        int index,
        Action<long>? heard,
        ChannelWriter<Task<Utterance>> output,
        CancellationToken cancel)
    {
        using var free = new SemaphoreSlim(parallel);
        var running = new List<Task>();
        try
        {
            var size = voice.WindowSize;
            var start = resumeAt / size * size;
            var window = new SampleWindow(0);
            var cutter = new UtteranceSegmenter(size, segmenter, start);
            long next = start, reported = 0;
            await foreach (var piece in sound.WithCancellation(cancel))
            {
                window.Append(piece.Span);
                window.DropBefore(Math.Min(start, window.End));
                for (; next + size <= window.End; next += size)
                {
                    if (cutter.Push(voice.Next(window.Slice(next, next + size))) is { } span)
                    {
                        await Recognise(span);
                        window.DropBefore(span.End);
                    }
                }

                window.DropBefore(Math.Max(start, next - Pcm.ToSample(segmenter.MaxMs + segmenter.LongPauseMs + (4 * segmenter.PadMs))));
                if (next - reported >= ReportEvery)
                {
                    heard?.Invoke(reported = next);
                }
            }

            if (cutter.Finish(window.End) is { } last)
            {
                await Recognise(last);
            }

            output.Complete();

            async Task Recognise(SpeechSpan span)
            {
                var from = Math.Max(span.Start, window.Start);
                var samples = window.Slice(from, span.End).ToArray();
                var number = index++;
                await free.WaitAsync(cancel);
                var task = Task.Run(
                    () =>
                    {
                        try
                        {
                            return Place(number, from, from + samples.Length, recogniser.Recognise(samples, cancel));
                        }
                        finally
                        {
                            free.Release();
                        }
                    },
                    cancel);
                running.Add(task);
                running.RemoveAll(t => t.IsCompleted);
                await output.WriteAsync(task, cancel);
            }
        }
        catch (Exception e)
        {
            output.TryComplete(e);
            throw;
        }
        finally
        {
            await Task.WhenAll(running).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
        }
    }

    private static Utterance Place(int index, long start, long end, Recognition recognition)
    {
        var offset = Pcm.ToMs(start);
        return new Utterance(
            index,
            start,
            end,
            recognition.Words.Select(w => w with { StartMs = w.StartMs + offset, EndMs = w.EndMs + offset }).ToList());
    }
}
