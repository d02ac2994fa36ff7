using System.Text;
using System.Text.Encodings.Web;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Sheets;

/// <summary>A sheet as a page of HTML that needs nothing else: to be opened, printed, or pasted with its links into a document.</summary>
public static class SheetHtml
{
    private const string Style = "body{font:17px/1.5 Georgia,serif;color:#14242b;max-width:46rem;margin:2rem auto;padding:0 1rem}h1{font-size:1.7rem;margin:0}h2{font-size:1.15rem;margin:1.6rem 0 .4rem}"
        + "table{border-collapse:collapse;width:100%}th,td{text-align:left;vertical-align:top;border-top:1px solid #c9d2d4;padding:.4rem .8rem .4rem 0}th,.t,p.f{color:#4e6068;font-size:.85rem;font-weight:400}"
        + ".t{white-space:nowrap}a{color:inherit}blockquote{border-left:3px solid #c9d2d4;margin:1.5rem 0;padding-left:1rem}"
        + "img{display:block;max-width:100%;max-height:24rem;margin:.4rem 0}";

    /// <summary>The page.</summary>
    public static string Write(SheetPaper paper)
    {
        var html = new StringBuilder("<!doctype html>\n<html lang=\"en\">\n<head>\n<meta charset=\"utf-8\">\n<meta name=\"viewport\" content=\"width=device-width\">\n");
        html.Append($"<title>{Safe(paper.Title)}</title>\n<style>{Style}</style>\n</head>\n<body>\n<h1>{Safe(paper.Title)}</h1>\n<p class=\"f\">{Safe(paper.Facts)}</p>\n");
        var isList = paper.Sheet.Columns.Count == 1;
        foreach (var part in paper.Sheet.Parts)
        {
            if (part.Heading.Length > 0)
            {
                html.Append($"<h2>{Safe(part.Heading)}</h2>\n");
            }

            html.Append(isList ? "<ul>\n" : $"<table>\n<tr>{string.Concat(paper.Sheet.Columns.Select(c => $"<th>{Safe(c)}</th>"))}<th></th></tr>\n");
            foreach (var line in part.Lines)
            {
                html.Append(isList ? $"<li>{Safe(line.Cells[0])} {Time(line.Source)}{Picture(line)}</li>\n" : $"<tr>{string.Concat(line.Cells.Select(c => $"<td>{Safe(c)}</td>"))}<td>{Time(line.Source)}{Picture(line)}</td></tr>\n");
            }

            html.Append(isList ? "</ul>\n" : "</table>\n");
        }

        if (paper.Sheet.Foot is { } foot)
        {
            html.Append($"<blockquote>{Safe(foot.Quote)} {Time(foot)}</blockquote>\n");
        }

        return html.Append("</body>\n</html>\n").ToString();

        string Picture(SheetLine line) => paper.PictureOf(line) is { } picture ? $"<img alt=\"\" src=\"data:{PictureTypes.Of(picture)};base64,{Convert.ToBase64String(picture)}\">" : "";

        string Time(Evidence? source)
        {
            var time = SheetPaper.Time(source);
            return time.Length == 0 ? "" : paper.LinkTo(source) is { } link ? $"<span class=\"t\"><a href=\"{Safe(link)}\">{time}</a></span>" : $"<span class=\"t\">{time}</span>";
        }
    }

    private static string Safe(string text) => HtmlEncoder.Default.Encode(text).Replace("&#xA;", "<br>", StringComparison.Ordinal);
}
