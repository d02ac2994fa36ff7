using Kostel.Core.Text;

namespace Kostel.Core.Transcripts.Edits;

/// <summary>Puts other words in place of spoken ones and keeps the times: words that stay keep theirs, words that replace others share
/// the time of those, and words that are new are fitted in between.</summary>
public static class WordFit
{
    /// <summary>What a letter of a new word takes where there is room (common practice: 130 to 160 words a minute).</summary>
    private const int MsPerLetter = 70;

    /// <summary>The words of a text that a person wrote; signs that cannot be seen stand for spaces.</summary>
    public static string[] WordsOf(string text) =>
        string.Concat(text.Select(c => char.IsControl(c) ? ' ' : c)).Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries);

    /// <summary>The words of a rewritten stretch.</summary>
    /// <param name="before">The words as they were, in order of time.</param>
    /// <param name="after">What is to stand there, word by word.</param>
    /// <param name="earliestMs">Nothing new begins before this…</param>
    /// <param name="latestMs">…nor ends after this.</param>
    /// <returns>One word for each of <paramref name="after"/>; starts never run backward. Words that a person wrote are certain.</returns>
    public static IReadOnlyList<Word> Rewrite(IReadOnlyList<Word> before, IReadOnlyList<string> after, int earliestMs, int latestMs)
    {
        var words = new List<Word>(after.Count);
        var old = 0;
        foreach (var change in WordDiff.Between(before.Select(w => w.Text), after))
        {
            KeepUpTo(change.OldStart);
            var texts = after.Skip(change.NewStart).Take(change.NewCount).ToList();
            words.AddRange(change.OldCount > 0 ? Replace(before, change, texts) : Insert(before, change.OldStart, texts, earliestMs, latestMs));
            old = change.OldStart + change.OldCount;
        }

        KeepUpTo(before.Count);
        return words;

        void KeepUpTo(int end)
        {
            for (; old < end; old++)
            {
                var text = after[words.Count];
                words.Add(before[old].Text == text ? before[old] : before[old] with { Text = text, Confidence = 1 });
            }
        }
    }

    private static IEnumerable<Word> Replace(IReadOnlyList<Word> before, WordChange change, List<string> texts)
    {
        var first = before[change.OldStart];
        var last = before[change.OldStart + change.OldCount - 1];
        var next = change.OldStart + change.OldCount;
        var end = next < before.Count ? Math.Min(last.EndMs, before[next].StartMs) : last.EndMs;
        if (texts.Count == change.OldCount)
        {
            return texts.Select((t, i) => before[change.OldStart + i] with { Text = t, Confidence = 1 });
        }

        return Share(texts, first.StartMs, Math.Max(first.StartMs, end), first.OpensCaption);
    }

    private static IEnumerable<Word> Insert(IReadOnlyList<Word> before, int at, List<string> texts, int earliestMs, int latestMs)
    {
        var upper = at < before.Count ? before[at].StartMs : Math.Max(latestMs, before.Count > 0 ? before[^1].EndMs : earliestMs);
        var lower = Math.Min(at > 0 ? before[at - 1].EndMs : earliestMs, upper);
        var wanted = (int)Math.Min(int.MaxValue, texts.Sum(t => (t.Length + 1L) * MsPerLetter));
        var length = Math.Min(wanted, upper - lower);
        var start = at == 0 ? upper - length : lower;
        return Share(texts, start, start + length, opensCaption: false);
    }

    /// <summary>Gives each word its part of a span, by its letters.</summary>
    public static IEnumerable<Word> Share(IReadOnlyList<string> texts, int startMs, int endMs, bool opensCaption)
    {
        var letters = texts.Sum(t => t.Length + 1L);
        long done = 0;
        for (var i = 0; i < texts.Count; i++)
        {
            var from = startMs + (int)((endMs - startMs) * done / letters);
            done += texts[i].Length + 1;
            var to = startMs + (int)((endMs - startMs) * done / letters);
            yield return new Word(texts[i], from, to, 1, opensCaption && i == 0);
        }
    }
}
