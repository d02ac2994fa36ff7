using System.Runtime.CompilerServices;

namespace Kostel.Core.Audio.Dereverberation;

/// <summary>Takes the echo of a room out of a stream of sound, where there is one; sound without stays as it is, sample for sample.</summary>
public static class RoomEcho
{
    /// <summary>The same number of samples, at the same times. Each piece is good until the next is asked for.</summary>
    /// <param name="from">Sound before this sample is of no interest and stays as it is.</param>
    public static async IAsyncEnumerable<ReadOnlyMemory<float>> Remove(
        IAsyncEnumerable<ReadOnlyMemory<float>> sound, long from, [EnumeratorCancellation] CancellationToken cancel = default)
    {
        var remover = new EchoRemover(from);
        await foreach (var piece in sound.WithCancellation(cancel))
        {
            remover.Append(piece.Span);
            while (remover.HasBlock)
            {
                yield return remover.TakeBlock();
            }
        }

        yield return remover.TakeRest();
    }
}
