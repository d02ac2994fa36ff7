using System.Numerics.Tensors;
using Kostel.Core.Retrieval;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Answers;

/// <summary>What can be counted of sentences for a question.</summary>
/// <param name="Of">For each sentence, by the names of <see cref="AnswerModel.Names"/>.</param>
/// <param name="Likeness">For each word of the question and each sentence, from 0 to 1.</param>
/// <param name="Weights">What each word of the question is worth.</param>
internal sealed record AnswerFeatures(double[][] Of, double[][] Likeness, double[] Weights);

/// <summary>Sentences that stand one after the other, ready to be asked, with what can be counted of each for a question.</summary>
internal sealed class AnswerGround
{
    /// <summary>A word of the question that stands everywhere still counts this much.</summary>
    private const double Everywhere = 0.12;

    /// <summary>A word of every day counts this part of another.</summary>
    private const double PlainWord = 0.4;

    /// <summary>A sentence of so few words may only name what the next ones speak of.</summary>
    private const int Naming = 3, NamedFor = 4;

    private const double Fading = 0.85;

    /// <summary>Neighbouring words of the question stand together if no more words than these lie between.</summary>
    private const int Together = 3;

    private const int Wide = 5;

    /// <summary>A word that is a verb in this share of its uses begins a sentence as one.</summary>
    private const double MostlyVerb = 0.6;

    /// <summary>A word that is a noun in more of its uses names a thing.</summary>
    private const double MostlyNoun = 0.6;

    /// <summary>For so many sentences a word is remembered, of each a little less.</summary>
    private static readonly double[] Fades = [.. Enumerable.Range(0, 16).Select(back => Math.Pow(0.9, back))];

    private static readonly int[] Relative = Array.ConvertAll(AnswerModel.AgainstTheMost, n => Array.IndexOf(AnswerModel.Names, n));
    private static readonly int[] OfKind = Array.ConvertAll(AnswerModel.ByKind, n => Array.IndexOf(AnswerModel.Names, n));

    private readonly IReadOnlyList<Sentence> sentences;
    private readonly SentenceForms[] forms;
    private readonly string[][] words, stems;
    private readonly Bm25Index single, windows;
    private readonly float[][] directions;
    private readonly float[] common;
    private readonly WordKnowledge known;
    private readonly WordLikeness likeness;
    private readonly int[] sources;
    private readonly List<HashSet<string>> titles;

