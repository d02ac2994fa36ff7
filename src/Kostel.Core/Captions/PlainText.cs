using System.Text;
using System.Text.RegularExpressions;
using Kostel.Core.Transcripts;
using Kostel.Core.Transcripts.Edits;
using Kostel.Core.Text;

namespace Kostel.Core.Captions;

/// <summary>Plain text and Markdown: chapters as headings, a paragraph a passage, before it the time and the name where wanted.</summary>
public static partial class PlainText
{
    /// <summary>How long a letter is spoken where a text has no times (common practice, no source).</summary>
    internal const int MsPerLetter = 70;

    private const int PauseMs = 700, LongestHeading = 12, LongestPassage = 180;

    /// <summary>Writes plain text: <c>[1:02] Name: words</c>.</summary>
    public static string Write(Transcript transcript, TextOptions options) => Paragraphs(
        transcript,
        heading => heading,
        p => (options.Times ? $"[{CaptionClock.Short(p.StartMs)}] " : "")
            + (options.Speakers && transcript.NameOf(p) is { } name ? $"{name}: " : "") + p.Text,
        title: null);

    /// <summary>Writes Markdown (CommonMark): the title and the chapters as headings, names in bold, questions of an interview in italics, times as links where there is an address.</summary>
    public static string WriteMarkdown(Transcript transcript, TextOptions options) => Paragraphs(
        transcript,
        heading => $"## {Escape(heading)}",
        p => (options.Times ? MarkdownTime(p.StartMs, options.Link) + " " : "")
            + (options.Speakers && transcript.NameOf(p) is { } name ? $"**{Escape(name)}:** " : "")
            + (transcript.IsQuestion(p) ? $"*{Escape(p.Text)}*" : Escape(p.Text)),
        options.Title is null ? null : $"# {Escape(options.Title)}");

    /// <summary>Reads plain text or Markdown: paragraphs are passages; times, names and headings are taken where they are found.</summary>
    /// <exception cref="FormatException">There are no words.</exception>
    public static BroughtText Read(string text)
    {
        var paragraphs = ParagraphsOf(text);
        string? title = null;
        if (paragraphs.Count > 0 && paragraphs[0].StartsWith("# ", StringComparison.Ordinal))
        {
            title = Unescape(paragraphs[0][2..]);
            paragraphs.RemoveAt(0);
        }

        var names = TurnNames.In(paragraphs.Where(p => !p.StartsWith('#')).SelectMany(p => p.Split('\n')).Select(Untimed).ToList());
        paragraphs = paragraphs.SelectMany(p => Turns(p, names)).ToList();
        var pieces = paragraphs.ConvertAll(Piece.Of);
        for (var i = 0; i < pieces.Count; i++)
        {
            // A short line without a full stop, with a paragraph under it, is a heading.
            var isShort = pieces[i].AtMs is null && !pieces[i].IsHeading && !(pieces[i].Name is { } name && names.Known.Contains(name)) && TextLines.Words(pieces[i].Text) is { Length: > 0 and <= LongestHeading } words
                && char.IsLetterOrDigit(words[^1][^1]) && !paragraphs[i].Contains('\n', StringComparison.Ordinal);
            if (isShort && i + 1 < pieces.Count && (pieces[i + 1].AtMs is not null || TextLines.Words(pieces[i + 1].Text).Length > LongestHeading))
            {
                pieces[i] = pieces[i] with { IsHeading = true };
            }
        }

        // A name stands before every passage, or it recurs; else none is a name: "Remember: …" is no speaker.
        var spoken = pieces.Where(p => !p.IsHeading).ToList();
        if (!names.IsEmpty)
        {
            pieces = WithNames(pieces, names);
        }
        else if (spoken.Count < 2 || !spoken.TrueForAll(p => p.Name is not null))
        {
            pieces = pieces.ConvertAll(p => p.Name is null || p.NameIsMarked ? p : p.Unnamed());
        }

        return spoken.Count > 0
            ? Build(pieces, title)
            : throw new FormatException("Line 1: expected text, but there are no words in this file.");
    }

