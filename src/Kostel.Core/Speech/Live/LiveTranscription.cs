using System.Runtime.CompilerServices;
using System.Threading.Channels;
using Kostel.Core.Audio;

namespace Kostel.Core.Speech.Live;

/// <summary>
/// From running sound to words while somebody speaks: tentative ones soon after they were said, put right as more is heard,
/// certain at the latest at the next pause. Sound that comes slowly, stands still or breaks off is taken as it comes.
/// </summary>
/// <param name="time">By whose clock a stream stands still.</param>
public sealed class LiveTranscription(IRecogniser recogniser, LiveOptions options, TimeProvider time)
{
    /// <summary>Sound is taken up in parts of a tenth of a second: no rest is passed over.</summary>
    private const int PartMs = 100;

    /// <summary>Transcribes a stream until it ends. When listening falls behind, looks become rarer; nothing is lost.</summary>
    /// <param name="sound">16 kHz mono, in pieces of any size, as they arrive.</param>
    /// <param name="voice">A fresh detector.</param>
    public async IAsyncEnumerable<LiveText> Run(
        IAsyncEnumerable<ReadOnlyMemory<float>> sound, IVoiceActivityDetector voice, [EnumeratorCancellation] CancellationToken cancel = default)
    {
        using var stop = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        var arriving = Channel.CreateBounded<float[]>(options.Waiting);
        var looks = Channel.CreateUnbounded<SpokenUtterance>();
        var reading = Task.Run(() => Read(sound, arriving.Writer, stop.Token), CancellationToken.None);
        var working = Task.Run(() => recogniser.Work(looks.Reader, stop.Token), CancellationToken.None);
        try
        {
            var stretch = new LiveStretch(voice, options);
            var waiting = ReadOnlyMemory<float>.Empty;
            for (var arrival = Arrival.Sound; arrival != Arrival.End;)
            {
                arrival = waiting.IsEmpty ? await Next(arriving.Reader, cancel) : Arrival.Sound;

                // Of what came all at once, as after a network that was gone, no more than belongs together is looked at together.
                while (!stretch.IsDue && (!waiting.IsEmpty || TryRead(arriving.Reader, out waiting)))
                {
                    var part = waiting[..Math.Min(waiting.Length, (int)Pcm.ToSample(PartMs))];
                    stretch.Append(part.Span);
                    waiting = waiting[part.Length..];
                }

                var need = stretch.Need(isStill: arrival != Arrival.Sound);
                if (need != LiveNeed.None)
                {
                    var look = stretch.Sound();
                    looks.Writer.TryWrite(look);
                    await await Task.WhenAny(look.Words, working);
                    yield return stretch.Take(await look.Words.WaitAsync(cancel), need);
                }
            }

            looks.Writer.Complete();
            await Task.WhenAll(reading, working);
        }
        finally
        {
            await stop.CancelAsync();
            looks.Writer.TryComplete();
            await Task.WhenAll(reading, working).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
        }
    }

    private static bool TryRead(ChannelReader<float[]> arriving, out ReadOnlyMemory<float> piece)
    {
        var isThere = arriving.TryRead(out var read);
        piece = read;
        return isThere;
    }

    private static async Task Read(IAsyncEnumerable<ReadOnlyMemory<float>> sound, ChannelWriter<float[]> arriving, CancellationToken cancel)
    {
        Exception? problem = null;
        try
        {
            await foreach (var piece in sound.WithCancellation(cancel))
            {
                await arriving.WriteAsync(piece.ToArray(), cancel);
            }
        }
        catch (Exception e)
        {
            problem = e;
            throw;
        }
        finally
        {
            // What was heard before the stream broke is written first; the problem comes out at the end.
            arriving.TryComplete(problem is OperationCanceledException ? problem : null);
        }
    }

    private async Task<Arrival> Next(ChannelReader<float[]> arriving, CancellationToken cancel)
    {
        using var still = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        var more = arriving.WaitToReadAsync(still.Token).AsTask();
        if (await Task.WhenAny(more, Task.Delay(TimeSpan.FromMilliseconds(options.StallMs), time, still.Token)) != more)
        {
            await still.CancelAsync();
            await ((Task)more).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
            cancel.ThrowIfCancellationRequested();
            return Arrival.Nothing;
        }

        await still.CancelAsync();
        return await more ? Arrival.Sound : Arrival.End;
    }

    private enum Arrival
    {
        /// <summary>There is more.</summary>
        Sound,

        /// <summary>The stream stands still.</summary>
        Nothing,

        /// <summary>There is no more.</summary>
        End,
    }
}