    /// <param name="lectures">The sentences of each lecture.</param>
    /// <param name="titles">What each is called; null where that tells nothing.</param>
    public AnswerGround(IReadOnlyList<IReadOnlyList<Sentence>> lectures, WordKnowledge known, IReadOnlyList<string>? titles = null)
    {
        this.titles = lectures.Select((_, i) => AskedWords.Of(titles?[i] ?? "").Select(w => w.Stem).ToHashSet()).ToList();
        (sentences, this.known, likeness) = (lectures.SelectMany(l => l).ToList(), known, new WordLikeness(known));
        sources = lectures.SelectMany((l, i) => Enumerable.Repeat(i, l.Count)).ToArray();
        forms = sentences.Select(s => new SentenceForms(s)).ToArray();
        var told = sentences.Select(s => AskedWords.All(Tokens.Of(s.Text)).ToArray()).ToArray();
        words = Array.ConvertAll(told, s => Array.ConvertAll(s, w => w.Word));
        stems = Array.ConvertAll(told, s => Array.ConvertAll(s, w => w.Stem));
        single = new Bm25Index(stems);
        windows = new Bm25Index(stems.Select((_, i) => (IReadOnlyList<string>)Enumerable.Range(i - 1, 3).Where(j => j >= 0 && j < stems.Length).SelectMany(j => stems[j]).ToList()).ToList());
        directions = Array.ConvertAll(words, s => Direction(s.Select(w => (w, 1.0))));
        common = new float[known.Vectors.Size];
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

    public int Count => sentences.Count;

    public Sentence this[int i] => sentences[i];

    /// <summary>Of which lecture a sentence is.</summary>
    public int SourceOf(int i) => sources[i];

    public SentenceForms Forms(int i) => forms[i];

    /// <summary>For each lecture, how much of a question's words its title has less than the title that has most of them; 0 for that one, down to -1.</summary>
    /// <param name="weights">What each word of the question is worth.</param>
    public double[] BehindByTitle(Question question, double[] weights)
    {
        var shares = titles.ConvertAll(t => weights.Where((_, k) => t.Contains(question.Words[k].Stem)).Sum() / Math.Max(1e-9, weights.Sum()));
        var most = shares.Max();
        return shares.Select(s => s - most).ToArray();
    }

    /// <summary>Whether a sentence tells somebody to do something: it begins with a verb in its plain form.</summary>
    public bool Tells(int i)
    {
        var first = Tokens.Of(this[i].Text).FirstOrDefault(w => w is not ("and" or "so" or "but" or "then" or "please" or "ok" or "okay" or "well"));
        return first is not null && !first.EndsWith("ing", StringComparison.Ordinal) && !first.EndsWith("ed", StringComparison.Ordinal)
            && !StopWords.Contains(first) && known.Lexicon.KindsOf(first).VerbShare >= MostlyVerb;
    }

    /// <summary>Whether a sentence has every one of these words.</summary>
    public bool Has(int i, IEnumerable<string> stemsOfWords) => stemsOfWords.All(stems[i].Contains);

    /// <summary>How rare a word is in English, from 0 to 1, and whether it names a thing; 0 where nothing is known of words.</summary>
    public (double Rarity, bool IsThing) KnownOf(AskedWord word) => known.Vectors.Count == 0
        ? (0, false)
        : (known.Vectors.RarityOf(word.Word), known.Lexicon.KindsOf(word.Word) is var kinds && (kinds.Total == 0 || kinds.NounShare > MostlyNoun));

    /// <summary>In how many sentences a word stands in any form.</summary>
    public int SentencesWith(string stem) => single.DocumentsWith(stem);

    /// <summary>What speaks for each sentence, and how well each word of the question has one like it there.</summary>
    /// <param name="without">Leaves a part out, to see what it is worth.</param>
    public AnswerFeatures Features(Question question, AnswerParts without = AnswerParts.None)
    {
        var asked = question.Words;
        var weights = asked.Select(w => Weight(w)).ToArray();
        var total = weights.Sum();
        var telling = Array.IndexOf(weights, weights.Max());
        var exact = asked.Select(w => stems.Select(s => s.Contains(w.Stem) ? 1.0 : 0).ToArray()).ToArray();
        var soft = without.HasFlag(AnswerParts.Meaning) ? exact : asked.Select(w => Soft(w)).ToArray();
        var bm25 = Scaled(single.Scores(asked.Select(w => w.Stem)));
        var bm25Windows = Scaled(windows.Scores(asked.Select(w => w.Stem)));
        var direction = Direction(asked.Select((w, k) => (w.Word, weights[k])));
        TextMeaning.Without(direction, common);
        var near = Enumerable.Range(0, Count).Select(i => Likeness(direction, i, i)).ToArray();
        var nearWindow = Enumerable.Range(0, Count).Select(i => Likeness(direction, i - 1, i + 1)).ToArray();
        var nearWide = Enumerable.Range(0, Count).Select(i => Likeness(direction, i - Wide, i + Wide)).ToArray();
        var (mostNear, mostNearWindow) = (Math.Max(1e-9, near.Max()), Math.Max(1e-9, nearWindow.Max()));
        var own = Enumerable.Range(0, Count).Select(i => Covered(soft, i, 0)).ToArray();
        var hasWindows = !without.HasFlag(AnswerParts.Windows);
        var hasMeaning = !without.HasFlag(AnswerParts.Meaning);
        var hasWords = !without.HasFlag(AnswerParts.Words);
        var hasForms = !without.HasFlag(AnswerParts.Forms);
        var rows = Enumerable.Range(0, Count).Select(Of).ToArray();
        var most = Array.ConvertAll(Relative, f => Math.Max(1e-9, rows.Max(r => r[f])));
        return new AnswerFeatures(rows.Select(Whole).ToArray(), soft, weights);

        double[] Whole(double[] row, int i) =>
        [
            .. row,
            hasWindows ? SaidBefore(i) : 0,
            .. Relative.Select((f, k) => row[f] / most[k]),
            .. AnswerModel.Kinds.SelectMany(k => OfKind.Select(f => question.Wants == k ? row[f] : 0)),
        ];

        // What a question is about may have been named a while ago.
        double SaidBefore(int i)
        {
            var sum = 0.0;
            for (var k = 0; k < soft.Length; k++)
            {
                var best = 0.0;
                for (var back = 0; back < Fades.Length && back <= i; back++)
                {
                    best = Math.Max(best, soft[k][i - back] * Fades[back]);
                }

                sum += weights[k] * best;
            }

            return total == 0 ? 0 : sum / total;
        }

        double[] Of(int i)
        {
            var form = forms[i];
            var fit = hasForms ? form.Fit(question) : 0;
            var next = hasForms && i + 1 < Count ? forms[i + 1].Fit(question) : 0;
            var isQuantity = question.Wants == Wanted.Quantity;
            return
            [
                hasWords ? Covered(exact, i, 0) : 0,
                hasWords && hasWindows ? Covered(exact, i, 1) : 0,
                hasMeaning ? own[i] : 0,
                hasMeaning && hasWindows ? Covered(soft, i, 1) : 0,
                hasMeaning && hasWindows ? Covered(soft, i, 2) : 0,
                hasWords ? bm25[i] : 0,
                hasWords && hasWindows ? bm25Windows[i] : 0,
                hasMeaning ? near[i] : 0,
                hasMeaning ? near[i] / mostNear : 0,
                hasMeaning && hasWindows ? nearWindow[i] / mostNearWindow : 0,
                hasMeaning && hasWindows ? nearWide[i] : 0,
                soft[telling][i],
                hasWindows ? Enumerable.Range(i - 1, 3).Where(j => j >= 0 && j < Count).Max(j => soft[telling][j]) : 0,
                hasWords ? Phrases(asked, i) : 0,
                !hasWindows || i == 0 ? 0 : Math.Max(forms[i - 1].Asks ? own[i - 1] : 0, i > 1 && forms[i - 2].Asks ? 0.6 * own[i - 2] : 0),
                form.IsQuestion ? 1 : 0,
                Math.Min(1, words[i].Length / 12.0),
                words[i].Length < 3 ? 1 : 0,
                isQuantity ? fit : 0,
                isQuantity && hasForms && form.FitsUnit(question) ? 1 : 0,
                isQuantity && fit == 0 ? next : 0,
                question.Wants == Wanted.Reason ? fit : 0,
                question.Wants == Wanted.Person ? fit : 0,
                question.Wants == Wanted.Time ? fit : 0,
                question.Wants == Wanted.Place ? fit : 0,
                question.Wants == Wanted.Steps ? fit : 0,
                question.Wants == Wanted.Definition ? fit : 0,
                question.Wants == Wanted.Definition && hasForms ? Math.Max(form.Names(asked) ? 1 : 0, form.Definition is { } d ? Overlap(asked, d.Term) : 0) : 0,
                Math.Min(1, stems[i].Count(s => !asked.Any(a => a.Stem == s)) / 8.0),
                hasWindows && form.Leans && i > 0 ? own[i - 1] : 0,
                hasWindows && i > 0 ? own[i - 1] : 0,
                hasWindows && i + 1 < Count ? own[i + 1] : 0,
                hasWindows ? Enumerable.Range(Math.Max(0, i - NamedFor), Math.Min(i, NamedFor)).Where(j => words[j].Length <= Naming).Select(j => own[j] * Math.Pow(Fading, i - j)).DefaultIfEmpty(0).Max() : 0,
                question.AsksForTask && hasForms && form.IsTask ? 1 : 0,
                !question.AsksForTask && hasForms && form.IsTask ? 1 : 0,
                fit * Covered(soft, i, hasWindows ? 1 : 0),
            ];
        }

        double Covered(double[][] match, int i, int reach)
        {
            if (total == 0)
            {
                return 0;
            }

            var sum = 0.0;
            for (var k = 0; k < match.Length; k++)
            {
                var best = 0.0;
                for (var j = Math.Max(0, i - reach); j <= Math.Min(Count - 1, i + reach); j++)
                {
                    best = Math.Max(best, match[k][j]);
                }

                sum += weights[k] * best;
            }

            return sum / total;
        }
    }

    /// <summary>What a question's words are worth of being heard: rare ones of the language, and those that tell places of this text apart.</summary>
    public double Weight(AskedWord word) =>
        (word.IsPlain ? PlainWord : 1) * known.Vectors.WeightOf(word.Word) * (SentencesWith(word.Stem) == 0 ? 1 : Math.Clamp(single.Idf(word.Stem) / Math.Log(Count + 1.5), Everywhere, 1));

    private double[] Soft(AskedWord word)
    {
        var like = likeness.To(word.Word);
        return words.Select((sentence, i) =>
        {
            var best = 0.0;
            for (var w = 0; w < sentence.Length && best < 1; w++)
            {
                best = Math.Max(best, like(sentence[w], stems[i][w]));
            }

            return best;
        }).ToArray();
    }

    private double Phrases(IReadOnlyList<AskedWord> asked, int i)
    {
        var together = 0;
        for (var k = 0; k + 1 < asked.Count; k++)
        {
            var (a, b) = (Array.IndexOf(stems[i], asked[k].Stem), Array.IndexOf(stems[i], asked[k + 1].Stem));
            together += a >= 0 && b >= 0 && Math.Abs(a - b) <= Together ? 1 : 0;
        }

        return Math.Min(1, together / 2.0);
    }

    private static double Overlap(IReadOnlyList<AskedWord> asked, string term)
    {
        var stems = AskedWords.Of(term).Select(w => w.Stem).ToList();
        return stems.Count == 0 ? 0 : 2.0 * stems.Count(s => asked.Any(a => a.Stem == s)) / (stems.Count + asked.Count);
    }

    private float[] Direction(IEnumerable<(string Word, double Weight)> of)
    {
        var sum = new float[known.Vectors.Size];
        foreach (var (word, weight) in of)
        {
            known.Vectors.AddTo(word, weight * known.Vectors.WeightOf(word), sum);
        }

        return sum;
    }

    private double Likeness(float[] direction, int from, int to)
    {
        var sum = new float[direction.Length];
        for (var j = Math.Max(0, from); j <= Math.Min(Count - 1, to); j++)
        {
            TensorPrimitives.Add(sum, directions[j], sum);
        }

        var (a, b) = (TensorPrimitives.Norm<float>(sum), TensorPrimitives.Norm<float>(direction));
        return a == 0 || b == 0 ? 0 : Math.Max(0, TensorPrimitives.Dot<float>(sum, direction) / (double)(a * b));
    }

    private static double[] Scaled(double[] scores) => scores.DefaultIfEmpty(0).Max() is var most && most > 0 ? Array.ConvertAll(scores, s => s / most) : scores;
}
