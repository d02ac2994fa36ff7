namespace Kostel.Core.Speech.Decoding;

/// <summary>One layer of the decoder.</summary>
/// <param name="SelfNorm">Weights of the normalisation before the attention to what was written.</param>
/// <param name="CrossNorm">…before the attention to the sound.</param>
/// <param name="FeedForwardNorm">…before the feed-forward part.</param>
/// <param name="Up">To twice the hidden size: the first half are values, the second their gates.</param>
public sealed record DecoderLayer(
    float[] SelfNorm,
    QuantisedMatrix SelfQuery,
    QuantisedMatrix SelfKey,
    QuantisedMatrix SelfValue,
    QuantisedMatrix SelfOutput,
    float[] CrossNorm,
    QuantisedMatrix CrossQuery,
    QuantisedMatrix CrossKey,
    QuantisedMatrix CrossValue,
    QuantisedMatrix CrossOutput,
    float[] FeedForwardNorm,
    QuantisedMatrix Up,
    float[] UpBias,
    QuantisedMatrix Down,
    float[] DownBias);

/// <summary>The decoder's weights.</summary>
/// <param name="Tokens">One row a token; both what goes in and, tied, what the result is compared with.</param>
/// <param name="InverseFrequencies">Of the rotation by position, one for each pair of numbers that is rotated.</param>
public sealed record DecoderWeights(
    QuantisedMatrix Tokens, IReadOnlyList<DecoderLayer> Layers, float[] FinalNorm, float[] InverseFrequencies)
{
    /// <summary>Heads of each attention.</summary>
    public const int Heads = 8;

    /// <summary>Numbers that stand for a position in the text.</summary>
    public int Width => Tokens.Inputs;

    /// <summary>Numbers a head works with.</summary>
    public int HeadSize => Width / Heads;
}
