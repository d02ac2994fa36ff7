using Ical.Net;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;
using Kostel.Core.Study.Sheets;
using Kostel.Core.Study.Tasks;

namespace Kostel.Documents;

/// <summary>Writes the tasks of a sheet as a calendar (iCalendar, RFC 5545): a to-do for each line, due on the day that stands in it.</summary>
public static class TaskCalendar
{
    private const string Product = "-//Kostel//Tasks of a lecture//EN";

    /// <summary>The calendar as text.</summary>
    /// <param name="paper">A sheet of tasks: what to do, and by when.</param>
    /// <param name="lectureId">By which the same task keeps its identity from one writing to the next.</param>
    /// <param name="heldOn">The day of the lecture; null if it is not known.</param>
    /// <param name="writtenAt">Now.</param>
    public static string Write(SheetPaper paper, string lectureId, DateOnly? heldOn, DateTime writtenAt)
    {
        var calendar = new Calendar { ProductId = Product };
        foreach (var (line, i) in paper.Sheet.Lines().Select((l, i) => (l, i)))
        {
            var todo = new Todo
            {
                Uid = line.Source is { } source ? $"{lectureId}-{source.Key}-{i}@kostel" : $"{lectureId}-own-{i}@kostel",
                DtStamp = new CalDateTime(DateTime.SpecifyKind(writtenAt, DateTimeKind.Utc)),
                Summary = line.Cells[0],
                Description = string.Join('\n', new[] { paper.Title, paper.Facts, SheetPaper.Time(line.Source) }.Where(t => t.Length > 0)),
            };
            if (paper.LinkTo(line.Source) is { } link)
            {
                todo.Url = new Uri(link);
            }

            if (line.Cells.Count > 1 && DueDay.Find(line.Cells[^1], heldOn)?.Day is { } day)
            {
                todo.Due = new CalDateTime(day);
            }

            calendar.Todos.Add(todo);
        }

        return new CalendarSerializer().SerializeToString(calendar) ?? "";
    }
}
