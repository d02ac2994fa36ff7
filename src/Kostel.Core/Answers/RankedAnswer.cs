namespace Kostel.Core.Answers;

/// <summary>A question put to a ground: every sentence with its score, and what tells whether the best of them answers.</summary>
internal sealed class RankedAnswer
{
    private const int Beside = 2;

    /// <summary>What a question's words in the title of a lecture are worth against the other lectures (docs/answers.md).</summary>
    private const double OfTitle = 2;

    /// <summary>A word with none in the text that is liker than this is foreign to it.</summary>
    private const double Foreign = 0.3;

    /// <summary>One that has none liker than this is not spoken of; of so many the rest counts no more.</summary>
    private const double LikeNone = 0.4, MostUnspoken = 4;

    private RankedAnswer(Question question, double[] scores, int[] order, double[] state) => (Question, Scores, Order, State) = (question, scores, order, state);

    public Question Question { get; }

    public double[] Scores { get; }

    /// <summary>Sentences, the best first.</summary>
    public int[] Order { get; }

    /// <summary>By the names of <see cref="AnswerModel.StateNames"/>.</summary>
    public double[] State { get; }

    public static RankedAnswer Of(AnswerGround ground, Question question, double[] ranking, AnswerParts without = AnswerParts.None) =>
        Of(ground, question, ground.Features(question, without), ranking);

    public static RankedAnswer Of(AnswerGround ground, Question question, AnswerFeatures features, double[] ranking)
    {
        var said = Array.ConvertAll(features.Of, f => AnswerModel.Sum(ranking, f));
        var behind = ground.BehindByTitle(question, features.Weights);
        var scores = said.Select((s, i) => s + (OfTitle * behind[ground.SourceOf(i)])).ToArray();
        var order = Enumerable.Range(0, scores.Length).OrderByDescending(i => scores[i]).ToArray();

        // A title tells where to look, and not that what stands there answers.
        return new RankedAnswer(question, scores, order, StateOf(ground, question, features, said, order));
    }

    /// <summary>How likely each sentence is the one that answers, if one does.</summary>
    public static double[] Chances(double[] scores)
    {
        var most = scores.Max();
        var all = Array.ConvertAll(scores, s => Math.Exp(s - most));
        var sum = all.Sum();
        return Array.ConvertAll(all, s => s / sum);
    }

    private static double[] StateOf(AnswerGround ground, Question question, AnswerFeatures features, double[] scores, int[] order)
    {
        var best = order[0];
        var f = features.Of[best];
        var chances = Chances(scores);
        var next = order.FirstOrDefault(i => Math.Abs(i - best) > Beside, -1);
        var (weights, likeness) = (features.Weights, features.Likeness);
        var anywhere = Array.ConvertAll(likeness, l => l.Max());
        var around = Array.ConvertAll(likeness, l => Enumerable.Range(best - Beside, (2 * Beside) + 1).Where(i => i >= 0 && i < l.Length).Max(i => l[i]));
        var telling = Enumerable.Range(0, weights.Length).OrderByDescending(k => weights[k]).ToArray();
        var unheard = question.Words.Zip(weights).Where(w => ground.SentencesWith(w.First.Stem) == 0).Sum(w => w.Second) / Math.Max(1e-9, weights.Sum());
        double Is(Wanted wanted) => question.Wants == wanted ? 1 : 0;
        double Named(string name) => f[Array.IndexOf(AnswerModel.Names, name)];
        var wantsNumber = Is(Wanted.Quantity);
        var unspoken = question.Words.Where((_, k) => anywhere[k] < LikeNone).Select(ground.KnownOf).ToList();
        double Rarest(bool isThing) => unspoken.Where(w => w.IsThing == isThing).Select(w => w.Rarity).DefaultIfEmpty(0).Max();
        return
        [
            1,
            chances[best],
            Enumerable.Range(0, Math.Max(1, chances.Length - AnswerLines.Longest + 1)).Max(i => chances.Skip(i).Take(AnswerLines.Longest).Sum()),
            scores[best] / 10,
            next < 0 ? 0.5 : Math.Min(1, (scores[best] - scores[next]) / 4),
            Named("words"),
            Named("words around"),
            Named("like words"),
            Named("like words around"),
            Named("like words wider"),
            Named("the most telling word"),
            Named("the same around"),
            Named("meaning"),
            Named("meaning of the stretch"),
            unheard,
            1 - features.Of.Max(x => x[Array.IndexOf(AnswerModel.Names, "like words wider")]),
            wantsNumber > 0 && Named("number") == 0 && Named("number comes next") == 0 ? 1 : 0,
            wantsNumber,
            Is(Wanted.YesNo),
            Is(Wanted.Person),
            Is(Wanted.Definition),
            Math.Min(1, question.Words.Count / 6.0),
            Named("follows the question"),
            Named("phrases"),
            anywhere[telling[0]],
            telling.Length > 1 ? anywhere[telling[1]] : 1,
            weights.Zip(anywhere).Where(w => w.Second < Foreign).Sum(w => w.First) / Math.Max(1e-9, weights.Sum()),
            anywhere[^1],
            around[^1],
            around[0],
            around.Min(),
            Named("form and words"),
            Is(Wanted.Person) > 0 && Enumerable.Range(best - 1, 3).Where(i => i >= 0 && i < scores.Length).All(i => ground.Forms(i).Fit(question) == 0) ? 1 : 0,
            Math.Min(1, unspoken.Count / MostUnspoken),
            Rarest(isThing: true),
            Rarest(isThing: false),
            wantsNumber > 0 && question.Unit != Measured.Any && !Enumerable.Range(0, scores.Length).Any(i => ground.Forms(i).FitsUnit(question)) ? 1 : 0,
        ];
    }
}
