using System.Numerics.Tensors;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Retrieval;

/// <summary>A passage that speaks of a subject.</summary>
/// <param name="Passage">Its place in the lecture, counted from 0.</param>
/// <param name="StartMs">Where the part of it that speaks of the subject begins.</param>
/// <param name="EndMs">Where that part ends.</param>
/// <param name="Strength">How much it does, from 0 to 1; 1 for the passage of the lecture that does most.</param>
/// <param name="HasWord">Whether a word of the subject itself stands there.</param>
public sealed record SubjectPlace(int Passage, int StartMs, int EndMs, double Strength, bool HasWord);

/// <summary>
/// Where a lecture speaks of a subject: by its words in any form, by words that mean the same or are used alike, and by what is said
/// around those places, because a lecturer rarely says the subject's name in every sentence about it.
/// </summary>
/// <remarks>
/// Words: BM25 over sentences. Meaning: each word of the subject aligned to the nearest word of a sentence, and the directions of the
/// whole. What is said around: pseudo relevance feedback (J. Rocchio, 1971) with directions in place of words. A sentence counts
/// together with its neighbours. The weights lie on a plateau: halving or doubling any of them changes little (docs/search.md).
/// </remarks>
public sealed class SubjectTrack
{
    private const double ByWord = 0.7, ByAlignment = 0.7, ByDirection = 1.2, ByFeedback = 1.2;

    /// <summary>How far a sentence's neighbours count (standard deviation, in sentences): those close by, and the stretch it stands in with what that is worth.</summary>
    private const double Close = 2, Stretch = 6, ByStretch = 0.7;

    private const int FeedbackSentences = 4;

    /// <summary>A word of the subject that stands everywhere in the lecture counts this much at least.</summary>
    private const double Everywhere = 0.15;

    /// <summary>Weaker places than this part of the strongest are left out.</summary>
    private const double Weakest = 0.5;

    private readonly IReadOnlyList<Passage> passages;
    private readonly List<(int Passage, Sentence Sentence)> sentences;
    private readonly List<IReadOnlyList<string>> words;
    private readonly List<IReadOnlyList<string>> stems;
    private readonly List<float[]> directions;
    private readonly Bm25Index index;
    private readonly WordVectors vectors;
    private readonly WordLikeness likeness;
    private readonly float[] common;

    /// <summary>Makes a lecture ready to be asked.</summary>
    public SubjectTrack(IReadOnlyList<Passage> passages, WordKnowledge known)
    {
        (this.passages, vectors, likeness) = (passages, known.Vectors, new WordLikeness(known));
        sentences = passages.SelectMany((p, i) => Sentences.Of(p).Select(s => (i, s))).ToList();
        words = sentences.ConvertAll(s => (IReadOnlyList<string>)Tokens.Of(s.Sentence.Text).Where(w => !StopWords.Contains(w)).ToList());
        stems = words.ConvertAll(s => (IReadOnlyList<string>)s.Select(Tokens.Stem).ToList());
        index = new Bm25Index(stems);
        directions = words.ConvertAll(s => Direction(s.Select(w => (w, 1.0))));
        common = new float[vectors.Size];
        foreach (var direction in directions)
        {
            TensorPrimitives.Add(common, direction, common);
        }

        TextMeaning.ToUnit(common);
        foreach (var direction in directions)
        {
            TextMeaning.Without(direction, common);
        }
    }

    /// <summary>The passages that speak of a subject, in the order of the lecture; none where it has no words or nothing is like it.</summary>
    public IReadOnlyList<SubjectPlace> Find(string subject)
    {
        var near = OfSentences(subject);
        var most = near.DefaultIfEmpty(0).Max();
        if (most <= 0)
        {
            return [];
        }

        var asked = Asked(subject).ConvertAll(Tokens.Stem);
        return sentences.Index().GroupBy(s => s.Item.Passage)
            .Select(g => (Passage: g.Key, Strong: g.Select(s => s.Index).Where(i => near[i] >= most * Weakest).ToList()))
            .Where(p => p.Strong.Count > 0)
            .Select(p => new SubjectPlace(
                p.Passage, sentences[p.Strong[0]].Sentence.StartMs, sentences[p.Strong[^1]].Sentence.EndMs, p.Strong.Max(i => near[i]) / most, p.Strong.Exists(i => stems[i].Intersect(asked).Any())))
            .ToList();
    }

