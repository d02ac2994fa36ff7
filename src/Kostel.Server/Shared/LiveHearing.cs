using System.Threading.Channels;
using Kostel.Core.Audio;
using Kostel.Core.Problems;
using Kostel.Core.Speech;
using Kostel.Core.Speech.Live;
using Kostel.Core.Transcripts;

namespace Kostel.Server.Shared;

/// <summary>What is understood of running speech: words that stand, and what was said last as far as it is understood.</summary>
/// <param name="before">Words that stood before the program was started anew.</param>
/// <param name="fromSample">Where in it the sound begins that it hears.</param>
/// <param name="keep">Stores words once they stand, with the number of the first of them.</param>
internal sealed class LiveHearing(IReadOnlyList<Word> before, long fromSample, Func<int, IReadOnlyList<Word>, Task> keep)
{
    private static readonly TimeSpan LastWords = TimeSpan.FromSeconds(20);

    private readonly Channel<ReadOnlyMemory<float>> sound = Channel.CreateUnbounded<ReadOnlyMemory<float>>(new UnboundedChannelOptions { SingleReader = true });
    private readonly List<Word> standing = [.. before];
    private readonly Lock gate = new();
    private IReadOnlyList<Word> tentative = [];
    private Task running = Task.CompletedTask;

    /// <summary>Why nothing is written; null while all is well.</summary>
    public string? Problem { get; private set; }

    /// <summary>Begins to listen.</summary>
    /// <param name="open">Opens the recogniser; slow the first time.</param>
    public void Begin(Func<Task<(IRecogniser Recogniser, IVoiceActivityDetector Voice)>> open, TimeProvider time) => running = Task.Run(() => Listen(open, time));

    /// <summary>Takes the next samples.</summary>
    public void Append(float[] samples) => sound.Writer.TryWrite(samples);

    /// <summary>The words that stand from a number on, and what is open.</summary>
    public (IReadOnlyList<Word> Standing, IReadOnlyList<Word> Tentative) Since(int number)
    {
        lock (gate)
        {
            return (standing.Skip(number).ToList(), tentative);
        }
    }

    /// <summary>Waits until what was said last stands too; not for ever.</summary>
    public async Task End()
    {
        sound.Writer.TryComplete();
        await running.WaitAsync(LastWords).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
    }

    private async Task Listen(Func<Task<(IRecogniser, IVoiceActivityDetector)>> open, TimeProvider time)
    {
        try
        {
            var (recogniser, voice) = await open();
            using (voice)
            {
                var offset = Pcm.ToMs(fromSample);
                await foreach (var text in new LiveTranscription(recogniser, new LiveOptions(), time).Run(sound.Reader.ReadAllAsync(), voice))
                {
                    var final = text.Final.Select(w => w with { StartMs = w.StartMs + offset, EndMs = w.EndMs + offset }).ToList();
                    int number;
                    lock (gate)
                    {
                        number = standing.Count;
                        standing.AddRange(final);
                        tentative = text.Tentative.Select(w => w with { StartMs = w.StartMs + offset, EndMs = w.EndMs + offset }).ToList();
                    }

                    if (final.Count > 0)
                    {
                        await keep(number, final);
                    }
                }
            }
        }
        catch (Exception e)
        {
            // The sound goes on being kept; only the words do not come.
            Problem = e is KnownProblemException ? e.Message : "The words could not be written any further.";
        }
    }
}
