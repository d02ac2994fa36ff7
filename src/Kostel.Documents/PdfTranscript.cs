using Kostel.Core.Captions;
using Kostel.Core.Transcripts;
using SkiaSharp;

namespace Kostel.Documents;

/// <summary>Writes a transcript as PDF on A4: real text in embedded fonts, chapters as headings, times and names in the margin.</summary>
public static class PdfTranscript
{
    /// <summary>Writes the document. Sizes are in points.</summary>
    public static void Write(Stream output, Transcript transcript, TextOptions options)
    {
        using var document = SKDocument.CreatePdf(output, new SKDocumentPdfMetadata { Title = options.Title ?? "", Creator = "Kostel", Producer = "Kostel" });
        using (var page = new PdfPages(document, options.Title ?? ""))
        {
            page.Title(options.Title ?? "", options.Facts);
            var chapters = new Queue<Chapter>(transcript.Chapters);
            foreach (var passage in transcript.Passages)
            {
                while (chapters.TryPeek(out var next) && next.StartMs <= passage.StartMs)
                {
                    page.Heading(chapters.Dequeue().Title);
                }

                page.Passage(
                    options.Times ? CaptionClock.Short(passage.StartMs) : null,
                    options.Speakers ? transcript.NameOf(passage) : null,
                    passage.Text,
                    transcript.IsQuestion(passage),
                    options.Link is null ? null : $"{options.Link}?t={passage.StartMs / 1000}");
            }
        }

        document.Close();
    }
}
