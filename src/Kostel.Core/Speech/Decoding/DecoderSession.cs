namespace Kostel.Core.Speech.Decoding;

/// <summary>
/// What the decoder keeps of one utterance: its sound, and keys and values of everything written as a tree, so that beginnings
/// that share their first tokens share what was computed for them, and nothing is ever copied.
/// </summary>
public sealed class DecoderSession : ITokenModel
{
    private readonly Decoder decoder;
    private readonly int width;
    private readonly SoundMemory[] sound;
    private readonly List<Written> tree = [];
    private ReadOnlyMemory<float> scores;
    private int frames;

    internal DecoderSession(Decoder decoder, DecoderWeights weights)
    {
        this.decoder = decoder;
        width = weights.Width;
        sound = weights.Layers.Select(_ => new SoundMemory(width, weights.HeadSize)).ToArray();
    }

    /// <inheritdoc/>
    public int Next => tree.Count;

    /// <summary>Takes up a new utterance; everything of the last one is forgotten.</summary>
    /// <param name="encoded">[frames × width], from the encoder.</param>
    public void Begin(ReadOnlySpan<float> encoded)
    {
        frames = encoded.Length / width;
        tree.Clear();
        decoder.Load(encoded, sound);
    }

    /// <inheritdoc/>
    public int Extend(ReadOnlySpan<Extension> extensions)
    {
        var first = tree.Count;
        decoder.Extend([(this, extensions.ToArray())]);
        return first;
    }

    /// <inheritdoc/>
    public ReadOnlySpan<float> Scores(int row) => scores.Span.Slice(row * decoder.Vocabulary, decoder.Vocabulary);

    /// <inheritdoc/>
    public ReadOnlySpan<float> Attention(int beginning) => tree[beginning].Attention;

    internal SoundMemory Sound(int layer) => sound[layer];

    internal Written Beginning(int number) => tree[number];

    internal void Append(Extension extension, int layers) =>
        tree.Add(new Written(
            extension.Beginning < 0 ? [tree.Count] : [.. tree[extension.Beginning].Path, tree.Count],
            new float[layers * width],
            new float[layers * width],
            new float[frames]));

    internal void Scored(ReadOnlyMemory<float> rows) => scores = rows;

    /// <param name="Path">The numbers of the tokens up to and with this one.</param>
    /// <param name="Keys">[layers × width].</param>
    /// <param name="Values">[layers × width].</param>
    /// <param name="Attention">One number a frame.</param>
    internal sealed record Written(int[] Path, float[] Keys, float[] Values, float[] Attention);
}
