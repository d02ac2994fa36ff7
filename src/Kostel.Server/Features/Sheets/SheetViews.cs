using Kostel.Core.Study.Made;
using Kostel.Core.Study.Sheets;
using Kostel.Core.Study.Written;
using Kostel.Core.Transcripts;
using Kostel.Data.Rows;
using Kostel.Server.Shared;

namespace Kostel.Server.Features.Sheets;

/// <summary>A sheet in the list of a lecture's sheets.</summary>
/// <param name="Lines">How many lines stand on it.</param>
public sealed record SheetEntry(int Id, SheetForm Form, string Name, DateTime ChangedAt, int Lines);

/// <summary>A sheet.</summary>
/// <param name="Key">Names it for taking today's words into it.</param>
/// <param name="Columns">What stands in each column; one is a list.</param>
/// <param name="Foot">What it comes to.</param>
/// <param name="Writing">The model that wrote it, and what of that was left out; null for none.</param>
/// <param name="LectureId">The lecture that it is of; null for a course.</param>
/// <param name="Course">The course that it is of; null for a lecture.</param>
/// <param name="Lectures">The lectures that it quotes.</param>
public sealed record SheetView(
    int Id, SheetForm Form, string Name, string? LectureId, string? Course, IReadOnlyList<QuotedLecture> Lectures, string Key, IReadOnlyList<string> Columns, IReadOnlyList<SheetPartView> Parts, EvidenceView? Foot, DateTime ChangedAt,
    int Version, SheetWriting? Writing)
{
    internal static SheetView Of(SheetRow row, string? course, QuotedLectures lectures, IReadOnlyList<Evidence> sources) => new(
        row.Id, row.Form, row.Name, row.LectureId, course, lectures.Of(sources, row.LectureId), MadeThing.KeyOf("sheet", row.Id), row.Content.Columns,
        [.. row.Content.Parts.Select(p => new SheetPartView(p.Heading, [.. p.Lines.Select(l => new SheetLineView(l.Cells, l.Source is null ? null : lectures.View(l.Source, row.LectureId), l.IsOwn, l.Picture))]))],
        row.Content.Foot is null ? null : lectures.View(row.Content.Foot, row.LectureId), row.ChangedAt, row.Version, row.Content.Writing);
}

/// <summary>Lines of a sheet under a heading; empty for none.</summary>
public sealed record SheetPartView(string Heading, IReadOnlyList<SheetLineView> Lines);

/// <summary>A line of a sheet.</summary>
/// <param name="Source">Where it is said; null for what the person wrote of their own.</param>
/// <param name="IsOwn">Whether the person worded it.</param>
/// <param name="Picture">Names the picture that stands below it; null for none.</param>
public sealed record SheetLineView(IReadOnlyList<string> Cells, EvidenceView? Source, bool IsOwn, string? Picture);

/// <summary>A wish for a sheet.</summary>
/// <param name="Chapter">Where the chapter begins that it is to be of; null for all.</param>
/// <param name="OfMarks">Only of what the person marked.</param>
/// <param name="Compared">The two things of a comparison.</param>
/// <param name="Subject">Only where this is spoken of; null for anything.</param>
public sealed record NewSheet(SheetForm Form, int? Chapter = null, bool OfMarks = false, IReadOnlyList<string>? Compared = null, string? Subject = null);

/// <summary>A wish for a sheet of a course.</summary>
/// <param name="LectureIds">Of which lectures; null for all that there are whenever it is made.</param>
public sealed record NewCourseSheet(IReadOnlyList<string>? LectureIds = null);

/// <summary>A sheet of a course as it is made: how many lectures were read, and last the sheet or why there is none.</summary>
public sealed record CourseSheetPiece(int Read, int Lectures, SheetView? Sheet = null, string? Problem = null);

/// <summary>Two things that ask to be compared.</summary>
public sealed record ComparedPair(string One, string Other);

/// <summary>A sheet as the person left it.</summary>
/// <param name="Version">The version that it was changed on.</param>
/// <param name="Over">Whether it is written over what somebody else wrote meanwhile, which is kept as an earlier version.</param>
public sealed record SheetChange(string Name, IReadOnlyList<EditedPart> Parts, int Version, bool Over = false);

/// <summary>A passage for a sheet.</summary>
/// <param name="Text">What stands there; null for the words that are said.</param>
/// <param name="LectureId">Of which lecture it is; needed where the sheet is of a course.</param>
/// <param name="Mark">The mark whose picture stands below it; null for none.</param>
/// <param name="WithPicture">Whether what the video shows then stands below it.</param>
public sealed record NewSheetLine(int StartMs, int EndMs, string? Text = null, string? LectureId = null, int? Mark = null, bool WithPicture = false);

/// <summary>Names the version of a sheet that something is done to.</summary>
public sealed record SheetVersion(int Version);

/// <summary>What making a sheet again would change.</summary>
public sealed record SheetAgain(IReadOnlyList<SheetDifference> Differences);

/// <summary>How a sheet was earlier.</summary>
/// <param name="At">Since when it was so.</param>
public sealed record EarlierSheet(int Version, DateTime At, string Name, int Lines);
