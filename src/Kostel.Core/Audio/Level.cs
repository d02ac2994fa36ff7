using System.Numerics.Tensors;
using System.Runtime.CompilerServices;

namespace Kostel.Core.Audio;

/// <summary>Brings recordings that are too quiet to be heard to a level at which they are. Others stay as they are.</summary>
public static class Level
{
    private const int Block = Pcm.SampleRate / 10, Ahead = Pcm.SampleRate * 10;

    /// <summary>Root mean square of the loudest tenth of a second: below the first it is too quiet, the second is aimed at, below the third there is nothing.</summary>
    private const float TooQuiet = 0.004f, Aim = 0.05f, Nothing = 0.00002f;

    /// <summary>
    /// The same sound, louder where needed. What counts is the loudest moment so far, ten seconds of what is to come included, so
    /// that a pause is never drawn up.
    /// </summary>
    public static async IAsyncEnumerable<ReadOnlyMemory<float>> Bring(
        IAsyncEnumerable<ReadOnlyMemory<float>> sound, [EnumeratorCancellation] CancellationToken cancel = default)
    {
        var waiting = new Queue<ReadOnlyMemory<float>>();
        var held = 0;
        var loudest = 0f;
        await foreach (var piece in sound.WithCancellation(cancel))
        {
            loudest = Math.Max(loudest, Loudest(piece.Span));
            waiting.Enqueue(loudest < TooQuiet ? piece.ToArray() : piece);
            held += piece.Length;
            while (loudest >= TooQuiet ? waiting.Count > 0 : held > Ahead)
            {
                var next = waiting.Dequeue();
                held -= next.Length;
                yield return Louder(next, loudest);
            }
        }

        while (waiting.TryDequeue(out var last))
        {
            yield return Louder(last, loudest);
        }
    }

    private static float Loudest(ReadOnlySpan<float> piece)
    {
        var loudest = 0f;
        Span<float> swing = new float[Math.Min(Block, piece.Length)];
        for (var at = 0; at < piece.Length; at += Block)
        {
            // A constant offset is no sound.
            var block = piece[at..Math.Min(piece.Length, at + Block)];
            var around = swing[..block.Length];
            TensorPrimitives.Subtract(block, TensorPrimitives.Sum(block) / block.Length, around);
            loudest = Math.Max(loudest, TensorPrimitives.SumOfSquares(around) / block.Length);
        }

        return MathF.Sqrt(loudest);
    }

    private static ReadOnlyMemory<float> Louder(ReadOnlyMemory<float> piece, float loudest)
    {
        if (loudest is >= TooQuiet or < Nothing || piece.IsEmpty)
        {
            return piece;
        }

        var louder = new float[piece.Length];
        TensorPrimitives.Subtract(piece.Span, TensorPrimitives.Sum(piece.Span) / piece.Length, louder);
        TensorPrimitives.Multiply(louder, Aim / loudest, louder);
        return louder;
    }
}
