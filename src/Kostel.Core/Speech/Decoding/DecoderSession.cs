using System.Numerics.Tensors;

namespace Kostel.Core.Speech.Decoding;

/// <summary>
/// The decoder at work on one utterance. Keys and values of everything written are kept once, as a tree: beginnings that share
/// their first tokens share what was computed for them, and nothing is ever copied.
/// </summary>
/// <remarks>Transformer decoder: Vaswani et al. (2017); rotary positions: Su et al. (2021); gated feed-forward: Shazeer (2020).</remarks>
public sealed class DecoderSession : ITokenModel
{
    private const float Epsilon = 1e-5f;
    private readonly DecoderWeights weights;
    private readonly AlignmentHeads alignment;
    private readonly int width;
    private readonly int headSize;
    private readonly List<Written> tree = [];
    private readonly SoundMemory[] sound;
    private float[] keyRows = [];
    private float[] valueRows = [];
    private int frames;

    private float[] state = [];
    private float[] normed = [];
    private float[] query = [];
    private float[] key = [];
    private float[] value = [];
    private float[] mixed = [];
    private float[] wide = [];
    private float[] scores = [];

    /// <param name="alignment">Whose attention tells where a word is said.</param>
    public DecoderSession(DecoderWeights weights, AlignmentHeads alignment)
    {
        (this.weights, this.alignment) = (weights, alignment);
        (width, headSize) = (weights.Width, weights.HeadSize);
        sound = weights.Layers.Select(_ => new SoundMemory(width, headSize)).ToArray();
    }

    private int Vocabulary => weights.Tokens.Outputs;

    /// <inheritdoc/>
    public int Next => tree.Count;

    /// <summary>Takes up a new utterance; everything of the last one is forgotten.</summary>
    /// <param name="encoded">[frames × width], from the encoder.</param>
    public void Begin(ReadOnlySpan<float> encoded)
    {
        frames = encoded.Length / width;
        tree.Clear();
        Fit(ref keyRows, encoded.Length);
        Fit(ref valueRows, encoded.Length);
        for (var l = 0; l < weights.Layers.Count; l++)
        {
            weights.Layers[l].CrossKey.Multiply(encoded, frames, keyRows);
            weights.Layers[l].CrossValue.Multiply(encoded, frames, valueRows);
            sound[l].Load(keyRows.AsSpan(0, encoded.Length), valueRows.AsSpan(0, encoded.Length));
        }
    }

    /// <inheritdoc/>
    public int Extend(ReadOnlySpan<Extension> extensions)
    {
        var rows = extensions.Length;
        var first = tree.Count;
        Fit(ref state, rows * width);
        Fit(ref normed, rows * width);
        Fit(ref query, rows * width);
        Fit(ref key, rows * width);
        Fit(ref value, rows * width);
        Fit(ref mixed, rows * width);
        for (var r = 0; r < rows; r++)
        {
            weights.Tokens.CopyRow(extensions[r].Token, state.AsSpan(r * width, width));
            tree.Add(new Written(
                extensions[r].Beginning < 0 ? [first + r] : [.. tree[extensions[r].Beginning].Path, first + r],
                new float[weights.Layers.Count * width],
                new float[weights.Layers.Count * width],
                new float[frames]));
        }

        for (var l = 0; l < weights.Layers.Count; l++)
        {
            var layer = weights.Layers[l];
            AttendToText(layer, l, first, rows);
            AttendToSound(layer, l, first, rows);
            FeedForward(layer, rows);
        }

        Normalise(weights.FinalNorm, rows);
        Fit(ref scores, rows * Vocabulary);
        weights.Tokens.Multiply(normed, rows, scores);
        return first;
    }

    /// <inheritdoc/>
    public ReadOnlySpan<float> Scores(int row) => scores.AsSpan(row * Vocabulary, Vocabulary);

    /// <inheritdoc/>
    public ReadOnlySpan<float> Attention(int beginning) => tree[beginning].Attention;

    private void AttendToText(DecoderLayer layer, int l, int first, int rows)
    {
        Normalise(layer.SelfNorm, rows);
        layer.SelfQuery.Multiply(normed, rows, query);
        layer.SelfKey.Multiply(normed, rows, key);
        layer.SelfValue.Multiply(normed, rows, value);
        var scale = 1 / MathF.Sqrt(headSize);
        for (var r = 0; r < rows; r++)
        {
            var written = tree[first + r];
            var path = written.Path;
            var position = path.Length - 1;
            var q = query.AsSpan(r * width, width);
            var k = key.AsSpan(r * width, width);
            Rotate(q, position);
            Rotate(k, position);
            k.CopyTo(written.Keys.AsSpan(l * width));
            value.AsSpan(r * width, width).CopyTo(written.Values.AsSpan(l * width));
            var result = mixed.AsSpan(r * width, width);
            result.Clear();
            var share = new float[path.Length].AsSpan();
            for (var h = 0; h < DecoderWeights.Heads; h++)
            {
                var offset = h * headSize;
                var own = q.Slice(offset, headSize);
                for (var p = 0; p < path.Length; p++)
                {
                    share[p] = TensorPrimitives.Dot(own, tree[path[p]].Keys.AsSpan((l * width) + offset, headSize)) * scale;
                }

                Share(share);
                var to = result.Slice(offset, headSize);
                for (var p = 0; p < path.Length; p++)
                {
                    TensorPrimitives.MultiplyAdd(tree[path[p]].Values.AsSpan((l * width) + offset, headSize), share[p], to, to);
                }
            }
        }

        AddThrough(layer.SelfOutput, rows);
    }

