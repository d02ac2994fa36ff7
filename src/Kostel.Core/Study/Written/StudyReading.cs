using Kostel.Core.Answers.Written;
using Kostel.Core.Study.Sheets;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Written;

/// <summary>A line that a model wrote and that the lecture does not bear out.</summary>
public sealed record LineLeftOut(string Text, IReadOnlyList<SentenceDoubt> Doubts);

/// <summary>Who wrote a sheet, and what of it was left out.</summary>
/// <param name="Host">Whose model.</param>
/// <param name="Instructions">The name of the instructions that it was written by; null for none.</param>
/// <param name="LeftOut">What the lecture does not bear out.</param>
public sealed record SheetWriting(string Host, string Model, DateTime WrittenAt, string? Instructions, IReadOnlyList<LineLeftOut> LeftOut);

/// <summary>What of a model's text can stand.</summary>
/// <param name="Lines">Each with where it is borne out.</param>
public sealed record ReadPart(IReadOnlyList<SheetLine> Lines, IReadOnlyList<LineLeftOut> LeftOut);

/// <summary>Reads what a model wrote of a part of a lecture, and compares each line with the passages that it names.</summary>
public static class StudyReading
{
    private const int LongestLine = 600, MostSentences = 3;

    /// <summary>A sentence more must have more than one word of what was written.</summary>
    private const double OfOneMore = 1.2;

    /// <summary>What stands in each column of such a sheet.</summary>
    public static IReadOnlyList<string> Columns(WrittenForm form) => form switch
    {
        WrittenForm.Terms => ["Term", "Meaning"],
        WrittenForm.Questions => ["Question", "Answer"],
        _ => ["Point"],
    };

    /// <summary>Compares what was written with a part.</summary>
    /// <exception cref="FormatException">It is nothing that could be read.</exception>
    public static ReadPart Of(string text, StudyWish wish, WritingPart part, string language, WordKnowledge known)
    {
        var request = new WritingRequest("", part.Passages, null, AllowsOutside: false, language);
        var (lines, leftOut) = (new List<SheetLine>(), new List<LineLeftOut>());
        foreach (var sentence in WrittenAnswer.Check(text, request, known))
        {
            var cells = Cells(sentence.Text, wish.Form);
            if (sentence.Doubts.Count > 0 || cells is null || sentence.Text.Length > LongestLine)
            {
                leftOut.Add(new LineLeftOut(sentence.Text, sentence.Doubts));
            }
            else if (!lines.Exists(l => l.Cells.SequenceEqual(cells, StringComparer.OrdinalIgnoreCase)))
            {
                lines.Add(new SheetLine(cells, Nearest(part.Said[sentence.Passages[0]], sentence.Text)));
            }
        }

        return new ReadPart(lines, leftOut);
    }

    /// <summary>The one to three sentences of a passage that have the most of what was written: who listens hears that, and not a minute of it.</summary>
    private static Evidence Nearest(IReadOnlyList<Sentence> passage, string written)
    {
        var stems = Tokens.ContentStems(written).ToHashSet();
        var runs = Enumerable.Range(1, MostSentences).SelectMany(length => Enumerable.Range(0, Math.Max(0, passage.Count - length + 1)).Select(from => passage.Skip(from).Take(length).ToList()));
        return Evidence.Of(runs.MaxBy(r => Tokens.ContentStems(string.Join(' ', r.Select(s => s.Text))).Distinct().Count(stems.Contains) - (OfOneMore * r.Count))!);
    }

    private static List<string>? Cells(string text, WrittenForm form)
    {
        if (form == WrittenForm.Points)
        {
            return [text];
        }

        var halves = text.Split(StudyPrompt.Divider, StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries);
        return halves.Length == 2 ? [.. halves] : null;
    }
}
