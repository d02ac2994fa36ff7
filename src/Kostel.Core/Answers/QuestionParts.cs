using Kostel.Core.Answers.Forms;
using Kostel.Core.Retrieval;
using Kostel.Core.Text;

namespace Kostel.Core.Answers;

/// <summary>One of several questions.</summary>
/// <param name="Asked">As it was asked.</param>
/// <param name="Full">With what it takes from the one before.</param>
internal sealed record QuestionPart(string Asked, string Full);

/// <summary>Several questions in one: "What is firn, and why is it white?"</summary>
internal static class QuestionParts
{
    /// <summary>Nobody asks more in one breath; who does is answered as if it were one question.</summary>
    private const int Most = 3;

    /// <summary>Each of the questions; the text itself where it is one.</summary>
    public static IReadOnlyList<QuestionPart> Of(string text, WordKnowledge known)
    {
        var words = FoldedWord.Of(text);
        if (words.Count == 0 || ComparedThings.In(text) is not null)
        {
            return [new(text, text)];
        }

        // It begins behind "and", which belongs to neither, or where the one before has its question mark.
        var starts = new List<(int End, int Start)>();
        for (var i = 1; i < words.Count; i++)
        {
            if (BareQuestion.Asking.Contains(words[i].Text) && words[i - 1].Text == "and" && i > 1)
            {
                starts.Add((words[i - 2].Start + words[i - 2].Length, words[i].Start));
            }
            else if (BareQuestion.Between(text, words, i).Contains('?'))
            {
                starts.Add((words[i - 1].Start + words[i - 1].Length, words[i].Start));
            }
        }

        var parts = new List<string>();
        var from = words[0].Start;
        foreach (var (end, start) in starts)
        {
            parts.Add(text[from..end]);
            from = start;
        }

        parts.Add(text[from..]);
        return parts.Count is < 2 or > Most || !parts.SkipLast(1).All(Names) ? [new(text, text)] : InFull(parts, known);
    }

    /// <summary>What leans on the question before takes its words: "and why is it white".</summary>
    private static List<QuestionPart> InFull(List<string> parts, WordKnowledge known)
    {
        var whole = new List<QuestionPart> { new(parts[0], parts[0]) };
        foreach (var part in parts.Skip(1))
        {
            whole.Add(new(part, FollowUp.Understood(part, whole[^1].Full, known) ?? part));
        }

        return whole;
    }

    private static bool Names(string part) => Question.Read(part).Words.Any(w => !w.IsPlain && !StopWords.Contains(w.Word));
}
