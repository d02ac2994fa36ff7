using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Sheets.Courses;

/// <summary>
/// One sheet over several lectures: what they say of the same matter stands together and once, with every lecture that says it; where
/// they name different numbers for the same, both stand beside each other; what only one speaks of comes after, lecture by lecture.
/// </summary>
public static class CourseSheets
{
    /// <summary>What stands above numbers that do not agree.</summary>
    public const string Differing = "Where the lectures differ";

    private const int WordsInAll = 2_400, FewestOfLecture = 100, MostOfMatter = 10, LeastOfMatter = 2, FewLines = 20;

    /// <summary>A phrase that so large a part of all lines has names the course and not a matter of it.</summary>
    private const double TooGeneral = 0.35;

    /// <summary>The sheet; without parts where no lecture has anything to be known.</summary>
    /// <param name="lectures">In the order in which they were held.</param>
    public static Sheet Of(IReadOnlyList<LectureReading> lectures)
    {
        var all = Merged(lectures);
        var differing = Differences(lectures, all);
        var lines = all.FindAll(l => !differing.Exists(d => d.Source == l.Point.Source));
        var matters = Matters(lines, lectures);
        var left = lines.Where(l => !matters.Exists(m => m.Lines.Contains(l))).ToList();
        return new Sheet(["In", "What is said"],
        [
            .. differing.Count > 0 ? [new SheetPart(Differing, differing)] : Array.Empty<SheetPart>(),
            .. matters.Select(m => new SheetPart(WordForms.Capital(m.Name), [.. m.Lines.OrderBy(l => l.Point.Defines ? 0 : 1).ThenBy(l => l.Lecture).ThenBy(l => l.Point.Source.StartMs).Select(l => l.OnSheet(lectures))])),
            .. left.GroupBy(l => l.Lecture).OrderBy(g => g.Key).Select(g => new SheetPart(lectures[g.Key].Title, [.. g.OrderBy(l => l.Point.Source.StartMs).Select(l => l.OnSheet(lectures))])),
        ]);
    }

    /// <summary>A point of a lecture, with the other lectures that say the same.</summary>
    private sealed record Line(int Lecture, CoursePoint Point, HashSet<int> Others)
    {
        public SheetLine OnSheet(IReadOnlyList<LectureReading> lectures) =>
            new([string.Join("; ", Others.Prepend(Lecture).Distinct().Order().Select(l => lectures[l].Title).Distinct()), WordForms.Capital(Point.Source.Quote)], Point.Source);
    }

    /// <summary>The weightiest points of each lecture within the room there is; what was said by an earlier one is not told again.</summary>
    private static List<Line> Merged(IReadOnlyList<LectureReading> lectures)
    {
        var room = Math.Max(FewestOfLecture, WordsInAll / Math.Max(1, lectures.Count));
        var lines = new List<Line>();
        foreach (var (i, lecture) in lectures.Index())
        {
            var used = 0;
            foreach (var point in lecture.Points)
            {
                var words = point.Source.Quote.Count(c => c == ' ') + 1;
                if (lines.Find(l => l.Lecture != i && l.Point.SaysTheSameAs(point)) is { } told)
                {
                    told.Others.Add(i);
                }
                else if (used + words <= room)
                {
                    used += words;
                    lines.Add(new Line(i, point, [.. lectures.Index().Where(o => o.Index != i && o.Item.Said.Any(s => s.SaysTheSameAs(point))).Select(o => o.Index)]));
                }
            }
        }

        return lines;
    }

    /// <summary>Matters that more than one lecture speaks of, each with its lines: what joins most is found first, of several alike what has the longer name. In the order in which the course comes to them.</summary>
    private static List<(string Name, List<Line> Lines)> Matters(List<Line> lines, IReadOnlyList<LectureReading> lectures)
    {
        var names = lectures.SelectMany(l => l.Named.Select(n => (Name: n, Key: string.Join(' ', Tokens.Of(n).Select(Tokens.Stem)))).DistinctBy(n => n.Key)).GroupBy(n => n.Key).Where(g => g.Count() > 1)
            .Select(g => (g.First().Name, Stems: g.Key.Split(' '))).ToList();
        var of = names.ConvertAll(n => lines.Where(l => n.Stems.All(l.Point.Stems.Contains)).ToList());
        var free = lines.ToHashSet();
        var found = new List<(string Name, List<Line> Lines)>();
        while (true)
        {
            var best = names.Select((n, i) => (n.Name, n.Stems.Length, Lines: of[i].Where(free.Contains).Take(MostOfMatter).ToList(), All: of[i].Count))
                .Where(m => !found.Exists(f => f.Name == m.Name) && m.Lines.Count >= LeastOfMatter && Lectures(m.Lines) > 1 && (lines.Count < FewLines || m.All <= TooGeneral * lines.Count))
                .OrderByDescending(m => Lectures(m.Lines) + m.Lines.Count + (2 * (m.Length - 1))).ThenBy(m => m.Name, StringComparer.Ordinal).FirstOrDefault();
            if (best.Lines is null)
            {
                return [.. found.OrderBy(m => m.Lines.Min(l => (l.Lecture, l.Point.Source.StartMs)))];
            }

            found.Add((best.Name, best.Lines));
            free.ExceptWith(best.Lines);
        }

        static int Lectures(List<Line> of) => of.SelectMany(l => l.Others.Append(l.Lecture)).Distinct().Count();
    }

    /// <summary>What two lectures say of the very same with different numbers, one below the other.</summary>
    private static List<SheetLine> Differences(IReadOnlyList<LectureReading> lectures, List<Line> lines)
    {
        var seen = new HashSet<Evidence>();
        var rows = new List<SheetLine>();
        foreach (var line in lines.Where(l => l.Point.Amounts.Count > 0))
        {
            foreach (var (i, other) in lectures.Index().Where(o => o.Index != line.Lecture && !line.Others.Contains(o.Index)))
            {
                if (other.Said.FirstOrDefault(s => s.NamesAnotherNumberThan(line.Point)) is { } otherwise && !(seen.Contains(line.Point.Source) && seen.Contains(otherwise.Source)))
                {
                    rows.AddRange(new[] { new Line(line.Lecture, line.Point, []), new Line(i, otherwise, []) }.OrderBy(l => l.Lecture).Where(l => seen.Add(l.Point.Source)).Select(l => l.OnSheet(lectures)));
                }
            }
        }

        return rows;
    }
}
