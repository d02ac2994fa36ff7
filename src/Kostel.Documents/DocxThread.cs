using DocumentFormat.OpenXml;
using DocumentFormat.OpenXml.Packaging;
using DocumentFormat.OpenXml.Wordprocessing;
using Kostel.Core.Answers.Threads;

namespace Kostel.Documents;

/// <summary>Writes a thread of questions as a word-processor document: a heading a question, a paragraph a quotation.</summary>
public static class DocxThread
{
    /// <summary>Writes the document.</summary>
    public static void Write(Stream output, ThreadPaper paper)
    {
        using var package = WordprocessingDocument.Create(output, WordprocessingDocumentType.Document);
        var main = DocxParts.Begin(package, paper.Title);
        var body = new Body(DocxParts.Styled("Title", DocxParts.Words(paper.Title)), DocxParts.Styled("Facts", DocxParts.Words(paper.Place)));
        foreach (var question in paper.Questions)
        {
            body.Append(DocxParts.Styled("Heading1", DocxParts.Words(question.Text)));
            if (question.StateWords.Length > 0)
            {
                body.Append(DocxParts.Styled("Facts", DocxParts.Words(question.StateWords)));
            }

            foreach (var part in question.AllParts)
            {
                if (part.Name is not null)
                {
                    body.Append(DocxParts.Styled("Passage", DocxParts.Words(part.Name, new Bold())));
                }

                body.Append(part.Lines.Select(l => DocxParts.Styled("Passage", [DocxParts.Time(main, l.StartMs, l.Link), DocxParts.Words(l.Quote), .. l.Lecture is null ? Array.Empty<OpenXmlElement>() : [DocxParts.Words($" ({l.Lecture})", new RunStyle { Val = "Time" })]])));
            }
        }

        main.Document = new Document(body);
    }
}
