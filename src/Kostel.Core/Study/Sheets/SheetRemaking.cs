namespace Kostel.Core.Study.Sheets;

/// <summary>A line that is not as it was.</summary>
/// <param name="Before">What stood there; null for a line that comes.</param>
/// <param name="After">What will; null for one that goes.</param>
public sealed record SheetDifference(IReadOnlyList<string>? Before, IReadOnlyList<string>? After);

/// <summary>A sheet made again.</summary>
/// <param name="Sheet">As it will be.</param>
/// <param name="Differences">What that changes.</param>
public sealed record RemadeSheet(Sheet Sheet, IReadOnlyList<SheetDifference> Differences);

/// <summary>Makes a sheet again and keeps what the person made of it: what they worded stays, what they took out stays out.</summary>
public static class SheetRemaking
{
    /// <summary>Today's sheet with the person's changes.</summary>
    /// <param name="kept">As it is.</param>
    /// <param name="made">As it is made of today's text.</param>
    public static RemadeSheet Of(Sheet kept, Sheet made)
    {
        var old = kept.Lines().ToList();
        var of = Matched(made.Lines().ToList(), old, kept.LeftOut ?? []);
        var (parts, differences, at) = (new List<SheetPart>(), new List<SheetDifference>(), 0);
        var used = new HashSet<SheetLine>(ReferenceEqualityComparer.Instance);
        foreach (var part in made.Parts)
        {
            var lines = new List<SheetLine>();
            foreach (var line in part.Lines)
            {
                var (isOut, before) = of[at++];
                if (isOut)
                {
                    continue;
                }

                lines.Add(before is { IsOwn: true } ? before : line);
                if (before is null)
                {
                    differences.Add(new SheetDifference(null, line.Cells));
                }
                else if (used.Add(before) && !before.IsOwn && !before.Cells.SequenceEqual(line.Cells))
                {
                    differences.Add(new SheetDifference(before.Cells, line.Cells));
                }
            }

            parts.Add(Headed(part, lines, kept));
        }

        foreach (var part in kept.Parts)
        {
            var left = part.Lines.Where(l => !used.Contains(l)).ToList();
            differences.AddRange(left.Where(l => !l.IsOwn).Select(l => new SheetDifference(l.Cells, null)));
            Put(parts, part, left.FindAll(l => l.IsOwn));
        }

        return new RemadeSheet(made with { Parts = [.. parts.Where(p => p.Lines.Count > 0 || made.Parts.Any(m => m.Lines.Count == 0 && m.Heading == p.Heading))], LeftOut = kept.LeftOut }, differences);
    }

    /// <summary>For each new line whether it stays out, and which old line it stands for. The very same words first, then what is said at the same place.</summary>
    private static (bool IsOut, SheetLine? Before)[] Matched(List<SheetLine> made, List<SheetLine> old, IReadOnlyList<SheetLine> leftOut)
    {
        var found = new (bool IsOut, SheetLine? Before)[made.Count];
        var (free, outs) = (new List<SheetLine>(old), new List<SheetLine>(leftOut));
        foreach (var isAlike in new Func<SheetLine, SheetLine, bool>[] { (a, b) => IsSamePlace(a, b) && a.Cells.SequenceEqual(b.Cells), IsSamePlace })
        {
            for (var i = 0; i < made.Count; i++)
            {
                if (found[i].IsOut || found[i].Before is not null)
                {
                    continue;
                }

                if (free.Find(o => isAlike(o, made[i])) is { } before)
                {
                    found[i] = (false, before);
                    free.Remove(before);
                }
                else if (outs.Find(o => isAlike(o, made[i])) is { } gone)
                {
                    found[i] = (true, null);
                    outs.Remove(gone);
                }
            }
        }

        return found;
    }

    private static bool IsSamePlace(SheetLine a, SheetLine b) => a.Source is { } x && b.Source is { } y && x.LectureId == y.LectureId && x.IsSamePlace(y);

    /// <summary>Under the person's heading, where they worded the one above these lines.</summary>
    private static SheetPart Headed(SheetPart part, List<SheetLine> lines, Sheet kept)
    {
        var over = kept.Parts.MaxBy(p => p.Lines.Count(l => lines.Exists(n => IsSamePlace(l, n))));
        return over is { IsOwn: true } && over.Lines.Any(l => lines.Exists(n => IsSamePlace(l, n))) ? over with { Lines = lines } : part with { Lines = lines };
    }

    /// <summary>The person's own lines go where they were: under the same heading behind what came before them, or under a heading of their own.</summary>
    private static void Put(List<SheetPart> parts, SheetPart earlier, List<SheetLine> own)
    {
        if (own.Count == 0)
        {
            return;
        }

        var at = parts.FindIndex(p => p.Heading == earlier.Heading);
        if (at < 0)
        {
            parts.Add(earlier with { Lines = own });
            return;
        }

        var lines = parts[at].Lines.ToList();
        foreach (var line in own)
        {
            var before = earlier.Lines.TakeWhile(l => !ReferenceEquals(l, line)).Reverse().Select(l => lines.FindIndex(n => ReferenceEquals(n, l) || IsSamePlace(n, l))).FirstOrDefault(i => i >= 0, -1);
            lines.Insert(before < 0 && earlier.Lines.Count > 0 && !ReferenceEquals(earlier.Lines[0], line) ? lines.Count : before + 1, line);
        }

        parts[at] = parts[at] with { Lines = lines };
    }
}
