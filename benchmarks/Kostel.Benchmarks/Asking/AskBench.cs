using System.Globalization;
using Kostel.Core.Answers;
using Kostel.Core.Text;

namespace Kostel.Benchmarks.Asking;

/// <summary>How often the sentence that answers a written question is among the lines that come back, and how often "said" and "doesn't say" are true; on texts left out of the learning.</summary>
internal static class AskBench
{
    private const int Lines = 3, Folds = 11;

    public static void Run(string list, string folder, WordKnowledge known, string? how)
    {
        var texts = AskedText.ReadAll(list, folder, known);
        Console.WriteLine($"{texts.Count} texts, {texts.Sum(t => t.Questions.Count)} questions, {texts.Sum(t => t.Questions.Count(q => !q.IsAnswered))} of them not answered");
        Console.WriteLine();
        Console.WriteLine($"| {(how == "kept" ? "the weights that are kept" : "texts left out in turn")} | first | in three | said: right | said: of all answered | perhaps | doesn't say: true | doesn't say: of all not answered | told so though it is said |");
        Console.WriteLine("|---|---|---|---|---|---|---|---|---|");
        if (how == "kept")
        {
            Row("all together", Measure(AnswerLearning.Examples(texts), _ => AnswerModel.Learned, showsEach: true));
            return;
        }

        var all = Measure(AnswerLearning.Examples(texts), how == "each");
        Row("all together", all.Where(a => !a.IsForStates).ToList());
        if (texts.Exists(t => t.IsForStates))
        {
            Row("those that only states are learned from", all.Where(a => a.IsForStates).ToList());
        }

        if (how == "bars")
        {
            Bars(all);
        }

        if (how == "parts")
        {
            Row("without any knowledge of words", Measure(AnswerLearning.Examples(AskedText.ReadAll(list, folder, WordKnowledge.None)), showsEach: false).Where(a => !a.IsForStates).ToList());
            foreach (var part in new[] { AnswerParts.Words, AnswerParts.Meaning, AnswerParts.Windows, AnswerParts.Forms })
            {
                Row($"without {part.ToString().ToLowerInvariant()}", Measure(AnswerLearning.Examples(texts, part), showsEach: false).Where(a => !a.IsForStates).ToList());
            }
        }

        if (how == "learn")
        {
            foreach (var from in new[] { texts, AskedText.ReadAll(list, folder, WordKnowledge.None) })
            {
                var learned = AnswerLearning.Learn(AnswerLearning.Examples(from), Folds);
                foreach (var (names, weights) in new[] { (AnswerModel.Names, learned.Ranking), (AnswerModel.StateNames, learned.Right), (AnswerModel.StateNames, learned.Nowhere) })
                {
                    Console.WriteLine("[" + string.Join(", ", weights.Select(w => w.ToString("0.###", CultureInfo.InvariantCulture))) + "],");
                    Console.WriteLine("// " + string.Join(", ", names.Zip(weights).OrderByDescending(p => Math.Abs(p.Second)).Select(p => string.Create(CultureInfo.InvariantCulture, $"{p.First} {p.Second:0.##}"))));
                }
            }
        }
    }

    /// <summary>The sentences of the first lines that would be shown.</summary>
    public static List<List<int>> FirstLines(AskedText text, RankedAnswer ranked) => AnswerLines.Choose(text.Ground, ranked, Lines).ConvertAll(l => Enumerable.Range(l.From, l.To - l.From + 1).ToList());

    /// <summary>What came of a question, with how likely a line answers and how likely nothing does.</summary>
    private sealed record Asked(bool IsAnswered, bool IsFirst, bool IsAmong, double Right, double Nowhere, bool IsForStates);

    private static List<Asked> Measure(List<AnswerLearning.Example> examples, bool showsEach) => Measure(examples, inside => AnswerLearning.Learn(inside, Folds - 1), showsEach);

    private static List<Asked> Measure(List<AnswerLearning.Example> examples, Func<IReadOnlyList<AnswerLearning.Example>, AnswerModel> learn, bool showsEach)
    {
        var asked = new List<Asked>();
        foreach (var (inside, outside) in AnswerLearning.Folds(examples, Folds))
        {
            var model = learn(inside);
            foreach (var e in outside)
            {
                var ranked = RankedAnswer.Of(e.Text.Ground, e.Question, e.Features, model.Ranking);
                var lines = FirstLines(e.Text, ranked);
                var one = new Asked(
                    e.Written.IsAnswered, lines.Count > 0 && lines[0].Exists(e.Written.Right.Contains), lines.Exists(l => l.Exists(e.Written.Right.Contains)),
                    AnswerModel.Probability(model.Right, ranked.State), AnswerModel.Probability(model.Nowhere, ranked.State), e.Text.IsForStates);
                asked.Add(one);
                if (showsEach)
                {
                    Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"| {e.Text.Name} | {e.Written.Text} | {(one.IsAnswered ? string.Join(' ', e.Written.Right.Select(r => r + 1)) : "-")} | {(one.IsFirst ? "first" : one.IsAmong ? "among" : one.IsAnswered ? "MISSED" : "")} | {one.Right:0.00} {one.Nowhere:0.00} | {e.Text.Sentences[ranked.Order[0]].Text} |"));
                }
            }
        }

        return asked;
    }

    private static void Row(string name, List<Asked> asked)
    {
        var answered = asked.Where(a => a.IsAnswered).ToList();
        var said = asked.Where(a => a.Right >= AnswerModel.SaidFrom).ToList();
        var not = asked.Where(a => a.Right < AnswerModel.SaidFrom && a.Nowhere >= AnswerModel.NowhereFrom).ToList();
        Console.WriteLine($"| {name} | {Share(answered, a => a.IsFirst)} | {Share(answered, a => a.IsAmong)} | {Share(said, a => a.IsAmong)} | {Share(answered, a => said.Contains(a))} | {Share(asked, a => !said.Contains(a) && !not.Contains(a))} | {Share(not, a => !a.IsAnswered)} | {Share(asked.Where(a => !a.IsAnswered).ToList(), a => not.Contains(a))} | {Share(answered, a => not.Contains(a))} |");
    }

    /// <summary>How much of what would be said from each bar on would be true, and of how much of it that would be.</summary>
    private static void Bars(List<Asked> asked)
    {
        Console.WriteLine("\n| from | said: right | of all answered | doesn't say: true | of all not answered |\n|---|---|---|---|---|");
        for (var bar = 0.6; bar < 0.96; bar += 0.03)
        {
            var said = asked.Where(a => a.Right >= bar).ToList();
            var not = asked.Where(a => a.Right < bar && a.Nowhere >= bar).ToList();
            Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"| {bar:0.00} | {Share(said, a => a.IsAmong)} of {said.Count} | {Share(asked.Where(a => a.IsAnswered).ToList(), said.Contains)} | {Share(not, a => !a.IsAnswered)} of {not.Count} | {Share(asked.Where(a => !a.IsAnswered).ToList(), not.Contains)} |"));
        }
    }

    private static string Share(List<Asked> all, Func<Asked, bool> isPart) => string.Create(CultureInfo.InvariantCulture, $"{100.0 * all.Count(isPart) / Math.Max(1, all.Count):0.0} %");
}
