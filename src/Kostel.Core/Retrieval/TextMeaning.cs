using System.Numerics.Tensors;
using Kostel.Core.Text;

namespace Kostel.Core.Retrieval;

/// <summary>What a text is about, as a direction: the mean of its words' vectors, each by its rarity.</summary>
/// <remarks>S. Arora, Y. Liang, T. Ma, "A simple but tough-to-beat baseline for sentence embeddings", 2017. The common direction that
/// is taken out there is that of the texts at hand (<see cref="MeaningIndex"/>).</remarks>
public static class TextMeaning
{
    /// <summary>The direction of a text, of length one; all zeros where no word of it has a vector.</summary>
    public static float[] Of(string text, WordVectors vectors)
    {
        var sum = new float[vectors.Size];
        foreach (var word in Tokens.Of(text))
        {
            if (!StopWords.Contains(word))
            {
                vectors.AddTo(word, vectors.WeightOf(word), sum);
            }
        }

        ToUnit(sum);
        return sum;
    }

    /// <summary>Makes it of length one, unless it is nothing.</summary>
    internal static void ToUnit(Span<float> vector)
    {
        var length = TensorPrimitives.Norm<float>(vector);
        if (length > 0)
        {
            TensorPrimitives.Divide(vector, length, vector);
        }
    }

    /// <summary>Takes a direction of length one out of another.</summary>
    internal static void Without(Span<float> vector, ReadOnlySpan<float> common)
    {
        var share = TensorPrimitives.Dot<float>(vector, common);
        for (var i = 0; i < vector.Length; i++)
        {
            vector[i] -= share * common[i];
        }
    }
}
