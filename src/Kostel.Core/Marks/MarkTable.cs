using System.Globalization;
using System.Text;

namespace Kostel.Core.Marks;

/// <summary>Marks and labels as a table.</summary>
public static class MarkTable
{
    /// <summary>Tab-separated values (IANA text/tab-separated-values), times in milliseconds, a line a mark.</summary>
    public static string Write(IEnumerable<Mark> marks)
    {
        var text = new StringBuilder("start\tend\tmark\ttext\tquote\tresolved\n");
        foreach (var m in marks)
        {
            text.Append(CultureInfo.InvariantCulture, $"{m.StartMs}\t{m.EndMs}\t{m.Kind.ToString().ToLowerInvariant()}\t{Field(m.Text)}\t{Field(m.Quote)}\t{Field(m.Resolved ?? "")}\n");
        }

        return text.ToString();
    }

    private static string Field(string text) => string.Join(' ', text.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries));
}
