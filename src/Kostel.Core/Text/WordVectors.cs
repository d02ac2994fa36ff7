using System.Buffers.Binary;
using System.Text;

namespace Kostel.Core.Text;

/// <summary>What words mean, as directions: words that are used alike point alike. English, written in small letters.</summary>
/// <remarks>The table is made by <c>models/word-vectors.mjs</c>, which says how and describes its layout.</remarks>
public sealed class WordVectors
{
    private const string Magic = "KOSTELV1";
    private const int HeaderBytes = 20, MostWords = 2_000_000, MostNumbers = 2_000;

    /// <summary>How rare a word must be to count in full: a / (a + p), with p its share of all words.</summary>
    /// <remarks>S. Arora, Y. Liang, T. Ma, "A simple but tough-to-beat baseline for sentence embeddings", 2017; a as there.</remarks>
    private const double Rarity = 1e-3;

    /// <summary>Shares fall with the rank (Zipf); the first word of English makes about one in fifteen (common practice, no source).</summary>
    private const double FirstShare = 0.066;

    private readonly Dictionary<string, int> places;
    private readonly float[] scales;
    private readonly sbyte[] numbers;

    private WordVectors(Dictionary<string, int> places, float[] scales, sbyte[] numbers, int size)
    {
        (this.places, this.scales, this.numbers, Size) = (places, scales, numbers, size);
    }

    /// <summary>No words at all: what works by meaning then does without.</summary>
    public static WordVectors None { get; } = new([], [], [], 0);

    /// <summary>Numbers of a vector.</summary>
    public int Size { get; }

    /// <summary>Words that have one.</summary>
    public int Count => scales.Length;

    /// <summary>Reads a table.</summary>
    /// <exception cref="InvalidDataException">It is none, or cut off.</exception>
    public static WordVectors Read(Stream stream)
    {
        var header = new byte[HeaderBytes];
        if (stream.ReadAtLeast(header, HeaderBytes, throwOnEndOfStream: false) < HeaderBytes || Encoding.ASCII.GetString(header, 0, Magic.Length) != Magic)
        {
            throw new InvalidDataException("This is no table of word vectors.");
        }

        var (count, size, text) = (Whole(8), Whole(12), Whole(16));
        if (count is < 0 or > MostWords || size is < 1 or > MostNumbers || text < 0)
        {
            throw new InvalidDataException("The table of word vectors is damaged.");
        }

        try
        {
            var letters = new byte[text];
            stream.ReadExactly(letters);
            var words = Encoding.UTF8.GetString(letters).Split('\n');
            var places = new Dictionary<string, int>(count);
            var scales = new float[count];
            var numbers = new sbyte[(long)count * size];
            var row = new byte[sizeof(float) + size];
            for (var i = 0; i < count; i++)
            {
                stream.ReadExactly(row);
                places[words[i]] = i;
                scales[i] = BinaryPrimitives.ReadSingleLittleEndian(row);
                System.Runtime.InteropServices.MemoryMarshal.Cast<byte, sbyte>(row.AsSpan(sizeof(float))).CopyTo(numbers.AsSpan(i * size));
            }

            return new WordVectors(places, scales, numbers, size);
        }
        catch (Exception e) when (e is EndOfStreamException or IndexOutOfRangeException)
        {
            throw new InvalidDataException("The table of word vectors is cut off.", e);
        }

        int Whole(int at) => BinaryPrimitives.ReadInt32LittleEndian(header.AsSpan(at));
    }

    /// <summary>The place of a word by how frequent it is; -1 for one that has no vector.</summary>
    public int PlaceOf(string word) => places.GetValueOrDefault(word, -1);

    /// <summary>Adds a word's vector, of length one, times a weight.</summary>
    /// <returns>Whether it has one.</returns>
    public bool AddTo(string word, double weight, Span<float> sum)
    {
        if (!places.TryGetValue(word, out var place))
        {
            return false;
        }

        var factor = (float)(scales[place] * weight);
        var row = numbers.AsSpan(place * Size, Size);
        for (var i = 0; i < row.Length; i++)
        {
            sum[i] += row[i] * factor;
        }

        return true;
    }

    /// <summary>How much a word says, by its rarity in English: near 0 for "the", near 1 for "estuary"; 1 for one that has no vector.</summary>
    public double WeightOf(string word) => places.TryGetValue(word, out var place) ? Rarity / (Rarity + (FirstShare / (place + 1))) : 1;

    /// <summary>How rare a word of English is among those that have a vector, by the logarithm of its place: 0 for the most frequent, near 1 for the rarest, 1 for one that has none.</summary>
    public double RarityOf(string word) => places.TryGetValue(word, out var place) ? Math.Log(1 + place) / Math.Log(1 + Count) : 1;

    /// <summary>How alike two words are used, from -1 to 1; 0 where one has no vector.</summary>
    public double Similarity(string a, string b)
    {
        if (!places.TryGetValue(a, out var x) || !places.TryGetValue(b, out var y))
        {
            return 0;
        }

        var sum = 0;
        for (var i = 0; i < Size; i++)
        {
            sum += numbers[(x * Size) + i] * numbers[(y * Size) + i];
        }

        return sum * (double)scales[x] * scales[y];
    }
}
