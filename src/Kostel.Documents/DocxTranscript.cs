using DocumentFormat.OpenXml;
using DocumentFormat.OpenXml.Packaging;
using DocumentFormat.OpenXml.Wordprocessing;
using Kostel.Core.Captions;
using Kostel.Core.Transcripts;

namespace Kostel.Documents;

/// <summary>Writes a transcript as a word-processor document (ISO/IEC 29500, Office Open XML): title and chapters in heading styles, a paragraph a passage.</summary>
public static class DocxTranscript
{
    private const string Serif = "Literata", Ink = "14242B", Soft = "4E6068";

    /// <summary>Writes the document.</summary>
    public static void Write(Stream output, Transcript transcript, TextOptions options)
    {
        using var package = WordprocessingDocument.Create(output, WordprocessingDocumentType.Document);
        package.PackageProperties.Title = options.Title;
        package.PackageProperties.Creator = "Kostel";
        var main = package.AddMainDocumentPart();
        main.AddNewPart<StyleDefinitionsPart>().Styles = Styles();
        var body = new Body(Styled("Title", Words(options.Title ?? "")));
        if (options.Facts is not null)
        {
            body.Append(Styled("Facts", Words(options.Facts)));
        }

        var chapters = new Queue<Chapter>(transcript.Chapters);
        foreach (var passage in transcript.Passages)
        {
            while (chapters.TryPeek(out var next) && next.StartMs <= passage.StartMs)
            {
                body.Append(Styled("Heading1", Words(chapters.Dequeue().Title)));
            }

            body.Append(PassageOf(main, transcript, passage, options));
        }

        main.Document = new Document(body);
    }

    private static Paragraph PassageOf(MainDocumentPart main, Transcript transcript, Passage passage, TextOptions options)
    {
        var paragraph = Styled(transcript.IsQuestion(passage) ? "Question" : "Passage");
        if (options.Times)
        {
            var time = Words(CaptionClock.Short(passage.StartMs) + " ", new RunStyle { Val = "Time" });
            if (options.Link is { } link && Uri.TryCreate($"{link}?t={passage.StartMs / 1000}", UriKind.Absolute, out var address))
            {
                paragraph.Append(new Hyperlink(time) { Id = main.AddHyperlinkRelationship(address, isExternal: true).Id });
            }
            else
            {
                paragraph.Append(time);
            }
        }

        if (options.Speakers && transcript.NameOf(passage) is { } name)
        {
            paragraph.Append(Words(name + ": ", new Bold()));
        }

        paragraph.Append(Words(passage.Text));
        return paragraph;
    }

    private static Run Words(string text, OpenXmlElement? style = null)
    {
        // Signs that XML has no place for would make the file unreadable.
        var clean = string.Concat(text.EnumerateRunes().Select(r => System.Xml.XmlConvert.IsXmlChar((char)Math.Min(r.Value, 0xFFFD)) ? r.ToString() : " "));
        var run = new Run();
        if (style is not null)
        {
            run.Append(new RunProperties(style));
        }

        run.Append(new Text(clean) { Space = SpaceProcessingModeValues.Preserve });
        return run;
    }

    private static Paragraph Styled(string style, params OpenXmlElement[] content)
    {
        var paragraph = new Paragraph(new ParagraphProperties(new ParagraphStyleId { Val = style }));
        paragraph.Append(content);
        return paragraph;
    }

    private static Styles Styles() => new(
        new DocDefaults(
            new RunPropertiesDefault(new RunPropertiesBaseStyle(
                new RunFonts { Ascii = Serif, HighAnsi = Serif }, new Color { Val = Ink }, new FontSize { Val = "22" })),
            new ParagraphPropertiesDefault(new ParagraphPropertiesBaseStyle(
                new SpacingBetweenLines { After = "140", Line = "310", LineRule = LineSpacingRuleValues.Auto }))),
        Style("Passage", "Passage", []),
        Style("Question", "Question", [new Italic()]),
        Style("Facts", "Facts", [new Color { Val = Soft }, new FontSize { Val = "18" }]),
        Style("Title", "Title", [new Bold(), new FontSize { Val = "40" }]),
        Style("Heading1", "heading 1", [new Bold(), new FontSize { Val = "27" }], new KeepNext(), new SpacingBetweenLines { Before = "320", After = "120" }, new OutlineLevel { Val = 0 }),
        new Style(new StyleName { Val = "Time" }, new StyleRunProperties(new Color { Val = Soft }, new FontSize { Val = "17" })) { Type = StyleValues.Character, StyleId = "Time" });

    private static Style Style(string id, string name, OpenXmlElement[] letters, params OpenXmlElement[] paragraph)
    {
        var style = new Style(new StyleName { Val = name }) { Type = StyleValues.Paragraph, StyleId = id };
        if (paragraph.Length > 0)
        {
            style.Append(new StyleParagraphProperties(paragraph));
        }

        if (letters.Length > 0)
        {
            style.Append(new StyleRunProperties(letters));
        }

        return style;
    }
}
