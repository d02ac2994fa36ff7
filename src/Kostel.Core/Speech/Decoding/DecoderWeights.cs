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
    float[] DownBias)
{
    /// <summary>What does not fit together at this width; null when all does.</summary>
    internal string? Problem(int width)
    {
        (string Name, QuantisedMatrix Matrix, int Outputs, int Inputs)[] matrices =
        [
            ("query of what was written", SelfQuery, width, width), ("key of what was written", SelfKey, width, width),
            ("value of what was written", SelfValue, width, width), ("way out of what was written", SelfOutput, width, width),
            ("query of the sound", CrossQuery, width, width), ("key of the sound", CrossKey, width, width),
            ("value of the sound", CrossValue, width, width), ("way out of the sound", CrossOutput, width, width),
            ("way up", Up, Up.Outputs / 2 * 2, width), ("way down", Down, width, Up.Outputs / 2),
        ];
        (string Name, int Length, int Expected)[] rows =
        [
            ("first normalisation", SelfNorm.Length, width), ("second normalisation", CrossNorm.Length, width), ("third normalisation", FeedForwardNorm.Length, width),
            ("bias on the way up", UpBias.Length, Up.Outputs), ("bias on the way down", DownBias.Length, width),
        ];
        return matrices.Select(m => Wrong(m.Name, m.Matrix, m.Outputs, m.Inputs))
            .Concat(rows.Select(r => r.Length == r.Expected ? null : $"{r.Name}: {r.Length} numbers, expected were {r.Expected}."))
            .FirstOrDefault(p => p is not null);
    }

    private static string? Wrong(string name, QuantisedMatrix matrix, int outputs, int inputs) =>
        (matrix.Outputs, matrix.Inputs) == (outputs, inputs)
            ? null
            : $"{name}: {matrix.Inputs} numbers in and {matrix.Outputs} out, expected were {inputs} in and {outputs} out.";
}

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

    /// <summary>What does not fit together, in a sentence that says what was expected; null when all does.</summary>
    public string? Problem
    {
        get
        {
            if (Width % (Heads * HeadStep) != 0)
            {
                return $"a width of {Width} cannot be divided among {Heads} heads in steps of {HeadStep}.";
            }

            return InverseFrequencies.Length * 2 > HeadSize
                ? $"{InverseFrequencies.Length} frequencies are too many for heads of {HeadSize} numbers."
                : FinalNorm.Length != Width
                    ? $"the last normalisation has {FinalNorm.Length} numbers, expected were {Width}."
                    : Layers.Select((l, i) => l.Problem(Width) is { } problem ? $"layer {i}, {problem}" : null).FirstOrDefault(p => p is not null);
        }
    }

    /// <summary>The arithmetic takes this many numbers of a head at a time.</summary>
    private const int HeadStep = 4;
}
