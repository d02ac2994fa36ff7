using Kostel.Core.Study.Statements;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Sheets;

/// <summary>What stands on a sheet, as a text of its own: cards and quizzes are made of it as of a lecture, and rest on what its lines rest on.</summary>
public sealed class SheetText
{
    /// <summary>Each line has a time of its own, so that what is made can be followed back to it.</summary>
    private const int LineMs = 60_000;

    private readonly List<SheetLine> lines;

    /// <param name="language">In which the lecture is held.</param>
    public SheetText(Sheet sheet, string language)
    {
        var parts = sheet.Parts.Select(p => (p.Heading, Lines: p.Lines.Where(l => l.Source is not null && Statement(sheet, l).Length > 0).ToList())).Where(p => p.Lines.Count > 0).ToList();
        lines = [.. parts.SelectMany(p => p.Lines)];
        var chapters = new List<Chapter>();
        foreach (var (heading, own) in parts)
        {
            var start = chapters.Count > 0 ? chapters[^1].EndMs : 0;
            chapters.Add(new Chapter(heading, start, start + (own.Count * LineMs)));
        }

        Transcript = new Transcript(language, lines.Count * LineMs, [Speaker.Unnamed(1)], [.. lines.Select((l, i) => Line(i, Statement(sheet, l)))], chapters);
    }

    /// <summary>The text; a passage for each line that is said somewhere.</summary>
    public Transcript Transcript { get; }

    /// <summary>Where the lecture says what something rests on that was made of the text: the line that it ends with, since one before it is only brought along.</summary>
    public Evidence SourceOf(Evidence made) => lines[Math.Clamp((made.EndMs - 1) / LineMs, 0, lines.Count - 1)].Source!;

    /// <summary>What a line states, as a sentence; empty for nothing.</summary>
    private static string Statement(Sheet sheet, SheetLine line)
    {
        var (first, last) = (line.Cells[0].Trim(), line.Cells[^1].Trim());
        var says = sheet.Asks() switch
        {
            SheetAsks.Cues => "",
            SheetAsks.Terms => line.Cells.Count > 1 && line.Cells[1].Trim() is { Length: > 0 } meaning ? Definition(first, meaning) : "",
            _ => last,
        };
        return says.Length == 0 || ".?!".Contains(says[^1], StringComparison.Ordinal) ? says : $"{says}.";
    }

    /// <summary>"Neaps" and "the smallest tides" as a sentence; a meaning that names the term is one already.</summary>
    private static string Definition(string term, string meaning)
    {
        var (thing, stems) = (NamedThing.Of(term, ""), Tokens.ContentStems(meaning).ToHashSet());
        if (Tokens.ContentStems(term).All(stems.Contains))
        {
            return meaning;
        }

        // "Neap tide", "a tide of small range": of tides there are several, of osmosis, "a process", there is one.
        var (isOne, isPlural) = (Tokens.Of(meaning).FirstOrDefault() is "a" or "an", thing.IsPlural);
        var article = thing.Article.Length == 0 && isOne && !isPlural && stems.Overlaps(Tokens.ContentStems(thing.Head)) ? (thing.BeginsWithVowel ? "An " : "A ") : "";
        return $"{article}{(article.Length > 0 ? WordForms.Small(term) : WordForms.Capital(term))} {(isPlural && !isOne ? "are" : "is")} {WordForms.Small(meaning)}";
    }

    private static Passage Line(int number, string text)
    {
        var words = text.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        var (start, each) = (number * LineMs, LineMs / words.Length);
        return new Passage($"{number}", Speaker.Unnamed(1).Id, start, start + LineMs, [.. words.Select((w, i) => new Word(w, start + (i * each), start + ((i + 1) * each), 1))]);
    }
}
