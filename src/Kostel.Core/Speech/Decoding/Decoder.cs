using System.Numerics.Tensors;

namespace Kostel.Core.Speech.Decoding;

/// <summary>
/// The decoder's arithmetic, for one thread: makes beginnings of several utterances one token longer in a single pass over the
/// weights, which is where the time goes.
/// </summary>
/// <remarks>Transformer decoder: Vaswani et al. (2017); rotary positions: Su et al. (2021); gated feed-forward: Shazeer (2020).</remarks>
public sealed class Decoder
{
    private const float Epsilon = 1e-5f;
    private readonly DecoderWeights weights;
    private readonly AlignmentHeads alignment;
    private readonly HeadWatch? watch;
    private readonly int width;
    private readonly int headSize;
    private readonly List<Row> rows = [];
    private float[] keyRows = [];
    private float[] valueRows = [];

    private float[] state = [];
    private float[] normed = [];
    private float[] query = [];
    private float[] key = [];
    private float[] value = [];
    private float[] mixed = [];
    private float[] wide = [];
    private float[] scores = [];

    /// <param name="alignment">Whose attention tells where a word is said.</param>
    /// <param name="watch">Told what every head attends to; null where nobody wants to know.</param>
    public Decoder(DecoderWeights weights, AlignmentHeads alignment, HeadWatch? watch = null)
    {
        (this.weights, this.alignment, this.watch) = (weights, alignment, watch);
        (width, headSize) = (weights.Width, weights.HeadSize);
    }

    internal int Vocabulary => weights.Tokens.Outputs;

    /// <summary>A place for one utterance after another.</summary>
    public DecoderSession Open() => new(this, weights);

    /// <summary>Extends beginnings of several utterances at once; the scores can be read from each until the next call.</summary>
    public void Extend(IReadOnlyList<(DecoderSession Session, IReadOnlyList<Extension> Extensions)> requests)
    {
        rows.Clear();
        foreach (var (session, extensions) in requests)
        {
            foreach (var extension in extensions)
            {
                rows.Add(new Row(session, session.Next));
                session.Append(extension, weights.Layers.Count);
            }
        }

        Fit(ref state, rows.Count * width);
        Fit(ref normed, rows.Count * width);
        Fit(ref query, rows.Count * width);
        Fit(ref key, rows.Count * width);
        Fit(ref value, rows.Count * width);
        Fit(ref mixed, rows.Count * width);
        var r = 0;
        foreach (var extension in requests.SelectMany(q => q.Extensions))
        {
            weights.Tokens.CopyRow(extension.Token, state.AsSpan(r++ * width, width));
        }

        for (var l = 0; l < weights.Layers.Count; l++)
        {
            AttendToText(weights.Layers[l], l);
            AttendToSound(weights.Layers[l], l);
            FeedForward(weights.Layers[l]);
        }

        Normalise(weights.FinalNorm);
        Fit(ref scores, rows.Count * Vocabulary);
        weights.Tokens.Multiply(normed, rows.Count, scores);
        var at = 0;
        foreach (var (session, extensions) in requests)
        {
            session.Scored(scores.AsMemory(at * Vocabulary, extensions.Count * Vocabulary));
            at += extensions.Count;
        }
    }

    internal void Load(ReadOnlySpan<float> encoded, SoundMemory[] sound)
    {
        var frames = encoded.Length / width;
        Fit(ref keyRows, encoded.Length);
        Fit(ref valueRows, encoded.Length);
        for (var l = 0; l < weights.Layers.Count; l++)
        {
            weights.Layers[l].CrossKey.Multiply(encoded, frames, keyRows);
            weights.Layers[l].CrossValue.Multiply(encoded, frames, valueRows);
            sound[l].Load(keyRows.AsSpan(0, encoded.Length), valueRows.AsSpan(0, encoded.Length));
        }
    }

    private void AttendToText(DecoderLayer layer, int l)
    {
        Normalise(layer.SelfNorm);
        layer.SelfQuery.Multiply(normed, rows.Count, query);
        layer.SelfKey.Multiply(normed, rows.Count, key);
        layer.SelfValue.Multiply(normed, rows.Count, value);
        var scale = 1 / MathF.Sqrt(headSize);
        for (var r = 0; r < rows.Count; r++)
        {
            var (session, number) = rows[r];
            var written = session.Beginning(number);
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
                    share[p] = TensorPrimitives.Dot(own, session.Beginning(path[p]).Keys.AsSpan((l * width) + offset, headSize)) * scale;
                }

                Share(share);
                var to = result.Slice(offset, headSize);
                for (var p = 0; p < path.Length; p++)
                {
                    TensorPrimitives.MultiplyAdd(session.Beginning(path[p]).Values.AsSpan((l * width) + offset, headSize), share[p], to, to);
                }
            }
        }

        AddThrough(layer.SelfOutput);
    }

    private void AttendToSound(DecoderLayer layer, int l)
    {
        Normalise(layer.CrossNorm);
        layer.CrossQuery.Multiply(normed, rows.Count, query);
        var scale = 1 / MathF.Sqrt(headSize);
        for (var r = 0; r < rows.Count; r++)
        {
            var own = query.AsSpan(r * width, width);
            TensorPrimitives.Multiply(own, scale, own);
            var (session, number) = rows[r];
            var heard = session.Beginning(number).Attention;
            for (var h = 0; h < DecoderWeights.Heads; h++)
            {
                var part = h * headSize;
                var share = session.Sound(l).Attend(h, own.Slice(part, headSize), mixed.AsSpan((r * width) + part, headSize));
                watch?.See(l, h, share);
                if (alignment.Includes(l, h))
                {
                    TensorPrimitives.Add(heard, share, heard);
                }
            }
        }

        AddThrough(layer.CrossOutput);
    }

    private void FeedForward(DecoderLayer layer)
    {
        Normalise(layer.FeedForwardNorm);
        var both = layer.Up.Outputs;
        var half = both / 2;
        Fit(ref wide, rows.Count * both);
        layer.Up.Multiply(normed, rows.Count, wide);
        for (var r = 0; r < rows.Count; r++)
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

        layer.Down.Multiply(wide, rows.Count, mixed);
        for (var r = 0; r < rows.Count; r++)
        {
            var to = state.AsSpan(r * width, width);
            TensorPrimitives.Add(to, mixed.AsSpan(r * width, width), to);
            TensorPrimitives.Add(to, layer.DownBias, to);
        }
    }

    private void AddThrough(QuantisedMatrix matrix)
    {
        matrix.Multiply(mixed, rows.Count, normed);
        var to = state.AsSpan(0, rows.Count * width);
        TensorPrimitives.Add(to, normed.AsSpan(0, rows.Count * width), to);
    }

    private void Normalise(float[] norm)
    {
        for (var r = 0; r < rows.Count; r++)
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

    /// <param name="Number">The beginning that is worked on.</param>
    private readonly record struct Row(DecoderSession Session, int Number);
}
