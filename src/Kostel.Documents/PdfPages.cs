using SkiaSharp;

namespace Kostel.Documents;

/// <summary>Writes a document on A4, page by page: text in the middle, times and names in the margin. Sizes are in points.</summary>
internal sealed class PdfPages(SKDocument document, string running) : IDisposable
{
    private const float Width = 595, Height = 842, Left = 150, Right = 62, Top = 64, Bottom = 72, MarginLeft = 50, MarginWidth = 88;
    private const float LineHeight = 15.5f, NoteHeight = 11.5f;
    private const float MostPicture = 300, PerPixel = 0.75f;
    private const int MostTogether = 8;
    private static readonly SKColor Ink = new(0x14, 0x24, 0x2B), Soft = new(0x4E, 0x60, 0x68);
    private readonly DocumentFont text = DocumentFont.Regular(10.5f), question = DocumentFont.Italic(10.5f), note = DocumentFont.Regular(8.5f),
        name = DocumentFont.Bold(8.5f), heading = DocumentFont.Bold(13), title = DocumentFont.Bold(21);

    private SKCanvas? canvas;
    private float y;
    private int number;

    public void Title(string words, string? line)
    {
        foreach (var row in Lines(words, title, Width - MarginLeft - Right))
        {
            Need(28);
            Draw(row, title, MarginLeft, y + 20, Ink);
            y += 27;
        }

        if (line is not null)
        {
            Draw(line, note, MarginLeft, y + 10, Soft);
            y += 18;
        }

        y += 10;
    }

    public void Heading(string words)
    {
        // A heading stays with the first lines of what it heads.
        Need(26 + (3 * LineHeight));
        y += 10;
        foreach (var row in Lines(words, heading, Width - Left - Right))
        {
            Draw(row, heading, Left, y + 12, Ink);
            y += 18;
        }

        y += 3;
    }

    public void Passage(string? time, string? who, string words, bool isQuestion, string? link)
    {
        Need(2 * LineHeight);
        var (notes, onPage) = (y, number);
        if (who is not null)
        {
            foreach (var row in Lines(who, name, MarginWidth))
            {
                Note(row, name, ref notes, Ink, null);
            }
        }

        if (time is not null)
        {
            Note(time, note, ref notes, Soft, link);
        }

        foreach (var row in Lines(words, isQuestion ? question : text, Width - Left - Right))
        {
            Need(LineHeight);
            Draw(row, isQuestion ? question : text, Left, y + 11, Ink);
            y += LineHeight;
        }

        y = (number == onPage ? Math.Max(y, notes) : y) + 6;
    }

    /// <summary>A row of a table; the cells share the width.</summary>
    public void Row(string? time, IReadOnlyList<string> cells, string? link, bool isHead = false)
    {
        const float Gap = 12;
        var font = isHead ? note : text;
        var width = ((Width - Left - Right) - (Gap * (cells.Count - 1))) / cells.Count;
        var columns = cells.Select(c => Lines(c, font, width).ToList()).ToList();
        var height = columns.Max(c => c.Count);
        Need(Math.Min(height, MostTogether) * LineHeight);
        var notes = y;
        if (time is not null)
        {
            Note(time, note, ref notes, Soft, link);
        }

        for (var row = 0; row < height; row++)
        {
            Need(LineHeight);
            for (var c = 0; c < columns.Count; c++)
            {
                if (row < columns[c].Count)
                {
                    Draw(columns[c][row], font, Left + (c * (width + Gap)), y + 11, isHead ? Soft : Ink);
                }
            }

            y += LineHeight;
        }

        y += 6;
    }

    /// <summary>A picture, at most as wide as the text; bytes that are none are left out.</summary>
    public void Picture(byte[] bytes)
    {
        using var picture = SKImage.FromEncodedData(bytes);
        if (picture is null)
        {
            return;
        }

        var scale = Math.Min(PerPixel, Math.Min((Width - Left - Right) / picture.Width, MostPicture / picture.Height));
        var (width, height) = (picture.Width * scale, picture.Height * scale);
        Need(height);
        canvas!.DrawImage(picture, new SKRect(Left, y, Left + width, y + height), new SKSamplingOptions(SKCubicResampler.Mitchell), null);
        y += height + 8;
    }

    public void Dispose()
    {
        Finish();
        foreach (var font in new[] { text, question, note, name, heading, title })
        {
            font.Dispose();
        }
    }

    private void Note(string words, DocumentFont font, ref float at, SKColor colour, string? link)
    {
        var x = MarginLeft + MarginWidth - font.Width(words);
        Draw(words, font, x, at + 11, colour);
        if (link is not null)
        {
            canvas!.DrawUrlAnnotation(new SKRect(x, at, MarginLeft + MarginWidth, at + NoteHeight + 2), link);
        }

        at += NoteHeight;
    }

    private void Need(float height)
    {
        if (canvas is null || y + height > Height - Bottom)
        {
            Finish();
            canvas = document.BeginPage(Width, Height);
            (y, number) = (Top, number + 1);
        }
    }

    private void Finish()
    {
        if (canvas is null)
        {
            return;
        }

        Draw($"{number}", note, Width - Right - note.Width($"{number}"), Height - 40, Soft);
        if (number > 1)
        {
            Draw(Lines(running, note, Width - Left - Right - 40).First(), note, Left, Height - 40, Soft);
        }

        document.EndPage();
        canvas = null;
    }

    private void Draw(string words, DocumentFont font, float x, float baseline, SKColor colour)
    {
        using var paint = new SKPaint { Color = colour, IsAntialias = true };
        foreach (var run in font.Runs(words))
        {
            canvas!.DrawText(run.Text, x, baseline, SKTextAlign.Left, run.Font, paint);
            x += run.Font.MeasureText(run.Text);
        }
    }

    private static IEnumerable<string> Lines(string words, DocumentFont font, float width)
    {
        var line = "";
        foreach (var word in words.Split(' ', StringSplitOptions.RemoveEmptyEntries))
        {
            var longer = line.Length == 0 ? word : $"{line} {word}";
            if (line.Length > 0 && font.Width(longer) > width)
            {
                yield return line;
                longer = word;
            }

            line = longer;
        }

        if (line.Length > 0)
        {
            yield return line;
        }
    }
}
