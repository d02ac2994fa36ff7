using Kostel.Core.Study.Written;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Sheets;

/// <summary>What a sheet shows of a lecture.</summary>
public enum SheetForm
{
    /// <summary>What is to be known, by chapters.</summary>
    Points,

    /// <summary>The chapters with a short statement or two of each.</summary>
    Outline,

    /// <summary>Cues, notes, and what it comes to.</summary>
    Cues,

    /// <summary>Terms: what each is, a number, an example.</summary>
    Terms,

    /// <summary>Numbers and what they are of.</summary>
    Numbers,

    /// <summary>Orders that were told as such.</summary>
    Steps,

    /// <summary>What the listeners were asked to do, and by when.</summary>
    Tasks,

    /// <summary>Empty: the person fills it.</summary>
    Own,

    /// <summary>Two things beside each other.</summary>
    Comparison,

    /// <summary>What several lectures of a course say, the same once.</summary>
    Course,
}

/// <summary>What kinds of forms there are.</summary>
public static class SheetForms
{
    /// <summary>Whether it is made of any lecture without more being said.</summary>
    public static bool IsPlain(this SheetForm form) => form is not (SheetForm.Own or SheetForm.Comparison or SheetForm.Course);
}

/// <summary>A line of a sheet: an entry of a list, or a row of a table.</summary>
/// <param name="Cells">As many as the sheet has columns; a cell can be empty.</param>
/// <param name="Source">Where it is said; null for what the person wrote of their own.</param>
/// <param name="IsOwn">Whether the person worded it: making again leaves it as it is.</param>
/// <param name="Picture">Name of the file of a picture that stands below it, in the folder of the lecture that it is of; null for none.</param>
public sealed record SheetLine(IReadOnlyList<string> Cells, Evidence? Source = null, bool IsOwn = false, string? Picture = null);

/// <summary>Lines under a heading.</summary>
/// <param name="IsOwn">Whether the person worded the heading.</param>
public sealed record SheetPart(string Heading, IReadOnlyList<SheetLine> Lines, bool IsOwn = false);

/// <summary>A page to learn from.</summary>
/// <param name="Columns">What stands in each; one column is a list.</param>
/// <param name="Parts">None where the lecture has nothing for this form.</param>
/// <param name="Foot">What it comes to; null for nothing.</param>
/// <param name="LeftOut">Lines that the person took out: making again leaves them out.</param>
/// <param name="Writing">The model of the person's own that wrote it; null for none.</param>
public sealed record Sheet(IReadOnlyList<string> Columns, IReadOnlyList<SheetPart> Parts, Evidence? Foot = null, IReadOnlyList<SheetLine>? LeftOut = null, SheetWriting? Writing = null)
{
    /// <summary>The two things that it compares; null for none.</summary>
    public IReadOnlyList<string>? Compared { get; init; }

    /// <summary>Of which lectures of its course it is made; null for all of them, and for a sheet of one lecture.</summary>
    public IReadOnlyList<string>? Lectures { get; init; }

    /// <summary>Whether nothing stands on it.</summary>
    public bool HasNoLine() => Parts.All(p => p.Lines.Count == 0);

    /// <summary>All its lines in order.</summary>
    public IEnumerable<SheetLine> Lines() => Parts.SelectMany(p => p.Lines);

    /// <summary>What it rests on.</summary>
    public IEnumerable<Evidence> Sources() => Lines().Select(l => l.Source).Append(Foot).OfType<Evidence>();

    /// <summary>All its texts, in an order that stays: headings, cells and quotations.</summary>
    public IEnumerable<string> Texts() =>
        Parts.SelectMany(p => p.Lines.SelectMany(l => l.Source is { } s ? l.Cells.Append(s.Quote) : l.Cells).Prepend(p.Heading)).Concat(Foot is null ? [] : [Foot.Quote]);

    /// <summary>The same with a line of the person's own at its end.</summary>
    /// <param name="source">Where it is said.</param>
    /// <param name="text">What stands in the last column.</param>
    /// <param name="picture">Name of the file of a picture; null for none.</param>
    public Sheet With(Evidence source, string text, string? picture = null)
    {
        var cells = Columns.Select((_, i) => i == Columns.Count - 1 ? text : "").ToList();
        var parts = Parts.Count == 0 ? [new SheetPart("", [])] : Parts.ToList();
        parts[^1] = parts[^1] with { Lines = [.. parts[^1].Lines, new SheetLine(cells, source, IsOwn: true, picture)] };
        return this with { Parts = parts };
    }

    /// <summary>The same with other texts, as many and in the same order.</summary>
    public Sheet With(Queue<string> texts) => this with
    {
        Parts = [.. Parts.Select(p => p with
        {
            Heading = texts.Dequeue(),
            Lines = [.. p.Lines.Select(l => l with { Cells = [.. l.Cells.Select(_ => texts.Dequeue())], Source = l.Source is { } s ? s with { Quote = texts.Dequeue() } : null })],
        })],
        Foot = Foot is { } foot ? foot with { Quote = texts.Dequeue() } : null,
    };

    /// <summary>The names of the files of its pictures, and of those that were taken out with their lines.</summary>
    public IEnumerable<string> Pictures() => Lines().Concat(LeftOut ?? []).Select(l => l.Picture).OfType<string>();

    /// <summary>The same with its pictures in other files; without those that are in none.</summary>
    public Sheet WithPictures(Func<string, string?> nameOf)
    {
        return this with { Parts = [.. Parts.Select(p => p with { Lines = [.. p.Lines.Select(Named)] })], LeftOut = LeftOut is null ? null : [.. LeftOut.Select(Named)] };

        SheetLine Named(SheetLine line) => line.Picture is { } picture ? line with { Picture = nameOf(picture) } : line;
    }

    /// <summary>Only the lines that rest on one lecture.</summary>
    public Sheet RestingOn(string lectureId) => this with { Parts = [.. Parts.Select(p => p with { Lines = [.. p.Lines.Where(l => l.Source?.LectureId == lectureId)] })] };

    /// <summary>The same as a sheet of a lecture.</summary>
    public Sheet In(string? lectureId) => this with
    {
        Parts = [.. Parts.Select(p => p with { Lines = [.. p.Lines.Select(l => l with { Source = l.Source?.In(lectureId) })] })],
        Foot = Foot?.In(lectureId),
        LeftOut = LeftOut is null ? null : [.. LeftOut.Select(l => l with { Source = l.Source?.In(lectureId) })],
    };
}