    /// <summary>The parts of a paragraph that begin with a name on a line of their own, or with a time where several lines do; lines of one person stay together.</summary>
    private static IEnumerable<string> Turns(string paragraph, TurnNames names)
    {
        var lines = paragraph.Split('\n');
        var areTimed = lines.Count(l => TimeFirst().IsMatch(l + "\n")) > 1;
        var (open, speaker) = (new List<string>(), (string?)null);
        foreach (var line in lines)
        {
            var (name, said) = names.Divide(Untimed(line));
            var isTimed = areTimed && TimeFirst().IsMatch(line + "\n");
            var begins = isTimed || (name is not null && name != speaker);
            if (begins && open.Count > 0)
            {
                yield return string.Join('\n', open);
                open.Clear();
            }

            open.Add(begins || name is null ? line : said);
            speaker = name ?? speaker;
        }

        yield return string.Join('\n', open);
    }

    private static string Untimed(string line) => TimeFirst().Match(line) is { Success: true } time ? time.Groups["rest"].Value : line;

    /// <summary>A name holds until the next; what else stands before a colon is said.</summary>
    private static List<Piece> WithNames(List<Piece> pieces, TurnNames names)
    {
        string? speaker = null;
        return pieces.ConvertAll(p =>
        {
            var own = p.Name is null || p.NameIsMarked || names.Known.Contains(p.Name) ? p : p.Unnamed();
            return p.IsHeading ? p : own with { Name = speaker = own.Name ?? speaker };
        });
    }

    private static string Paragraphs(Transcript transcript, Func<string, string> heading, Func<Passage, string> passage, string? title)
    {
        var text = new StringBuilder(title is null ? "" : title + "\n\n");
        var chapters = new Queue<Chapter>(transcript.Chapters);
        foreach (var p in transcript.Passages)
        {
            while (chapters.TryPeek(out var next) && (next.StartMs <= p.StartMs))
            {
                text.Append(heading(chapters.Dequeue().Title)).Append("\n\n");
            }

            text.Append(passage(p)).Append("\n\n");
        }

        return text.ToString().TrimEnd('\n') + "\n";
    }

    private static BroughtText Build(List<Piece> pieces, string? title)
    {
        var hasTimes = pieces.Any(p => p.AtMs is not null);
        var speakers = NamedSpeakers.Of(pieces.Where(p => !p.IsHeading).Select(p => p.Name));
        var asks = pieces.Where(p => !p.IsHeading && speakers.Count > 1).GroupBy(p => p.Name ?? "").Where(g => g.All(p => p.IsQuestion)).Select(g => g.Key).ToHashSet();
        var passages = new List<Passage>();
        var chapters = new List<(string, int)>();
        var at = 0;
        for (var i = 0; i < pieces.Count; i++)
        {
            if (pieces[i].IsHeading)
            {
                chapters.Add((pieces[i].Text, chapters.Count == 0 ? 0 : Math.Max(at, pieces.Skip(i).FirstOrDefault(p => !p.IsHeading)?.AtMs ?? at)));
                continue;
            }

            var words = TextLines.Words(pieces[i].Text);
            var start = Math.Max(at, pieces[i].AtMs ?? at);
            var next = pieces.Skip(i + 1).Select(p => p.AtMs).FirstOrDefault(t => t is not null);
            var end = start + words.Sum(w => (w.Length + 1) * MsPerLetter);
            if (next is { } limit)
            {
                // Times are whole seconds: passages of one second share it.
                end = Math.Min(end, limit > start ? limit : start + Math.Max(0, ((limit / 1000 * 1000) + 999 - start) / 2));
            }

            var said = WordFit.Share(words, start, end, opensCaption: false).ToList();
            var parts = said.Count > LongestPassage && (pieces[i].HasLines || pieces.Count == 1) ? PassageBuilder.Build(said, speakers[pieces[i].Name ?? ""].Id, new HashSet<int>()).Select(p => p.Words) : [said];
            passages.AddRange(parts.Select((p, n) => new Passage($"p{passages.Count + 1 + n}", speakers[pieces[i].Name ?? ""].Id, p[0].StartMs, p[^1].EndMs, p)).ToList());
            at = end + (hasTimes ? 0 : PauseMs);
        }

        var duration = passages[^1].EndMs;
        return new BroughtText(
            new Transcript("en", duration, speakers.Select(s => s.Value with { Asks = asks.Contains(s.Key) }).ToList(), passages, ChapterTiles.Of(chapters, duration)),
            hasTimes, [], title);
    }

