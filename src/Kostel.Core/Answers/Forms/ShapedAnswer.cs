using System.Text.RegularExpressions;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Answers.Forms;

/// <summary>Gives what was found the form that was asked for.</summary>
/// <param name="quote">The sentences of a line as evidence.</param>
internal sealed partial class ShapedAnswer(AnswerGround ground, RankedAnswer ranked, string text, Func<AnswerLine, Evidence> quote)
{
    private const int MostOfSide = 2;

    private readonly Question question = ranked.Question;

    public Answer Of(AnswerState state, IReadOnlyList<AnswerLine> lines, IReadOnlyList<string> unheard, Func<AnswerLine, QuotePart> part)
    {
        var sides = Sides();
        var steps = state == AnswerState.NotSaid || !AsksForSteps() ? null : StepsAround.Of(ground, lines[0].At);
        lines = steps is null ? lines : Joined(lines, steps);
        var quoted = lines.Select(quote).ToList();
        var items = steps is null ? state != AnswerState.NotSaid && AsksForSeveral() ? Enumerations.In(quoted[0].Quote) : [] : Letters(lines[0], steps);
        var isYesNo = question.Wants == Wanted.YesNo;
        var parts = lines.Select(l => items.Count > 0 && l == lines[0] ? new QuotePart(0, 0) : part(l)).ToList();
        var answer = new Answer(state, quoted, unheard)
        {
            Parts = parts,
            Items = items,
            Sides = sides,
            Form = sides.Count > 0 ? AnswerForm.Comparison : steps is not null ? AnswerForm.Steps : items.Count > 0 ? AnswerForm.List : ByWanted(),
            SaysYes = isYesNo && state == AnswerState.Said ? Verdict.Of(question, text, ground[lines[0].At].Text) : null,
        };
        return answer with { Differs = state == AnswerState.Said && question.Wants == Wanted.Quantity && Differences.Differ(quoted.Select((l, i) => (l.LectureId, answer.WordsThatAnswer(i)))) };
    }

    private AnswerForm ByWanted() => question.Wants switch
    {
        Wanted.Definition => AnswerForm.Definition,
        Wanted.Quantity => AnswerForm.Number,
        Wanted.Reason => AnswerForm.Reason,
        Wanted.Person => AnswerForm.Person,
        Wanted.Time => AnswerForm.Time,
        Wanted.YesNo => AnswerForm.YesNo,
        _ => AnswerForm.Lines,
    };

    /// <summary>The line that answers with all steps; lines that lie within them are part of it.</summary>
    private static List<AnswerLine> Joined(IReadOnlyList<AnswerLine> lines, StepsAround steps)
    {
        var whole = lines[0] with { From = Math.Min(lines[0].From, steps.At[0]), To = Math.Max(lines[0].To, steps.At[^1]) };
        return [whole, .. lines.Skip(1).Where(l => l.To < whole.From || l.From > whole.To)];
    }

    private List<QuotePart> Letters(AnswerLine line, StepsAround steps)
    {
        var (parts, at) = (new List<QuotePart>(), 0);
        for (var i = line.From; i <= line.To; i++)
        {
            var length = ground[i].Text.Length;
            if (steps.At.Contains(i))
            {
                parts.Add(new QuotePart(at, at + length));
            }

            at += length + 1;
        }

        return parts;
    }

    /// <summary>What speaks of each of the two things: of one of them alone if there is such a place, else of both.</summary>
    private List<ComparedSide> Sides()
    {
        if (ComparedThings.In(text) is not var (one, other))
        {
            return [];
        }

        var (first, second) = (Stems(one), Stems(other));
        var (own, another) = (first.Except(second).ToList(), second.Except(first).ToList());
        var sides = new List<ComparedSide> { Side(one, first, another), Side(other, second, own) };
        return own.Count > 0 && another.Count > 0 && sides.TrueForAll(s => s.Lines.Count > 0) ? sides : [];

        static List<string> Stems(string name) => AskedWords.Of(name).Select(w => w.Stem).ToList();
    }

    private ComparedSide Side(string name, List<string> stems, List<string> without)
    {
        var about = ranked.Order.Where(i => stems.Count > 0 && !ground.Forms(i).IsQuestion && ground.Has(i, stems)).ToList();
        var alone = about.Where(i => without.Count == 0 || !ground.Has(i, without)).Take(MostOfSide).ToList();
        var chosen = alone.Count > 0 ? alone : about.Take(1).ToList();
        return new ComparedSide(char.ToUpperInvariant(name[0]) + name[1..], chosen.Order().Select(i => quote(new AnswerLine(i, i, i))).ToList());
    }

    private bool AsksForSteps() => question.Wants == Wanted.Steps || Steps().IsMatch(text);

    private bool AsksForSeveral() => Several().IsMatch(text);

    [GeneratedRegex(@"\b(?:steps|in what order|in which order|procedure|recipe|what (?:do|should|must) (?:you|i|we|one) do)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Steps();

    private const string Counts = "two|three|four|five|six|seven|eight|things";

    /// <summary>"What tools do you need" asks for several, "what is" and "what causes" do not.</summary>
    private const string Plural = @"(?!is\b|was\b|does\b|has\b)\p{L}{3,}s (?:are|do|did|were|can|should|must|have|of)";

    private const string Asked = "what are|which are|list|name (?:the|all|three|four|some)|kinds|types|ways|parts|consists? of|made (?:of|up of|from)";

    [GeneratedRegex($@"\b(?:{Asked}|(?:what|which) (?:{Counts}|{Plural}))\b", RegexOptions.IgnoreCase)]
    private static partial Regex Several();
}
