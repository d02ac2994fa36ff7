using DocumentFormat.OpenXml;
using DocumentFormat.OpenXml.Packaging;
using DocumentFormat.OpenXml.Wordprocessing;
using Kostel.Core.Captions;

namespace Kostel.Documents;

/// <summary>What word-processor documents of Kostel are made of: their styles, paragraphs, times that open the second.</summary>
internal static class DocxParts
{
    private const string Serif = "Literata", Ink = "14242B", Soft = "4E6068";

    /// <summary>Begins a document: what it is called, and its styles.</summary>
    public static MainDocumentPart Begin(WordprocessingDocument package, string? title)
    {
        package.PackageProperties.Title = title;
        package.PackageProperties.Creator = "Kostel";
        var main = package.AddMainDocumentPart();
        main.AddNewPart<StyleDefinitionsPart>().Styles = Styles();
        return main;
    }

    /// <summary>A time; it opens its second where there is an address.</summary>
    public static OpenXmlElement Time(MainDocumentPart main, int startMs, string? link)
    {
        var time = Words(CaptionClock.Short(startMs) + " ", new RunStyle { Val = "Time" });
        return link is not null && Uri.TryCreate(link, UriKind.Absolute, out var address)
            ? new Hyperlink(time) { Id = main.AddHyperlinkRelationship(address, isExternal: true).Id }
            : time;
    }

    /// <summary>A run of text.</summary>
    public static Run Words(string text, OpenXmlElement? style = null)
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

    /// <summary>A paragraph in a style.</summary>
    public static Paragraph Styled(string style, params OpenXmlElement[] content)
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
