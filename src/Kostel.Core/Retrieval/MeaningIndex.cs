using System.Numerics.Tensors;
using Kostel.Core.Text;

namespace Kostel.Core.Retrieval;

/// <summary>The directions of a lecture's passages.</summary>
/// <param name="TextVersion">Of the text they were made of.</param>
/// <param name="Keys">The passages, in order.</param>
/// <param name="Directions">As many numbers for each as word vectors have.</param>
public sealed record LectureMeaning(string LectureId, int TextVersion, IReadOnlyList<string> Keys, float[] Directions)
{
    private const float Steps = sbyte.MaxValue;

    /// <summary>Works them out.</summary>
    /// <param name="passages">Keys and texts.</param>
    public static LectureMeaning Of(string lectureId, int textVersion, IEnumerable<(string Key, string Text)> passages, WordVectors vectors)
    {
        var all = passages.ToList();
        return new LectureMeaning(lectureId, textVersion, all.ConvertAll(p => p.Key), all.SelectMany(p => TextMeaning.Of(p.Text, vectors)).ToArray());
    }

    /// <summary>The directions in a byte a number, for keeping.</summary>
    public byte[] Pack() => Directions.Select(d => unchecked((byte)(sbyte)Math.Round(d * Steps))).ToArray();

    /// <summary>The way back.</summary>
    public static float[] Unpack(byte[] packed) => packed.Select(b => unchecked((sbyte)b) / Steps).ToArray();
}

/// <summary>A passage that means something like what was looked for.</summary>
/// <param name="Likeness">1 for the same direction, 0 for nothing in common.</param>
public sealed record MeantPassage(string LectureId, string Key, double Likeness);

/// <summary>Finds passages by what they mean. What all of them have in common says nothing and is left out.</summary>
public sealed class MeaningIndex
{
    private readonly IReadOnlyList<LectureMeaning> lectures;
    private readonly int size;
    private readonly float[] common;

    /// <param name="size">Numbers of a direction.</param>
    public MeaningIndex(IReadOnlyList<LectureMeaning> lectures, int size)
    {
        (this.lectures, this.size) = (lectures, size);
        common = new float[size];
        foreach (var row in lectures.SelectMany(l => Enumerable.Range(0, l.Keys.Count).Select(i => (l.Directions, i))))
        {
            TensorPrimitives.Add(common, row.Directions.AsSpan(row.i * size, size), common);
        }

        TextMeaning.ToUnit(common);
    }

    /// <summary>The passages nearest to a text, the nearest first.</summary>
    /// <param name="includes">The lectures to look in.</param>
    /// <param name="least">What is less alike is left out.</param>
    public IReadOnlyList<MeantPassage> Find(string text, WordVectors vectors, Func<string, bool> includes, int most, double least)
    {
        var query = TextMeaning.Of(text, vectors);
        TextMeaning.Without(query, common);
        TextMeaning.ToUnit(query);
        var nearest = new PriorityQueue<(LectureMeaning Lecture, int Row), double>();
        if (size == 0 || TensorPrimitives.Norm<float>(query) == 0)
        {
            return [];
        }

        foreach (var lecture in lectures.Where(l => includes(l.LectureId)))
        {
            for (var i = 0; i < lecture.Keys.Count; i++)
            {
                var row = lecture.Directions.AsSpan(i * size, size);
                var shared = TensorPrimitives.Dot<float>(row, common);
                var own = Math.Sqrt(Math.Max(1e-6, TensorPrimitives.SumOfSquares<float>(row) - (shared * shared)));
                var likeness = TensorPrimitives.Dot<float>(row, query) / own;
                if (likeness >= least && (nearest.Count < most || !nearest.TryPeek(out _, out var worst) || likeness > worst))
                {
                    nearest.Enqueue((lecture, i), likeness);
                    if (nearest.Count > most)
                    {
                        nearest.Dequeue();
                    }
                }
            }
        }

        return nearest.UnorderedItems.OrderByDescending(n => n.Priority).Select(n => new MeantPassage(n.Element.Lecture.LectureId, n.Element.Lecture.Keys[n.Element.Row], n.Priority)).ToList();
    }
}
