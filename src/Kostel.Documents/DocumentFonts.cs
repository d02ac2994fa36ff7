using SkiaSharp;

namespace Kostel.Documents;

/// <summary>A run of characters that one typeface can show.</summary>
internal readonly record struct FontRun(string Text, SKFont Font);

/// <summary>One face in one size, put together of the files that cover it. Static fonts, so that a reader of the document gets its words back.</summary>
internal sealed class DocumentFont : IDisposable
{
    private readonly SKFont[] fonts;

    private DocumentFont(SKFont[] fonts) => this.fonts = fonts;

    public static DocumentFont Regular(float size) => new(Open(size, "literata-latin-400-normal.ttf", "literata-latin-ext-400-normal.ttf", "DejaVuSerif.ttf"));

    public static DocumentFont Italic(float size) => new(Open(size, "literata-latin-400-italic.ttf", "literata-latin-ext-400-italic.ttf", "DejaVuSerif.ttf"));

    public static DocumentFont Bold(float size) => new(Open(size, "literata-latin-700-normal.ttf", "literata-latin-ext-700-normal.ttf", "DejaVuSerif.ttf"));

    /// <summary>A text in runs of one typeface each.</summary>
    public IEnumerable<FontRun> Runs(string text)
    {
        var start = 0;
        SKFont? current = null;
        for (var i = 0; i < text.Length; i += char.IsSurrogatePair(text, i) ? 2 : 1)
        {
            // A space stays with the word before it, so that runs break between words where they can.
            var font = text[i] == ' ' ? current ?? fonts[0] : fonts.FirstOrDefault(f => f.ContainsGlyph(char.ConvertToUtf32(text, i))) ?? fonts[^1];
            if (current is not null && font != current)
            {
                yield return new FontRun(text[start..i], current);
                start = i;
            }

            current = font;
        }

        if (current is not null)
        {
            yield return new FontRun(text[start..], current);
        }
    }

    /// <summary>Width of a text in points.</summary>
    public float Width(string text) => Runs(text).Sum(r => r.Font.MeasureText(r.Text));

    /// <inheritdoc/>
    public void Dispose()
    {
        foreach (var font in fonts)
        {
            font.Typeface.Dispose();
            font.Dispose();
        }
    }

    private static SKFont[] Open(float size, params string[] files) => files.Select(file =>
    {
        using var stream = typeof(DocumentFont).Assembly.GetManifestResourceStream(file) ?? throw new InvalidOperationException($"The font {file} is missing.");
        using var data = SKData.Create(stream);
        return new SKFont(SKTypeface.FromData(data), size) { Subpixel = true, Hinting = SKFontHinting.None, LinearMetrics = true };
    }).ToArray();
}
