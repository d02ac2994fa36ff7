using Kostel.Core.Transcripts;
using Kostel.Core.Transcripts.Edits;

namespace Kostel.Core.Tests.Transcripts.Edits;

/// <summary>Edits as a person might make them, drawn at random.</summary>
internal static class RandomEdits
{
    private static readonly string[] Written = ["tide", "slack", "water,", "Harbour.", "twelfths", "of", "a", "neap-tide", "1.5", "\u201Cebb\u201D"];

    public static TranscriptEdit Draw(Transcript t, Random random)
    {
        var p = t.Passages[random.Next(t.Passages.Count)];
        var at = random.Next(p.Words.Count);
        return random.Next(11) switch
        {
            0 or 1 or 2 => new RewritePassage(p.Id, p.Text, Retyped(p, random)),
            3 => new ReplaceWords([new WordReplacement(p.Id, at, 1, p.Words[at].Text, string.Join(' ', Some(random, 0)))]),
            4 => new AcceptWords(p.Id, at, 1, p.Words[at].Text),
            5 => new SplitPassage(p.Id, p.Text, at),
            6 => new JoinPassage(p.Id, p.Text),
            7 => new MoveBoundary(p.Id, p.Text, random.Next(-4, 5)),
            8 => new GivePassage(p.Id, random.Next(2) == 0 || t.Speakers.Count == 0 ? null : t.Speakers[random.Next(t.Speakers.Count)].Id, null),
            9 => new ChangeSpeaker(p.SpeakerId, $"Speaker {random.Next(1000)}", random.Next(2) == 0),
            _ => random.Next(4) switch
            {
                0 => new ChangeChapter(t.Chapters.Count == 0 ? 0 : t.Chapters[random.Next(t.Chapters.Count)].StartMs, "Another title"),
                1 => new BeginChapter(p.Id, "New"),
                2 => new MoveChapter(t.Chapters.Count == 0 ? 0 : t.Chapters[random.Next(t.Chapters.Count)].StartMs, p.Id),
                _ => new EndChapter(t.Chapters.Count == 0 ? 0 : t.Chapters[random.Next(t.Chapters.Count)].StartMs),
            },
        };
    }

    /// <summary>The transcript after an edit; the same one where it is refused.</summary>
    public static Transcript Try(Transcript t, TranscriptEdit edit)
    {
        try
        {
            return edit.Apply(t);
        }
        catch (EditRefusedException e)
        {
            Assert.NotEmpty(e.Message);
            return t;
        }
    }

    private static string Retyped(Passage p, Random random)
    {
        var words = p.Words.Select(w => w.Text).ToList();
        var at = random.Next(words.Count + 1);
        words.RemoveRange(at, Math.Min(random.Next(4), words.Count - at));
        words.InsertRange(at, Some(random, 0));
        return string.Join(random.Next(2) == 0 ? " " : " \n ", words);
    }

    private static List<string> Some(Random random, int least) =>
        Enumerable.Range(0, least + random.Next(4)).Select(_ => Written[random.Next(Written.Length)]).ToList();
}
