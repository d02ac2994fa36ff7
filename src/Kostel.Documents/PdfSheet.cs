using Kostel.Core.Study.Sheets;
using SkiaSharp;

namespace Kostel.Documents;

/// <summary>Writes a sheet as PDF on A4: real text in embedded fonts, with times that open the second in the margin.</summary>
public static class PdfSheet
{
    /// <summary>Writes the document.</summary>
    public static void Write(Stream output, SheetPaper paper)
    {
        using var document = SKDocument.CreatePdf(output, new SKDocumentPdfMetadata { Title = paper.Title, Creator = "Kostel", Producer = "Kostel" });
        using (var page = new PdfPages(document, paper.Title))
        {
            page.Title(paper.Title, paper.Facts);
            foreach (var part in paper.Sheet.Parts)
            {
                if (part.Heading.Length > 0)
                {
                    page.Heading(part.Heading);
                }

                if (paper.Sheet.Columns.Count > 1)
                {
                    page.Row(null, paper.Sheet.Columns, null, isHead: true);
                }

                foreach (var line in part.Lines)
                {
                    page.Row(line.Source is null ? null : SheetPaper.Time(line.Source), line.Cells, paper.LinkTo(line.Source));
                    if (paper.PictureOf(line) is { } picture)
                    {
                        page.Picture(picture);
                    }
                }
            }

            if (paper.Sheet.Foot is { } foot)
            {
                page.Passage(SheetPaper.Time(foot), null, foot.Quote, isQuestion: true, paper.LinkTo(foot));
            }
        }

        document.Close();
    }
}
