using System.Text.RegularExpressions;
using Kostel.Core.Text;

namespace Kostel.Core.Answers.Forms;

/// <summary>Steps that follow each other around a sentence: "First …", "Then …", "Put the path in first."</summary>
/// <param name="At">Each sentence that is a step, in order.</param>
internal sealed partial record StepsAround(IReadOnlyList<int> At)
{
    private const int Fewest = 3, Most = 7;

    /// <summary>The steps around a sentence; null where there are fewer than three.</summary>
    public static StepsAround? Of(AnswerGround ground, int at)
    {
        var (from, to) = (at, at);
        for (var i = at - 1; i >= 0 && at - i < Most && ground.SourceOf(i) == ground.SourceOf(at) && IsStep(ground, i); i--)
        {
            from = i;
        }

        for (var i = at + 1; i < ground.Count && i - from < Most && ground.SourceOf(i) == ground.SourceOf(at) && IsStep(ground, i); i++)
        {
            to = i;
        }

        var steps = Enumerable.Range(from, to - from + 1).Where(i => IsStep(ground, i)).Take(Most).ToList();
        return steps.Count >= Fewest && steps.Exists(i => Ordered().IsMatch(ground[i].Text)) ? new StepsAround(steps) : null;
    }

    private static bool IsStep(AnswerGround ground, int i)
    {
        var text = ground[i].Text;
        return !ground.Forms(i).Asks && (Ordered().IsMatch(text) || Done().IsMatch(text) || ground.Tells(i));
    }

    private const string Order = "first(?:ly)?|second(?:ly)?|third(?:ly)?|fourth|then|next|after that|afterwards|finally|last(?:ly)?|now|once|when|step";

    [GeneratedRegex($@"^(?:(?:and|so|but|ok|okay|well|right),? )*(?:{Order}|the (?:first|second|third|next|last)|at the end)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Ordered();

    [GeneratedRegex(@"^(?:(?:and|so|but|ok|okay|well|right|here|there),? )*(?:you|we|don't|do not|never|always|let|make sure)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Done();
}
