namespace Kostel.Core.Answers;

/// <summary>Which sentences are quoted together as a line of an answer.</summary>
/// <param name="At">The one that answers.</param>
internal sealed record AnswerLine(int At, int From, int To);

/// <summary>Chooses the lines of an answer.</summary>
internal static class AnswerLines
{
    /// <summary>What an answer that goes on over its neighbour may be long, and how near the neighbour's score must come.</summary>
    private const int Longest = 3;

    private const double AsGood = 1;

    /// <summary>The best places, each with what it cannot stand without; none is quoted twice, and neighbours that answer alike are one line.</summary>
    public static List<AnswerLine> Choose(AnswerGround ground, RankedAnswer ranked, int most)
    {
        var lines = new List<AnswerLine>();
        foreach (var i in ranked.Order)
        {
            var (from, to) = Whole(ground, ranked.Question, i);
            var beside = lines.FindIndex(l => from <= l.To + 1 && to >= l.From - 1);
            if (beside >= 0)
            {
                var (first, last) = (Math.Min(from, lines[beside].From), Math.Max(to, lines[beside].To));
                if (last - first < Longest && ground.SourceOf(first) == ground.SourceOf(last) && ranked.Scores[i] >= ranked.Scores[lines[beside].At] - AsGood)
                {
                    lines[beside] = lines[beside] with { From = first, To = last };
                }

                if (from <= lines[beside].To && to >= lines[beside].From)
                {
                    continue;
                }
            }

            if (lines.Count == most)
            {
                break;
            }

            lines.Add(new AnswerLine(i, from, to));
        }

        return lines;
    }

    /// <summary>A sentence that points to the one before it is quoted with that one; a question, or one that leaves the number
    /// that was asked for to the next, with what follows it.</summary>
    private static (int From, int To) Whole(AnswerGround ground, Question question, int i)
    {
        var (from, to) = (i, i);
        var form = ground.Forms(i);
        if (i > 0 && form.Leans && ground.SourceOf(i - 1) == ground.SourceOf(i))
        {
            from--;
        }

        if (i + 1 == ground.Count || ground.SourceOf(i + 1) != ground.SourceOf(i))
        {
            return (from, to);
        }

        var leavesTheNumber = question.Wants == Wanted.Quantity && !form.HasNumber(question) && ground.Forms(i + 1).HasNumber(question);
        if (leavesTheNumber || form.LeadsUp(question))
        {
            to++;
        }

        return (from, to);
    }
}
