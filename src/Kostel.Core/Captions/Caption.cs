using Kostel.Core.Transcripts;

namespace Kostel.Core.Captions;

/// <summary>A caption: one or two lines shown for a while.</summary>
/// <param name="Voice">Who says it; null where only one speaks.</param>
public sealed record Caption(int StartMs, int EndMs, IReadOnlyList<string> Lines, string? Voice);

/// <summary>Cuts a transcript into captions: at most two lines of 42 characters, one to seven seconds each (common practice, no source).</summary>
public static class CaptionCutter
{
    /// <summary>Characters in a line.</summary>
    public const int LineLength = 42;

    /// <summary>How long a caption stays at most, in milliseconds.</summary>
    public const int MostMs = 7_000;

    private const int LeastMs = 1_000, PauseMs = 1_500;

    /// <summary>The captions, in order, never overlapping; together they hold every word. Text that was brought in as captions keeps them,
    /// as far as they obey the rules.</summary>
    public static IReadOnlyList<Caption> Cut(Transcript transcript)
    {
        var hasOwn = transcript.Passages.Any(p => p.Words.Any(w => w.OpensCaption));
        var groups = new List<List<Word>>();
        var voices = new List<string?>();
        foreach (var passage in transcript.Passages)
        {
            var group = new List<Word>();
            var voice = transcript.NameOf(passage);
            foreach (var word in passage.Words)
            {
                if (group.Count > 0 && !(hasOwn ? FitsOwn(group, word) : Fits(group, word)))
                {
                    groups.Add(group);
                    voices.Add(voice);
                    group = [];
                }

                group.Add(word);
            }

            if (group.Count > 0)
            {
                groups.Add(group);
                voices.Add(voice);
            }
        }

        return groups.Select((g, i) => new Caption(g[0].StartMs, End(groups, i, transcript.DurationMs), Lines(g), voices[i])).ToList();
    }

    private static bool Fits(List<Word> group, Word next) =>
        Lines([.. group, next]).Count <= 2
        && next.EndMs - group[0].StartMs <= MostMs
        && next.StartMs - group[^1].EndMs < PauseMs
        && !(Sentences.ClosesSentence(group[^1].Text) && group.Sum(w => w.Text.Length + 1) > LineLength);

    private static bool FitsOwn(List<Word> group, Word next) =>
        !next.OpensCaption && Lines([.. group, next]).Count <= 2 && next.EndMs - group[0].StartMs <= MostMs;

    private static int End(List<List<Word>> groups, int i, int durationMs)
    {
        var start = groups[i][0].StartMs;
        var wanted = Math.Clamp(groups[i][^1].EndMs, start + LeastMs, start + MostMs);
        var limit = i + 1 < groups.Count ? groups[i + 1][0].StartMs : Math.Max(durationMs, start + 1);
        return Math.Max(start + 1, Math.Min(wanted, limit));
    }

    private static List<string> Lines(IReadOnlyList<Word> words)
    {
        var lines = new List<string>();
        foreach (var word in words)
        {
            if (lines.Count > 0 && lines[^1].Length + 1 + word.Text.Length <= LineLength)
            {
                lines[^1] += " " + word.Text;
            }
            else
            {
                lines.Add(word.Text);
            }
        }

        return lines;
    }
}
