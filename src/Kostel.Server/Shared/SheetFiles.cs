using System.Globalization;
using System.Net.Mime;
using System.Text;
using Kostel.Core.Study.Sheets;
using Kostel.Core.Study.Summaries;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Documents;
using Kostel.Server.Http;

namespace Kostel.Server.Shared;

/// <summary>What a sheet is taken away as.</summary>
internal enum SheetFormat
{
    Md,
    Docx,
    Pdf,
    Html,

    /// <summary>Tasks as a calendar.</summary>
    Ics,
}

/// <summary>What a sheet is of: a lecture, or a course.</summary>
/// <param name="Id">Stays the same from one writing to the next.</param>
/// <param name="HeldOn">The day by which "next Friday" is a date; null for none.</param>
internal sealed record SheetSubject(string Id, string Title, DateOnly? HeldOn)
{
    public static implicit operator SheetSubject(LectureRow lecture) => new(lecture.Id, lecture.Title, lecture.HeldOn);

    public static implicit operator SheetSubject(CourseRow course) => new(string.Create(CultureInfo.InvariantCulture, $"course-{course.Id}"), course.Title, null);
}

/// <summary>A file to be handed out.</summary>
internal sealed record OutFile(byte[] Content, string Type, string Name);

/// <summary>Sheets and summaries as files.</summary>
internal static class SheetFiles
{
    /// <summary>The format of this name.</summary>
    /// <exception cref="PlainProblemException">There is none for such a sheet.</exception>
    public static SheetFormat FormatOf(string name, bool isTasks) => name.All(char.IsAsciiLetter) && Enum.TryParse<SheetFormat>(name, ignoreCase: true, out var kind) && (kind != SheetFormat.Ics || isTasks)
        ? kind
        : throw new PlainProblemException(StatusCodes.Status400BadRequest, "Kostel does not write this in such a format.");

    /// <summary>A sheet as a paper.</summary>
    /// <param name="library">Where its pictures are; null for what has none.</param>
    public static SheetPaper Paper(this LectureRow lecture, string name, Sheet sheet, string? link, LibraryFolder? library = null) =>
        new(name, Facts(lecture), sheet, link) { PictureOf = library is null ? _ => null : PictureFiles.OfLines(library, lecture.Id) };

    /// <summary>A sheet of a course as a paper.</summary>
    public static SheetPaper Paper(this CourseRow course, string name, Sheet sheet, string? link, LibraryFolder library) =>
        new(name, course.Title, sheet, link) { PictureOf = PictureFiles.OfLines(library, null) };

    /// <summary>A summary as a sheet.</summary>
    public static Sheet AsSheet(this SummaryRow summary) => new(["Summary"], [.. summary.Parts.Where(p => p.Lines.Count > 0).Select(p => new SheetPart(p.Chapter, [.. p.Lines.Select(l => new SheetLine([l.Quote], l))]))]);

    /// <summary>The file of a paper.</summary>
    public static OutFile Write(this SheetPaper paper, SheetFormat format, SheetSubject of, DateTime now)
    {
        var name = $"{FileNames.Of($"{of.Title} {paper.Title}")}.{format.ToString().ToLowerInvariant()}";
        return format switch
        {
            SheetFormat.Docx => Document(DocxSheet.Write, "application/vnd.openxmlformats-officedocument.wordprocessingml.document"),
            SheetFormat.Pdf => Document(PdfSheet.Write, MediaTypeNames.Application.Pdf),
            SheetFormat.Html => Text(SheetHtml.Write(paper), "text/html"),
            SheetFormat.Ics => Text(TaskCalendar.Write(paper, of.Id, of.HeldOn, now), "text/calendar"),
            _ => Text(string.Concat(SheetMarkdown.Write(paper).Select(l => l + "\n")), "text/markdown"),
        };

        OutFile Text(string text, string type) => new(Encoding.UTF8.GetBytes(text), $"{type}; charset=utf-8", name);

        OutFile Document(Action<Stream, SheetPaper> write, string type)
        {
            using var memory = new MemoryStream();
            write(memory, paper);
            return new OutFile(memory.ToArray(), type, name);
        }
    }

    private static string Facts(LectureRow lecture) => string.Join(" · ", new[] { lecture.Title, lecture.Course?.Title, lecture.HeldOn?.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture) }.Where(f => !string.IsNullOrEmpty(f)));
}
