using Kostel.Core.Speech;
using Kostel.Core.Study.Facts;
using Kostel.Core.Study.Summaries;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Recordings;

/// <summary>What was said in the last minutes, for somebody who lost the thread: at most three lines of it, and what it is about.</summary>
/// <param name="About">The matter at hand, in the speaker's words; empty where none stands out.</param>
public sealed record LostThread(IReadOnlyList<string> About, IReadOnlyList<Evidence> Lines)
{
    private const int MostLines = 3, MostAbout = 3, MostWords = 70, LeastSaid = 2;

    /// <summary>Of the words of a recording that is running.</summary>
    /// <param name="words">In order; only what lies in the last minutes counts.</param>
    /// <param name="nowMs">Where it is.</param>
    /// <param name="minutes">How far to look back.</param>
    public static LostThread Of(IReadOnlyList<Word> words, int nowMs, int minutes)
    {
        var lately = words.Where(w => w.StartMs >= nowMs - (minutes * 60_000)).OrderBy(w => w.StartMs).ToList();
        if (lately.Count == 0)
        {
            return new LostThread([], []);
        }

        // As the one chapter that it is: what is said now is worth as much as what began.
        var said = TranscriptBuilder.Build([new Utterance(0, 0, 0, lately)], Math.Max(nowMs, lately[^1].EndMs));
        said = said with { Chapters = [new Chapter("", said.Passages[0].StartMs, said.DurationMs)] };
        var sentences = Sentences.Of(said.Passages);
        var lines = Summarizer.Summarize(said, MostWords).SelectMany(p => p.Lines).Take(MostLines).ToList();
        var about = KeyPhrases.Count(sentences).Where(p => p.Value.Count >= LeastSaid || p.Value.IsDefined)
            .OrderByDescending(p => p.Value.Count * (p.Key.Contains(' ', StringComparison.Ordinal) ? 2 : 1)).ThenBy(p => p.Key, StringComparer.Ordinal).Select(p => p.Key).ToList();
        about = about.Where((a, i) => !about.Take(i).Any(b => b.Contains(a, StringComparison.Ordinal))).Take(MostAbout).ToList();
        return new LostThread(about, lines.Count > 0 ? lines : [Evidence.Of(sentences[^1])]);
    }
}
