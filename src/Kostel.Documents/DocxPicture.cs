using System.Globalization;
using DocumentFormat.OpenXml;
using DocumentFormat.OpenXml.Drawing;
using DocumentFormat.OpenXml.Packaging;
using DocumentFormat.OpenXml.Wordprocessing;
using Kostel.Core.Study.Sheets;
using SkiaSharp;
using Drawn = DocumentFormat.OpenXml.Drawing.Pictures;
using Run = DocumentFormat.OpenXml.Wordprocessing.Run;
using Words = DocumentFormat.OpenXml.Drawing.Wordprocessing;

namespace Kostel.Documents;

/// <summary>A picture in a word-processor document, at most as wide as the text and half a page high.</summary>
internal static class DocxPicture
{
    /// <summary>Lengths are in EMU, of which a pixel at 96 to the inch has 9,525 (ISO/IEC 29500-1, 20.1.2.1).</summary>
    private const int PerPixel = 9_525, MostWidth = 5_400_000, MostHeight = 4_000_000;

    private const string OfPictures = "http://schemas.openxmlformats.org/drawingml/2006/picture";

    /// <summary>The picture as a run; null for bytes that are none.</summary>
    /// <param name="says">What it shows, for those who do not see it.</param>
    public static Run? Of(MainDocumentPart main, byte[] picture, string says)
    {
        using var codec = SKCodec.Create(new MemoryStream(picture));
        if (codec is null)
        {
            return null;
        }

        var (width, height) = ((long)codec.Info.Width * PerPixel, (long)codec.Info.Height * PerPixel);
        var scale = Math.Min(1, Math.Min((double)MostWidth / width, (double)MostHeight / height));
        (width, height) = ((long)(width * scale), (long)(height * scale));
        var part = main.AddImagePart(PictureTypes.Of(picture) == "image/png" ? ImagePartType.Png : ImagePartType.Jpeg);
        using (var bytes = new MemoryStream(picture))
        {
            part.FeedData(bytes);
        }

        var number = (uint)main.ImageParts.Count();
        var name = string.Create(CultureInfo.InvariantCulture, $"Picture {number}");
        var drawn = new Drawn.Picture(
            new Drawn.NonVisualPictureProperties(new Drawn.NonVisualDrawingProperties { Id = number, Name = name }, new Drawn.NonVisualPictureDrawingProperties()),
            new Drawn.BlipFill(new Blip { Embed = main.GetIdOfPart(part) }, new Stretch(new FillRectangle())),
            new Drawn.ShapeProperties(new Transform2D(new Offset { X = 0, Y = 0 }, new Extents { Cx = width, Cy = height }), new PresetGeometry(new AdjustValueList()) { Preset = ShapeTypeValues.Rectangle }));
        return new Run(new Drawing(new Words.Inline(
            new Words.Extent { Cx = width, Cy = height },
            new Words.DocProperties { Id = number, Name = name, Description = says },
            new Graphic(new GraphicData(drawn) { Uri = OfPictures }))));
    }
}
