using Kostel.Core.Entries;
using Kostel.Core.Problems;

namespace Kostel.Core.Study.Sheets;

/// <summary>A line as a person left it.</summary>
/// <param name="Cells">What stands in it.</param>
/// <param name="From">Which line it was before, counted through the whole sheet from 0; null for a new one.</param>
public sealed record EditedLine(IReadOnlyList<string> Cells, int? From = null);

/// <summary>A part as a person left it.</summary>
public sealed record EditedPart(string Heading, IReadOnlyList<EditedLine> Lines);

/// <summary>Changes that a person makes to a sheet. Where a line is said stays with it, whatever its words and wherever it goes.</summary>
public static class SheetEditing
{
    private const int MostLines = 2_000, MostParts = 300;

    /// <summary>The sheet as the person left it.</summary>
    /// <exception cref="NotValidException">It is not made of this sheet's lines, or is too long.</exception>
    public static Sheet Edit(Sheet before, IReadOnlyList<EditedPart> parts)
    {
        var old = before.Lines().ToList();
        var taken = parts.SelectMany(p => p.Lines ?? []).Select(l => l?.From).OfType<int>().ToList();
        if (parts.Count > MostParts || parts.Sum(p => p.Lines?.Count ?? 0) > MostLines)
        {
            throw new NotValidException($"A sheet has at most {MostParts} parts and {MostLines} lines.");
        }

        if (taken.Distinct().Count() != taken.Count || taken.Exists(f => f < 0 || f >= old.Count))
        {
            throw new NotValidException("These are not the lines of this sheet. Open it again.");
        }

        var headings = before.Parts.Select(p => p.Heading).ToHashSet();
        var after = parts.Select(p => (Heading: EntryRules.SheetHeading.Read(p.Heading), Lines: (p.Lines ?? []).Select(l => Line(before, old, l)).Where(l => l.Picture is not null || l.Cells.Any(c => c.Length > 0)).ToList()))
            .Select(p => new SheetPart(p.Heading, p.Lines, !headings.Contains(p.Heading) || before.Parts.Any(b => b.IsOwn && b.Heading == p.Heading))).ToList();
        var kept = taken.ToHashSet();
        var leftOut = old.Where((l, i) => l.Source is not null && !kept.Contains(i));
        return before with { Parts = after, LeftOut = [.. before.LeftOut ?? [], .. leftOut] };
    }

    private static SheetLine Line(Sheet sheet, List<SheetLine> old, EditedLine line)
    {
        if (line?.Cells is not { } given || given.Count != sheet.Columns.Count)
        {
            throw new NotValidException($"A line of this sheet has {sheet.Columns.Count} cells.");
        }

        var cells = given.Select(EntryRules.SheetCell.Read).ToList();
        return line.From is not { } from ? new SheetLine(cells, IsOwn: true) : old[from].Cells.SequenceEqual(cells) ? old[from] : old[from] with { Cells = cells, IsOwn = true };
    }
}
