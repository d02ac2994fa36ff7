using System.Threading.Channels;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Speech;

/// <summary>What a recogniser makes of one utterance: words with times relative to the utterance's first sample.</summary>
public sealed record Recognition(IReadOnlyList<Word> Words)
{
    /// <summary>No words.</summary>
    public static readonly Recognition Nothing = new([]);
}

/// <summary>The sound of an utterance that waits to be recognised, and the promise of its words.</summary>
/// <param name="samples">16 kHz mono, up to about half a minute.</param>
public sealed class SpokenUtterance(ReadOnlyMemory<float> samples)
{
    private readonly TaskCompletionSource<Recognition> recognised = new(TaskCreationOptions.RunContinuationsAsynchronously);

    /// <summary>Its sound.</summary>
    public ReadOnlyMemory<float> Samples => samples;

    /// <summary>Its words, once they are known.</summary>
    public Task<Recognition> Words => recognised.Task;

    /// <summary>Says what was recognised.</summary>
    public void Recognised(Recognition recognition) => recognised.TrySetResult(recognition);
}

/// <summary>Turns sound into words.</summary>
public interface IRecogniser
{
    /// <summary>
    /// Takes utterances from a queue, one or several at a time, and recognises them until the queue is closed and empty. Several
    /// may work on one queue.
    /// </summary>
    Task Work(ChannelReader<SpokenUtterance> queue, CancellationToken cancel);
}

/// <summary>A recogniser that takes one utterance after another.</summary>
public sealed class OneByOneRecogniser(Func<ReadOnlyMemory<float>, CancellationToken, Recognition> recognise) : IRecogniser
{
    /// <inheritdoc/>
    public async Task Work(ChannelReader<SpokenUtterance> queue, CancellationToken cancel)
    {
        await foreach (var utterance in queue.ReadAllAsync(cancel))
        {
            utterance.Recognised(recognise(utterance.Samples, cancel));
        }
    }
}

/// <summary>An utterance that was recognised, at its place in the recording.</summary>
/// <param name="Index">Its number, from 0, without gaps.</param>
/// <param name="StartSample">Where its sound starts.</param>
/// <param name="EndSample">Where its sound ends (exclusive); recognition can go on from here.</param>
/// <param name="Words">Times are milliseconds from the start of the recording.</param>
public sealed record Utterance(int Index, long StartSample, long EndSample, IReadOnlyList<Word> Words);

/// <summary>A piece written by the recogniser, before its pieces are joined to words.</summary>
/// <param name="Text">As in the token table; a leading '▁' starts a new word.</param>
/// <param name="Probability">Of this piece given those before (0 to 1).</param>
public sealed record TokenPiece(string Text, double Probability);
