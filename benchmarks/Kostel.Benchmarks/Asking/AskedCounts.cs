using System.Globalization;
using Kostel.Core.Answers;
using Kostel.Core.Transcripts;

namespace Kostel.Benchmarks.Asking;

/// <summary>How often the right place came back, and what was said of it was true.</summary>
internal sealed class AskedCounts
{
    private const int Lines = 3;

    private int answered, not, first, among, said, saidRight, notSaid, notSaidTrue;

    /// <summary>What the columns are.</summary>
    public static string Head => "first | in three | said: right | doesn't say: true | told so though it is said";

    /// <summary>Questions that were counted.</summary>
    public int Count => answered + not;

    /// <param name="answers">Whether a line has one of these sentences.</param>
    public void Add(Answer answer, WrittenQuestion question, Func<Evidence, HashSet<int>, bool> answers)
    {
        var hits = answer.Lines.Take(Lines).Select(l => answers(l, question.Right)).ToList();
        answered += question.IsAnswered ? 1 : 0;
        not += question.IsAnswered ? 0 : 1;
        first += hits.FirstOrDefault() ? 1 : 0;
        among += hits.Contains(true) ? 1 : 0;
        said += answer.State == AnswerState.Said ? 1 : 0;
        saidRight += answer.State == AnswerState.Said && hits.Contains(true) ? 1 : 0;
        notSaid += answer.State == AnswerState.NotSaid ? 1 : 0;
        notSaidTrue += answer.State == AnswerState.NotSaid && !question.IsAnswered ? 1 : 0;
    }

    public override string ToString() => string.Create(
        CultureInfo.InvariantCulture,
        $"{100.0 * first / answered:0.0} % | {100.0 * among / answered:0.0} % | {100.0 * saidRight / Math.Max(1, said):0.0} % of {said} | {notSaidTrue} of {notSaid} | {100.0 * (notSaid - notSaidTrue) / answered:0.0} %");
}
