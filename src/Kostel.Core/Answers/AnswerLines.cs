namespace Kostel.Core.Answers;

/// <summary>Which sentences are quoted together as a line of an answer.</summary>
/// <param name="At">The one that answers.</param>
internal sealed record AnswerLine(int At, int From, int To);

/// <summary>Chooses the lines of an answer.</summary>
internal static class AnswerLines
{
    /// <summary>So many sentences are quoted together at most, besides what the one that answers cannot stand without.</summary>
    internal const int Longest = 4;

    /// <summary>A further sentence must be likelier than this to hold the answer: what it costs to read it (docs/answers.md).</summary>
    private const double ToRead = 0.015;

    /// <summary>The best places, each with the sentences beside it that likely hold the answer and with what it cannot stand without; none is quoted twice.
    /// An answer is often spread over sentences, or stands beside the one that has the question's words.</summary>
    public static List<AnswerLine> Choose(AnswerGround ground, RankedAnswer ranked, int most)
    {
        var chances = RankedAnswer.Chances(ranked.Scores);
        var isQuoted = new bool[ground.Count];
        var lines = new List<AnswerLine>();
        foreach (var at in ranked.Order)
        {
            if (isQuoted[at])
            {
                continue;
            }

            if (lines.Count == most)
            {
                break;
            }

            var (first, last) = Likeliest(at, ground, chances, isQuoted);
            var (from, to) = Whole(ground, ranked.Question, at);
            from = from < first && !isQuoted[from] ? from : first;
            to = to > last && !isQuoted[to] ? to : last;
            Array.Fill(isQuoted, true, from, to - from + 1);
            lines.Add(new AnswerLine(at, from, to));
        }

        return lines;
    }

    /// <summary>The run of sentences around one, of the same lecture, that is likeliest to hold the answer for what there is to read.</summary>
    private static (int First, int Last) Likeliest(int at, AnswerGround ground, double[] chances, bool[] isQuoted)
    {
        var likeliest = (at, at);
        var most = chances[at];
        for (var first = at; first > at - Longest && IsFree(first); first--)
        {
            for (var last = at; last < first + Longest && IsFree(last); last++)
            {
                var worth = chances[first..(last + 1)].Sum() - (ToRead * (last - first));
                if (worth > most)
                {
                    (most, likeliest) = (worth, (first, last));
                }
            }
        }

        return likeliest;

        bool IsFree(int i) => i >= 0 && i < chances.Length && !isQuoted[i] && ground.SourceOf(i) == ground.SourceOf(at);
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