    private void AttendToSound(DecoderLayer layer, int l, int first, int rows)
    {
        Normalise(layer.CrossNorm, rows);
        layer.CrossQuery.Multiply(normed, rows, query);
        var scale = 1 / MathF.Sqrt(headSize);
        for (var r = 0; r < rows; r++)
        {
            var own = query.AsSpan(r * width, width);
            TensorPrimitives.Multiply(own, scale, own);
            var heard = tree[first + r].Attention;
            for (var h = 0; h < DecoderWeights.Heads; h++)
            {
                var part = h * headSize;
                var share = sound[l].Attend(h, own.Slice(part, headSize), mixed.AsSpan((r * width) + part, headSize));
                if (alignment.Includes(l, h))
                {
                    TensorPrimitives.Add(heard, share, heard);
                }
            }
        }

        AddThrough(layer.CrossOutput, rows);
    }

    private void FeedForward(DecoderLayer layer, int rows)
    {
        Normalise(layer.FeedForwardNorm, rows);
        var both = layer.Up.Outputs;
        var half = both / 2;
        Fit(ref wide, rows * both);
        layer.Up.Multiply(normed, rows, wide);
        for (var r = 0; r < rows; r++)
        {
            var row = wide.AsSpan(r * both, both);
            TensorPrimitives.Add(row, layer.UpBias, row);
            var gate = row[half..];
            var opened = wide.AsSpan(r * half, half);
            for (var i = 0; i < half; i++)
            {
                opened[i] = row[i] * gate[i] / (1 + MathF.Exp(-gate[i]));
            }
        }

        layer.Down.Multiply(wide, rows, mixed);
        for (var r = 0; r < rows; r++)
        {
            var to = state.AsSpan(r * width, width);
            TensorPrimitives.Add(to, mixed.AsSpan(r * width, width), to);
            TensorPrimitives.Add(to, layer.DownBias, to);
        }
    }

    private void AddThrough(QuantisedMatrix matrix, int rows)
    {
        matrix.Multiply(mixed, rows, normed);
        var to = state.AsSpan(0, rows * width);
        TensorPrimitives.Add(to, normed.AsSpan(0, rows * width), to);
    }

    private void Normalise(float[] norm, int rows)
    {
        for (var r = 0; r < rows; r++)
        {
            var from = state.AsSpan(r * width, width);
            var to = normed.AsSpan(r * width, width);
            var mean = TensorPrimitives.Sum(from) / width;
            TensorPrimitives.Subtract(from, mean, to);
            var deviation = MathF.Sqrt((TensorPrimitives.SumOfSquares(to) / width) + Epsilon);
            TensorPrimitives.Multiply(to, 1 / deviation, to);
            TensorPrimitives.Multiply(to, norm, to);
        }
    }

    /// <summary>Turns the first pairs of numbers of every head by an angle that grows with the position.</summary>
    private void Rotate(Span<float> vector, int position)
    {
        for (var i = 0; i < weights.InverseFrequencies.Length; i++)
        {
            var (sin, cos) = MathF.SinCos(position * weights.InverseFrequencies[i]);
            for (var h = 0; h < DecoderWeights.Heads; h++)
            {
                var at = (h * headSize) + (2 * i);
                (vector[at], vector[at + 1]) =
                    ((vector[at] * cos) - (vector[at + 1] * sin), (vector[at + 1] * cos) + (vector[at] * sin));
            }
        }
    }

    /// <summary>Softmax; the largest is taken off first so that nothing overflows.</summary>
    private static void Share(Span<float> scores)
    {
        TensorPrimitives.Subtract(scores, TensorPrimitives.Max(scores), scores);
        TensorPrimitives.Exp(scores, scores);
        TensorPrimitives.Divide(scores, TensorPrimitives.Sum(scores), scores);
    }

    private static void Fit(ref float[] buffer, int size)
    {
        if (buffer.Length < size)
        {
            buffer = new float[size];
        }
    }

    private sealed record Written(int[] Path, float[] Keys, float[] Values, float[] Attention);
}

/// <summary>The attention heads that run forward through the sound as the words do.</summary>
public sealed record AlignmentHeads(IReadOnlyList<(int Layer, int[] Heads)> Layers)
{
    /// <summary>Whether a head is one of them.</summary>
    public bool Includes(int layer, int head) => Layers.Any(l => l.Layer == layer && l.Heads.Contains(head));
}
