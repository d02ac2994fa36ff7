using System.Globalization;
using Kostel.Core.Text;

namespace Kostel.Core.Answers.Forms;

/// <summary>Whether lectures say different things of a quantity.</summary>
public static class Differences
{
    /// <summary>Whether two lectures name numbers of one unit that are not the same.</summary>
    /// <param name="lines">The lecture of each line, and what answers in it.</param>
    public static bool Differ(IEnumerable<(string? LectureId, string Answers)> lines)
    {
        var named = lines.Where(l => l.LectureId is not null).Select(l => (l.LectureId, Amount: Read(l.Answers))).Where(l => l.Amount is not null).ToList();
        return named.Exists(a => named.Exists(b => a.LectureId != b.LectureId && a.Amount!.Value.Unit == b.Amount!.Value.Unit && Math.Abs(a.Amount.Value.Number - b.Amount.Value.Number) > 1e-9));
    }

    private static (double Number, string Unit)? Read(string text)
    {
        var words = NumberWords.ToDigits(Tokens.Of(text));
        for (var i = 0; i + 1 < words.Count; i++)
        {
            if (double.TryParse(words[i], NumberStyles.Float, CultureInfo.InvariantCulture, out var number) && i + 2 >= words.Count - 1)
            {
                return (number, Tokens.Stem(words[^1]));
            }
        }

        return null;
    }
}
