using Kostel.Core.Answers;

namespace Kostel.Benchmarks.Asking;

/// <summary>Learns what speaks for an answer: a softmax over the sentences of a text, and two logistic regressions on what comes out of it.</summary>
internal static class AnswerLearning
{
    private const int Rounds = 400, StateRounds = 3_000;
    private const double Step = 0.5, Shrinking = 0.003, StateStep = 0.3, StateShrinking = 0.002;

    /// <summary>What one question says: the counts of each sentence and which of them answer.</summary>
    public sealed record Example(AskedText Text, WrittenQuestion Written, Question Question, AnswerFeatures Features);

    public static List<Example> Examples(IEnumerable<AskedText> texts, AnswerParts without = AnswerParts.None) =>
        texts.SelectMany(t => t.Questions.Select(q => Question.Read(q.Text) is var question ? new Example(t, q, question, t.Ground.Features(question, without)) : null!)).ToList();

    /// <summary>Weights for the ranking, from the questions that are answered.</summary>
    public static double[] Ranking(IReadOnlyList<Example> examples)
    {
        var answered = examples.Where(e => e.Written.IsAnswered && !e.Text.IsForStates).ToList();
        var weights = new double[AnswerModel.Names.Length];
        var squares = new double[weights.Length];
        for (var round = 0; round < Rounds; round++)
        {
            var slope = new double[weights.Length];
            foreach (var e in answered)
            {
                var scores = Array.ConvertAll(e.Features.Of, f => AnswerModel.Sum(weights, f));
                var most = scores.Max();
                var all = Array.ConvertAll(scores, s => Math.Exp(s - most));
                var (sum, right) = (all.Sum(), e.Written.Right.Sum(i => all[i]));
                for (var i = 0; i < all.Length; i++)
                {
                    var pull = (e.Written.Right.Contains(i) ? all[i] / right : 0) - (all[i] / sum);
                    for (var w = 0; w < weights.Length; w++)
                    {
                        slope[w] += pull * e.Features.Of[i][w];
                    }
                }
            }

            Climb(weights, squares, slope, answered.Count, Step, Shrinking);
        }

        return weights;
    }

    /// <summary>Weights of a logistic regression.</summary>
    public static double[] Logistic(IReadOnlyList<(double[] State, bool IsTrue)> examples)
    {
        var weights = new double[examples[0].State.Length];
        var squares = new double[weights.Length];
        for (var round = 0; round < StateRounds; round++)
        {
            var slope = new double[weights.Length];
            foreach (var (state, isTrue) in examples)
            {
                var pull = (isTrue ? 1 : 0) - AnswerModel.Probability(weights, state);
                for (var w = 0; w < weights.Length; w++)
                {
                    slope[w] += pull * state[w];
                }
            }

            Climb(weights, squares, slope, examples.Count, StateStep, StateShrinking);
        }

        return weights;
    }

    /// <summary>The whole model from some questions; the states are learned on texts left out of the ranking, as they will be met.</summary>
    public static AnswerModel Learn(IReadOnlyList<Example> examples, int folds)
    {
        var states = new List<(double[] State, bool IsRight, bool IsNowhere)>();
        foreach (var (inside, outside) in Folds(examples, folds))
        {
            var ranking = Ranking(inside);
            foreach (var e in outside)
            {
                var ranked = RankedAnswer.Of(e.Text.Ground, e.Question, e.Features, ranking);
                states.Add((ranked.State, AskBench.FirstLines(e.Text, ranked).Any(l => l.Any(e.Written.Right.Contains)), !e.Written.IsAnswered));
            }
        }

        return new AnswerModel(Ranking(examples), Logistic(states.ConvertAll(s => (s.State, s.IsRight))), Logistic(states.ConvertAll(s => (s.State, s.IsNowhere))));
    }

    /// <summary>Texts left out in turn.</summary>
    public static IEnumerable<(List<Example> Inside, List<Example> Outside)> Folds(IReadOnlyList<Example> examples, int folds)
    {
        var texts = examples.Select(e => e.Text.Name).Distinct().Order(StringComparer.Ordinal).ToList();
        return Enumerable.Range(0, folds).Select(f => (
            examples.Where(e => texts.IndexOf(e.Text.Name) % folds != f).ToList(),
            examples.Where(e => texts.IndexOf(e.Text.Name) % folds == f).ToList())).Where(f => f.Item2.Count > 0);
    }

    /// <summary>A step up the slope, shorter for what was steep before (J. Duchi et al., "Adaptive subgradient methods", 2011).</summary>
    public static void Climb(double[] weights, double[] squares, double[] slope, int count, double step, double shrinking)
    {
        for (var w = 0; w < weights.Length; w++)
        {
            var g = (slope[w] / Math.Max(1, count)) - (shrinking * weights[w]);
            squares[w] += g * g;
            weights[w] += step * g / Math.Sqrt(squares[w] + 1e-8);
        }
    }
}