    private static List<string> ParagraphsOf(string text)
    {
        var paragraphs = new List<string>();
        var open = new List<string>();
        foreach (var line in TextLines.Of(text).Append(""))
        {
            var isHeading = line.StartsWith('#');
            if (line.Length == 0 || isHeading)
            {
                if (open.Count > 0)
                {
                    paragraphs.Add(string.Join('\n', open));
                    open.Clear();
                }

                if (isHeading && line.TrimStart('#').Trim().Length > 0)
                {
                    paragraphs.Add(line);
                }
            }
            else
            {
                open.Add(line.Trim());
            }
        }

        return paragraphs;
    }

    private static string MarkdownTime(int ms, string? link) =>
        link is null ? $"[{CaptionClock.Short(ms)}]" : $"[{CaptionClock.Short(ms)}]({link}?t={ms / 1000})";

    /// <summary>Signs that Markdown would read as form stand for themselves.</summary>
    internal static string Escape(string text) => NeedsEscape().Replace(text, @"\$0");

    private static string Unescape(string text) => Escaped().Replace(text, "$1");

    [GeneratedRegex(@"[\\`*_\[\]<>#|~]|(?<=^\d+)[.)](?=\s|$)|^[-+](?=\s)", RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex NeedsEscape();

    [GeneratedRegex(@"\\([\\`*_\[\]<>#|~.)+\-])", RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex Escaped();

    [GeneratedRegex(@"^(?:\[(?<t>[\d:]{4,10})\](?:\([^)\s]*\))?|(?<t>\d{1,2}:\d\d(?::\d\d)?))\s+(?<rest>.*)$", RegexOptions.CultureInvariant | RegexOptions.Singleline, PatternTime.Most)]
    private static partial Regex TimeFirst();

    [GeneratedRegex(@"^(?:\*\*(?<marked>[^*\n]{1,80}):\*\*|(?<name>\p{Lu}[^:.?!\n]{0,59}):)\s+(?<rest>\S.*)$", RegexOptions.CultureInvariant | RegexOptions.Singleline, PatternTime.Most)]
    private static partial Regex NameFirst();

    private sealed record Piece(string Text, int? AtMs, string? Name, bool NameIsMarked, bool IsHeading, bool IsQuestion, bool HasLines = false)
    {
        public static Piece Of(string paragraph)
        {
            if (paragraph.StartsWith('#'))
            {
                return new Piece(Unescape(paragraph.TrimStart('#').Trim()), null, null, false, IsHeading: true, false);
            }

            var rest = paragraph;
            int? at = null;
            if (TimeFirst().Match(rest) is { Success: true } time && CaptionClock.Read(time.Groups["t"].Value) is { } ms)
            {
                (at, rest) = (ms, time.Groups["rest"].Value);
            }

            string? name = null;
            var isMarked = false;
            if (NameFirst().Match(rest) is { Success: true } named)
            {
                isMarked = named.Groups["marked"].Success;
                name = Unescape(isMarked ? named.Groups["marked"].Value : named.Groups["name"].Value);
                rest = named.Groups["rest"].Value;
            }

            var isQuestion = rest.Length > 2 && rest[0] == '*' && rest[1] != '*' && rest[^1] == '*' && rest[^2] != '\\';
            return new Piece(Unescape(isQuestion ? rest[1..^1] : rest), at, name, isMarked, false, isQuestion, paragraph.Contains('\n', StringComparison.Ordinal));
        }

        /// <summary>What looked like a name is said.</summary>
        public Piece Unnamed() => this with { Text = $"{Name}: {Text}", Name = null };
    }
}
