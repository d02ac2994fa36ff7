using DocumentFormat.OpenXml;
using DocumentFormat.OpenXml.Packaging;
using DocumentFormat.OpenXml.Wordprocessing;
using Kostel.Core.Study.Sheets;

namespace Kostel.Documents;

/// <summary>Writes a sheet as a word-processor document: headings in heading styles, a paragraph or a row of a table for each line.</summary>
public static class DocxSheet
{
    private const string Hair = "C9D2D4";

    /// <summary>Writes the document.</summary>
    public static void Write(Stream output, SheetPaper paper)
    {
        using var package = WordprocessingDocument.Create(output, WordprocessingDocumentType.Document);
        var main = DocxParts.Begin(package, paper.Title);
        var body = new Body(DocxParts.Styled("Title", DocxParts.Words(paper.Title)), DocxParts.Styled("Facts", DocxParts.Words(paper.Facts)));
        foreach (var part in paper.Sheet.Parts)
        {
            if (part.Heading.Length > 0)
            {
                body.Append(DocxParts.Styled("Heading1", DocxParts.Words(part.Heading)));
            }

            if (paper.Sheet.Columns.Count == 1)
            {
                body.Append(part.Lines.SelectMany(l => Picture(main, paper, l).Prepend(DocxParts.Styled("Passage", [.. Time(main, paper, l), DocxParts.Words(l.Cells[0])]))));
            }
            else
            {
                body.Append(TableOf(main, paper, part), DocxParts.Styled("Facts"));
                body.Append(part.Lines.SelectMany(l => Picture(main, paper, l)));
            }
        }

        if (paper.Sheet.Foot is { } foot)
        {
            body.Append(DocxParts.Styled("Question", [DocxParts.Time(main, foot.StartMs, paper.LinkTo(foot)), DocxParts.Words(foot.Quote)]));
        }

        main.Document = new Document(body);
    }

    private static Table TableOf(MainDocumentPart main, SheetPaper paper, SheetPart part)
    {
        var table = new Table(
            new TableProperties(
                new TableWidth { Width = "5000", Type = TableWidthUnitValues.Pct },
                new TableBorders(new InsideHorizontalBorder { Val = BorderValues.Single, Size = 4, Color = Hair }, new BottomBorder { Val = BorderValues.Single, Size = 4, Color = Hair })),
            new TableGrid(Enumerable.Range(0, paper.Sheet.Columns.Count + 1).Select(_ => new GridColumn())));
        table.Append(Row(paper.Sheet.Columns.Append("").Select(c => DocxParts.Styled("Facts", DocxParts.Words(c)))));
        foreach (var line in part.Lines)
        {
            table.Append(Row(line.Cells.Select(c => DocxParts.Styled("Passage", DocxParts.Words(c))).Append(DocxParts.Styled("Facts", [.. Time(main, paper, line)]))));
        }

        return table;
    }

    private static TableRow Row(IEnumerable<Paragraph> cells) => new(cells.Select(c => new TableCell(c)));

    private static IEnumerable<Paragraph> Picture(MainDocumentPart main, SheetPaper paper, SheetLine line) =>
        paper.PictureOf(line) is { } picture && DocxPicture.Of(main, picture, line.Cells[^1]) is { } run ? [DocxParts.Styled("Passage", run)] : [];

    private static IEnumerable<OpenXmlElement> Time(MainDocumentPart main, SheetPaper paper, SheetLine line) =>
        line.Source is { } source ? [DocxParts.Time(main, source.StartMs, paper.LinkTo(source))] : [];
}
