using System.Globalization;
using System.Text;
using Kostel.Core.Captions;

namespace Kostel.Core.Answers.Threads;

/// <summary>Writes a thread as Markdown (CommonMark): a heading a question, a line a quotation with its time.</summary>
public static class ThreadMarkdown
{
    /// <summary>Writes it.</summary>
    public static string Write(ThreadPaper paper)
    {
        var text = new StringBuilder().Append(CultureInfo.InvariantCulture, $"# {Plain(paper.Title)}\n\n{Plain(paper.Place)}\n");
        foreach (var question in paper.Questions)
        {
            text.Append(CultureInfo.InvariantCulture, $"\n## {Plain(question.Text)}\n");
            if (question.StateWords.Length > 0)
            {
                text.Append(CultureInfo.InvariantCulture, $"\n{question.StateWords}\n");
            }

            foreach (var part in question.AllParts)
            {
                text.Append(part.Name is null ? "\n" : $"\n**{Plain(part.Name)}**\n\n");
                foreach (var line in part.Lines)
                {
                    var time = CaptionClock.Short(line.StartMs);
                    text.Append(CultureInfo.InvariantCulture, $"- {(line.Link is null ? time : $"[{time}]({line.Link})")} {Plain(line.Quote)}{(line.Lecture is null ? "" : $" ({Plain(line.Lecture)})")}\n");
                }
            }
        }

        return text.ToString();
    }

    private static string Plain(string text) => PlainText.Escape(text.ReplaceLineEndings(" "));
}
