using Kostel.Core.Text;

namespace Kostel.Core.Study.Statements;

/// <summary>A question for what somebody or something can, must or may do: "A submarine has to come up and show its flag." asks "What does a submarine have to do?"</summary>
internal static class DoingQuestion
{
    private const int LongestAnswer = 14, ShortestAnswer = 3;

    private static readonly HashSet<string> Modals = ["can", "may", "must", "should", "cannot"];
    private static readonly HashSet<string> States = ["be", "have", "seem", "look", "mean"];

    /// <summary>"… go farther out and burns more fuel": the second verb is no part of what has to be done.</summary>
    private static bool GoesOn(IReadOnlyList<string> said) => Enumerable.Range(1, said.Count - 1).Any(i => said[i - 1] is "and" or "but" && ((said[i].EndsWith('s') && !said[i].EndsWith("ss", StringComparison.Ordinal) && i + 1 < said.Count && !StopWords.Contains(said[i])) || said[i] is "is" or "are" or "has" or "it" or "they" or "we" or "you"));

    /// <summary>"Ribs can crack, you'll hear it": another sentence behind a comma.</summary>
    private static bool IsSpliced(Statement statement) =>
        statement.Part.Words.Zip(statement.Part.Words.Skip(1)).Any(p => p.First.Text.EndsWith(',') && Tokens.Of(p.Second.Text) is [var next, ..] && (CommaSplices.Opens(next) || next is "you'll" or "we'll" or "it'll"));

    /// <summary>The question and its answer, or null where the statement has another form.</summary>
    public static (string Question, string Answer)? Of(Statement statement)
    {
        if (PlainSubject.Of(statement) is not { } subject || subject.Words.Take(subject.End).Any(w => w is "and" or "or"))
        {
            return null;
        }

        var (about, rest) = (subject.About, subject.Words.Skip(subject.End).ToList());
        var (question, used) = rest switch
        {
            [var modal, "not", ..] when Modals.Contains(modal) => ($"What {modal} {about} not do?", 2),
            [var modal, ..] when Modals.Contains(modal) => (modal == "cannot" ? $"What can {about} not do?" : $"What {modal} {about} do?", 1),
            ["has", "to", ..] => ($"What does {about} have to do?", 2),
            ["have", "to", ..] => ($"What do {about} have to do?", 2),
            _ => ("", 0),
        };
        used += used > 0 && rest.ElementAtOrDefault(used) is "therefore" or "thus" or "also" or "then" or "hence" or "even" ? 1 : 0;
        var answer = string.Join(' ', statement.Part.Words.Skip(subject.End + used).Select(w => w.Text)).TrimEnd('.');
        var said = Tokens.Of(answer);
        return used > 0 && said.Count is >= ShortestAnswer and <= LongestAnswer && !States.Contains(said[0]) && !GoesOn(said) && !IsSpliced(statement) && Tokens.ContentStems(answer).Count > 1 && Tokens.ContentStems(about).Count > 0
            ? (question, WordForms.Capital(answer) + ".")
            : null;
    }
}
