namespace Kostel.Core.Transcripts.Edits;

/// <summary>Edits of chapters; they tile the lecture before and after.</summary>
internal static class ChapterEdits
{
    private const int LongestTitle = 120;

    public static Transcript Rename(Transcript transcript, int startMs, string title)
    {
        var at = IndexOf(transcript, startMs);
        return With(transcript, at, 1, transcript.Chapters[at] with { Title = Title(title) });
    }

    public static Transcript Begin(Transcript transcript, string passageId, string title)
    {
        var start = transcript.Passages[PassageEdits.IndexOf(transcript, passageId)].StartMs;
        if (transcript.Chapters.Count == 0)
        {
            return transcript with { Chapters = [new Chapter(Title(title), 0, transcript.DurationMs)] };
        }

        var at = 0;
        while (at + 1 < transcript.Chapters.Count && transcript.Chapters[at + 1].StartMs <= start)
        {
            at++;
        }

        var chapter = transcript.Chapters[at];
        if (chapter.StartMs == start || transcript.Passages[0].Id == passageId)
        {
            throw new EditRefusedException("A chapter begins here already.");
        }

        return With(transcript, at, 1, chapter with { EndMs = start }, new Chapter(Title(title), start, chapter.EndMs));
    }

    public static Transcript Move(Transcript transcript, int startMs, string passageId)
    {
        var (at, start) = (IndexOf(transcript, startMs), transcript.Passages[PassageEdits.IndexOf(transcript, passageId)].StartMs);
        if (at == 0)
        {
            throw new EditRefusedException("The first chapter begins with the lecture.");
        }

        var (before, chapter) = (transcript.Chapters[at - 1], transcript.Chapters[at]);
        return transcript.Passages[0].Id == passageId || start <= before.StartMs || start >= chapter.EndMs
            ? throw new EditRefusedException("A chapter begins between the beginning of the one before it and its own end.")
            : With(transcript, at - 1, 2, before with { EndMs = start }, chapter with { StartMs = start });
    }

    public static Transcript Join(Transcript transcript, int startMs)
    {
        var at = IndexOf(transcript, startMs);
        return at == 0
            ? throw new EditRefusedException("There is no chapter before the first one to join it to.")
            : With(transcript, at - 1, 2, transcript.Chapters[at - 1] with { EndMs = transcript.Chapters[at].EndMs });
    }

    private static Transcript With(Transcript transcript, int at, int count, params Chapter[] chapters) =>
        transcript with { Chapters = [.. transcript.Chapters.Take(at), .. chapters, .. transcript.Chapters.Skip(at + count)] };

    private static int IndexOf(Transcript transcript, int startMs)
    {
        var at = transcript.Chapters.ToList().FindIndex(c => c.StartMs == startMs);
        return at >= 0 ? at : throw new EditRefusedException("This chapter is not there any more.");
    }

    private static string Title(string wanted)
    {
        var title = string.Join(' ', wanted.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries));
        return title.Length is > 0 and <= LongestTitle && !title.Any(char.IsControl)
            ? title
            : throw new EditRefusedException($"A chapter's title has 1 to {LongestTitle} characters.");
    }
}
