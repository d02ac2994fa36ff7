using Kostel.Core.Text;

namespace Kostel.Core.Transcripts.Reading;

/// <summary>A place where two transcripts of a recording read otherwise.</summary>
/// <param name="Before">The words of the earlier one; empty where words were put in.</param>
/// <param name="After">The words of the later one; empty where words were left out.</param>
public sealed record Difference(int StartMs, int EndMs, string Before, string After);

/// <summary>Compares a transcript with an earlier one of the same recording, word by word.</summary>
public static class TranscriptComparison
{
    /// <summary>The places where they differ, in order. Capitals and punctuation count.</summary>
    public static IReadOnlyList<Difference> Between(Transcript earlier, Transcript later)
    {
        var before = earlier.Passages.SelectMany(p => p.Words).ToList();
        var after = later.Passages.SelectMany(p => p.Words).ToList();
        var found = new List<Difference>();
        var (i, j) = (0, 0);
        foreach (var change in WordDiff.Between(before.Select(w => w.Text), after.Select(w => w.Text)))
        {
            Same(change.OldStart);
            var gone = before.GetRange(change.OldStart, change.OldCount);
            var come = after.GetRange(change.NewStart, change.NewCount);
            var times = come.Count > 0 ? come : gone;
            found.Add(new Difference(times[0].StartMs, times[^1].EndMs, Text(gone), Text(come)));
            (i, j) = (change.OldStart + change.OldCount, change.NewStart + change.NewCount);
        }

        Same(before.Count);
        return found;

        void Same(int end)
        {
            for (; i < end; i++, j++)
            {
                if (before[i].Text != after[j].Text)
                {
                    found.Add(new Difference(after[j].StartMs, after[j].EndMs, before[i].Text, after[j].Text));
                }
            }
        }
    }

    private static string Text(List<Word> words) => string.Join(' ', words.Select(w => w.Text));
}
