using System.Numerics.Tensors;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Chapters.Titles;

/// <summary>How much each word tells a chapter from the others: how often it is said there, and how much oftener than elsewhere.</summary>
internal sealed class ChapterWords
{
    private const double Smoothing = 0.6;

    /// <summary>What the whole lecture is about counts somewhat in each chapter that speaks of it much; what is said once is rarely what a chapter is about.</summary>
    private const double OfTheLecture = 0.7, SaidOnce = 0.5;

    private readonly List<Dictionary<string, int>> counts;
    private readonly int[] totals;
    private readonly WordVectors vectors;
    private readonly List<float[]> meanings;
    private readonly Dictionary<string, int> all = [];

    /// <param name="phrases">The phrases of each chapter; a word counts once for each place.</param>
    /// <param name="vectors">What words mean; none to go without.</param>
    public ChapterWords(IReadOnlyList<IReadOnlyList<Sentence>> chapters, List<List<NamingPhrase>> phrases, WordVectors vectors)
    {
        this.vectors = vectors;
        var words = chapters.Select(c => c.SelectMany(s => Tokens.Of(s.Text)).ToList()).ToList();
        meanings = words.ConvertAll(Meaning);
        counts = words.ConvertAll(w => Count(w.Select(Tokens.Stem)));
        foreach (var chapter in counts)
        {
            foreach (var (word, count) in chapter)
            {
                all[word] = all.GetValueOrDefault(word) + count;
            }
        }

        // Stems of another language are counted as its phrases have them.
        foreach (var (chapter, found) in counts.Zip(phrases))
        {
            foreach (var (word, count) in Count(found.Where(p => p.Content.Count == 1).SelectMany(p => p.Content)))
            {
                if (chapter.TryAdd(word, count))
                {
                    all[word] = all.GetValueOrDefault(word) + count;
                }
            }
        }

        totals = counts.Select(c => c.Values.Sum()).ToArray();
    }

    /// <summary>The weight of a word in a chapter; 0 for one that is said more elsewhere.</summary>
    public double Of(int chapter, string stem)
    {
        var here = counts[chapter].GetValueOrDefault(stem);
        if (here == 0)
        {
            return 0;
        }

        var elsewhere = all[stem] - here;
        var others = totals.Sum() - totals[chapter];
        var ratio = Math.Log((here + Smoothing) / (totals[chapter] + 1)) - Math.Log((elsewhere + Smoothing) / (others + 1));
        return Math.Max(0, counts.Count == 1 ? 1 : ratio + OfTheLecture) * (here == 1 ? SaidOnce : Math.Sqrt(here));
    }

    /// <summary>How often a word is said in a chapter.</summary>
    public int CountOf(int chapter, string stem) => counts[chapter].GetValueOrDefault(stem);

    /// <summary>How often a word is said in the other chapters.</summary>
    public int CountElsewhere(int chapter, string stem) => all.GetValueOrDefault(stem) - CountOf(chapter, stem);

    /// <summary>The weight of the word that tells a chapter best from the others.</summary>
    public double MostOf(int chapter) => counts[chapter].Keys.Where(stem => !EnglishPhrases.SaysNothing(stem)).Select(stem => Of(chapter, stem)).DefaultIfEmpty(0).Max() is > 0 and var most ? most : 1;

    /// <summary>Whether a word is one of those that tell the chapter best from the others.</summary>
    public bool IsAmongFirst(int chapter, string stem) => !StopWords.Contains(stem) && First(chapter).Contains(stem);

    private HashSet<string> First(int chapter) => first.TryGetValue(chapter, out var known) ? known : first[chapter] = counts[chapter].Where(w => w.Value > 1 && !EnglishPhrases.SaysNothing(w.Key))
        .OrderByDescending(w => Of(chapter, w.Key)).ThenBy(w => w.Key, StringComparer.Ordinal).Take(MostFirst).Select(w => w.Key).ToHashSet();

    private const int MostFirst = 5;

    private readonly Dictionary<int, HashSet<string>> first = [];

    /// <summary>How near a phrase is to what its chapter is about: about 1 on the whole, less for what is mentioned in passing.</summary>
    public double Centrality(int chapter, string phrase)
    {
        var own = Meaning(Tokens.Of(phrase));
        var (a, b) = (TensorPrimitives.Norm(own), TensorPrimitives.Norm(meanings[chapter]));
        return a == 0 || b == 0 ? NoMeaning : LeastCentral + (Centre * Math.Max(0, TensorPrimitives.Dot(own, meanings[chapter]) / (a * b)));
    }

    private const double NoMeaning = 1, LeastCentral = 0.4, Centre = 1.2;

    private float[] Meaning(IReadOnlyList<string> words)
    {
        var sum = new float[vectors.Size];
        foreach (var word in words.Where(w => !StopWords.Contains(w)))
        {
            vectors.AddTo(word, vectors.WeightOf(word), sum);
        }

        return sum;
    }

    private static Dictionary<string, int> Count(IEnumerable<string> words) => words.GroupBy(w => w).ToDictionary(g => g.Key, g => g.Count());
}
