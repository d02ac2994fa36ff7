using System.Globalization;
using System.Text;
using Kostel.Core.Text;

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
            text.Append(CultureInfo.InvariantCulture, $"{m.StartMs}\t{m.EndMs}\t{m.Kind.ToString().ToLowerInvariant()}\t{OneLine.Of(m.Text)}\t{OneLine.Of(m.Quote)}\t{OneLine.Of(m.Resolved ?? "")}\n");
        }

        return text.ToString();
    }
}
