using Kostel.Core.Speech;
using Kostel.Core.Study.Facts;
using Kostel.Core.Study.Summaries;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Recordings;

/// <summary>What was said in the last minutes, for somebody who lost the thread: at most three lines of it, and what it is about.</summary>
/// <param name="About">The matter at hand, in the speaker's words; empty where none stands out.</param>
public sealed record LostThread(IReadOnlyList<string> About, IReadOnlyList<Evidence> Lines)
{
    private const int MostLines = 3, MostAbout = 3, MostWords = 70, LeastSaid = 2, RestMs = 700, LongRun = 20, LongestRun = 32;

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
        var said = TranscriptBuilder.Build([new Utterance(0, 0, 0, WithStops(lately))], Math.Max(nowMs, lately[^1].EndMs));
        said = said with { Chapters = [new Chapter("", said.Passages[0].StartMs, said.DurationMs)] };
        var sentences = Sentences.Of(said.Passages);
        var lines = Summarizer.Summarize(said, MostWords).SelectMany(p => p.Lines).Take(MostLines).ToList();
        var about = KeyPhrases.Count(sentences).Where(p => p.Value.Count >= LeastSaid || p.Value.IsDefined)
            .OrderByDescending(p => p.Value.Count * (p.Key.Contains(' ', StringComparison.Ordinal) ? 2 : 1)).ThenBy(p => p.Key, StringComparer.Ordinal).Select(p => p.Key).ToList();
        about = about.Where((a, i) => !about.Take(i).Any(b => b.Contains(a, StringComparison.Ordinal))).Take(MostAbout).ToList();
        return new LostThread(about, lines.Count > 0 ? lines : [Evidence.Of(sentences[^1])]);
    }

    /// <summary>Running speech has few stops: a rest is one, and in a long run a comma, or the place where it has become too long to read.</summary>
    private static List<Word> WithStops(List<Word> words)
    {
        var (stopped, run) = (new List<Word>(words.Count), 0);
        for (var i = 0; i < words.Count; i++)
        {
            var text = words[i].Text;
            run++;
            var rests = i + 1 < words.Count && words[i + 1].StartMs - words[i].EndMs >= RestMs;
            if (rests || (run >= LongRun && text[^1] is ',' or ';') || run >= LongestRun)
            {
                text = text.TrimEnd(',', ';') is { Length: > 0 } bare && char.IsLetterOrDigit(bare[^1]) ? bare + "." : text;
            }

            run = Sentences.ClosesSentence(text) ? 0 : run;
            stopped.Add(words[i] with { Text = text });
        }

        return stopped;
    }
}
