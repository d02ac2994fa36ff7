using DocumentFormat.OpenXml;
using DocumentFormat.OpenXml.Packaging;
using DocumentFormat.OpenXml.Wordprocessing;
using Kostel.Core.Captions;
using Kostel.Core.Transcripts;

namespace Kostel.Documents;

/// <summary>Writes a transcript as a word-processor document (ISO/IEC 29500, Office Open XML): title and chapters in heading styles, a paragraph a passage.</summary>
public static class DocxTranscript
{
    /// <summary>Writes the document.</summary>
    public static void Write(Stream output, Transcript transcript, TextOptions options)
    {
        using var package = WordprocessingDocument.Create(output, WordprocessingDocumentType.Document);
        var main = DocxParts.Begin(package, options.Title);
        var body = new Body(DocxParts.Styled("Title", DocxParts.Words(options.Title ?? "")));
        if (options.Facts is not null)
        {
            body.Append(DocxParts.Styled("Facts", DocxParts.Words(options.Facts)));
        }

        var chapters = new Queue<Chapter>(transcript.Chapters);
        foreach (var passage in transcript.Passages)
        {
            while (chapters.TryPeek(out var next) && next.StartMs <= passage.StartMs)
            {
                body.Append(DocxParts.Styled("Heading1", DocxParts.Words(chapters.Dequeue().Title)));
            }

            body.Append(PassageOf(main, transcript, passage, options));
        }

        main.Document = new Document(body);
    }

    private static Paragraph PassageOf(MainDocumentPart main, Transcript transcript, Passage passage, TextOptions options)
    {
        var paragraph = DocxParts.Styled(transcript.IsQuestion(passage) ? "Question" : "Passage");
        if (options.Times)
        {
            paragraph.Append(DocxParts.Time(main, passage.StartMs, options.Link is { } link ? $"{link}?t={passage.StartMs / 1000}" : null));
        }

        if (options.Speakers && transcript.NameOf(passage) is { } name)
        {
            paragraph.Append(DocxParts.Words(name + ": ", new Bold()));
        }

        paragraph.Append(DocxParts.Words(passage.Text));
        return paragraph;
    }
}
