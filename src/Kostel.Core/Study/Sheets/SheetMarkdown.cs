using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Sheets;

/// <summary>A sheet as Markdown: a list for one column, else a table; each line with its time.</summary>
public static class SheetMarkdown
{
    /// <summary>The lines of a paper with its title.</summary>
    public static IEnumerable<string> Write(SheetPaper paper) => new[] { $"# {OneLine(paper.Title)}", "", OneLine(paper.Facts), "" }.Concat(Write(paper.Sheet, paper.LinkTo));

    /// <summary>The lines of a sheet.</summary>
    /// <param name="sheet">What stands on it.</param>
    /// <param name="link">The address that opens a second.</param>
    public static IEnumerable<string> Write(Sheet sheet, Func<Evidence?, string?>? link = null)
    {
        foreach (var part in sheet.Parts)
        {
            if (part.Heading.Length > 0)
            {
                yield return $"## {OneLine(part.Heading)}";
                yield return "";
            }

            foreach (var line in sheet.Columns.Count == 1 ? part.Lines.Select(l => $"- {OneLine(l.Cells[0])}{Behind(l.Source)}") : Table(part))
            {
                yield return line;
            }

            yield return "";
        }

        if (sheet.Parts.Count > 0 && sheet.Foot is { } foot)
        {
            yield return $"> {OneLine(foot.Quote)}{Behind(foot)}";
        }

        string Time(Evidence? source) => link?.Invoke(source) is { } address ? $"[{SheetPaper.Time(source)}]({address})" : SheetPaper.Time(source);
        string Behind(Evidence? source) => source is null ? "" : $" ({Time(source)})";
        IEnumerable<string> Table(SheetPart part) =>
        [
            Row([.. sheet.Columns, "Time"]),
            Row([.. sheet.Columns.Append("Time").Select(_ => "---")]),
            .. part.Lines.Select(l => Row([.. l.Cells.Select(c => OneLine(c).Replace("|", "\\|", StringComparison.Ordinal)), Time(l.Source)])),
        ];
    }

    private static string Row(IReadOnlyList<string> cells) => $"| {string.Join(" | ", cells)} |";

    private static string OneLine(string text) => text.ReplaceLineEndings(" ");
}