    /// <summary>The same where a word of the subject is said somewhere, else none: meaning alone finds something for any word.</summary>
    public IReadOnlyList<SubjectPlace> FindSaid(string subject) => Find(subject) is var places && places.Any(p => p.HasWord) ? places : [];

    /// <summary>How much each passage speaks of it, from 0; to be compared within one subject.</summary>
    public IReadOnlyList<double> Strengths(string subject)
    {
        var near = OfSentences(subject);
        return passages.Select((_, p) => sentences.Index().Where(s => s.Item.Passage == p).Select(s => near[s.Index]).DefaultIfEmpty(0).Max()).ToList();
    }

    private static List<string> Asked(string subject) => Tokens.Of(subject).Where(w => !StopWords.Contains(w)).Distinct().ToList();

    private double[] OfSentences(string subject)
    {
        var asked = Asked(subject).ConvertAll(w => (Word: w, Weight: Telling(w)));
        if (asked.Count == 0 || sentences.Count == 0)
        {
            return new double[sentences.Count];
        }

        var byWord = Scaled(index.Scores(asked.Select(a => Tokens.Stem(a.Word))));
        var aligned = Scaled(Alignment(asked));
        var direction = Direction(asked.Select(a => (a.Word, a.Weight)));
        TextMeaning.Without(direction, common);
        var directed = Scaled(Likeness(direction));
        var first = sentences.Select((_, i) => (ByWord * byWord[i]) + (ByAlignment * aligned[i]) + (ByDirection * directed[i])).ToArray();
        if (first.Max() <= 0)
        {
            return first;
        }

        var again = Scaled(Likeness(Feedback(Neighbouring(first, Close))));
        var all = first.Select((s, i) => s + (ByFeedback * again[i])).ToArray();
        var (close, stretch) = (Scaled(Neighbouring(all, Close)), Scaled(Neighbouring(all, Stretch)));
        return close.Select((s, i) => s + (ByStretch * stretch[i])).ToArray();
    }

    /// <summary>How much a word of the subject tells places of this lecture apart.</summary>
    private double Telling(string word) => Math.Max(Everywhere, index.Idf(Tokens.Stem(word)) / Math.Log(sentences.Count + 1.0));

    /// <summary>How well each word of the subject has a word like it in each sentence, by its weight.</summary>
    private double[] Alignment(List<(string Word, double Weight)> asked)
    {
        var sums = new double[sentences.Count];
        foreach (var (word, weight) in asked)
        {
            var like = likeness.To(word);
            for (var i = 0; i < sums.Length; i++)
            {
                var best = 0.0;
                for (var w = 0; w < words[i].Count; w++)
                {
                    best = Math.Max(best, like(words[i][w], stems[i][w]));
                }

                sums[i] += best * weight * vectors.WeightOf(word);
            }
        }

        return sums;
    }

    private float[] Direction(IEnumerable<(string Word, double Weight)> of)
    {
        var sum = new float[vectors.Size];
        foreach (var (word, weight) in of)
        {
            vectors.AddTo(word, weight * vectors.WeightOf(word), sum);
        }

        return sum;
    }

    private double[] Likeness(float[] direction)
    {
        var length = TensorPrimitives.Norm<float>(direction);
        return directions.Select(d => length == 0 || TensorPrimitives.Norm<float>(d) is var own && own == 0 ? 0 : Math.Max(0, TensorPrimitives.Dot<float>(d, direction) / (double)(length * own))).ToArray();
    }

    /// <summary>Where the strongest places point.</summary>
    private float[] Feedback(double[] near)
    {
        var sum = new float[vectors.Size];
        foreach (var i in Enumerable.Range(0, near.Length).OrderByDescending(i => near[i]).Take(FeedbackSentences))
        {
            TensorPrimitives.MultiplyAdd(directions[i], (float)near[i], sum, sum);
        }

        return sum;
    }

    private static double[] Neighbouring(double[] scores, double spread)
    {
        var reach = (int)Math.Ceiling(2 * spread);
        var kernel = Enumerable.Range(-reach, (2 * reach) + 1).Select(d => Math.Exp(-d * d / (2 * spread * spread))).ToArray();
        return scores.Select((_, i) =>
        {
            var sum = 0.0;
            for (var d = Math.Max(-reach, -i); d <= reach && i + d < scores.Length; d++)
            {
                sum += scores[i + d] * kernel[d + reach];
            }

            return sum;
        }).ToArray();
    }

    private static double[] Scaled(double[] scores) => scores.DefaultIfEmpty(0).Max() is var most && most > 0 ? scores.Select(s => s / most).ToArray() : scores;
}
