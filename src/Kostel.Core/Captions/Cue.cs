using System.Web;
using System.Text.RegularExpressions;
using Kostel.Core.Transcripts;
using Kostel.Core.Transcripts.Edits;
using Kostel.Core.Text;

namespace Kostel.Core.Captions;

/// <summary>A word of a cue, with its own time where the file gives one.</summary>
internal sealed record CueWord(string Text, int? AtMs);

/// <summary>A caption as it stands in a file.</summary>
/// <param name="Line">Where, from 1.</param>
internal sealed record Cue(int Line, int StartMs, int EndMs, string? Voice, IReadOnlyList<CueWord> Words);

/// <summary>The text of cues.</summary>
internal static partial class CueText
{
    /// <summary>The words of a text without markup.</summary>
    public static IReadOnlyList<CueWord> Words(string text) => TextLines.Words(text).Select(w => new CueWord(w, null)).ToList();

    /// <summary>The parts of a WebVTT cue by who says them; a cue without voices is one part.</summary>
    public static IEnumerable<Cue> Voices(int line, int startMs, int endMs, string text)
    {
        var parts = new List<(string? Voice, List<CueWord> Words)> { (null, []) };
        int? at = null;
        foreach (Match piece in Pieces().Matches(text))
        {
            var tag = piece.Groups["tag"];
            if (!tag.Success)
            {
                // Two words run into each other only where no space was between them and a tag.
                foreach (var word in TextLines.Words(HttpUtility.HtmlDecode(piece.Value)))
                {
                    parts[^1].Words.Add(new CueWord(word, at));
                    at = null;
                }
            }
            else if (VoiceTag().Match(tag.Value) is { Success: true } voice)
            {
                parts.Add((HttpUtility.HtmlDecode(string.Join(' ', TextLines.Words(voice.Groups["name"].Value))), []));
            }
            else
            {
                at = CaptionClock.Read(tag.Value) ?? at;
            }
        }

        return Shared(line, startMs, endMs, parts);
    }

    /// <summary>A cue by who says its parts: as it is, if none of the names begins one in it.</summary>
    public static IEnumerable<Cue> Named(Cue cue, TurnNames names)
    {
        var parts = new List<(string? Voice, List<CueWord> Words)> { (null, []) };
        for (var i = 0; i < cue.Words.Count; i++)
        {
            if (names.Known.FirstOrDefault(n => Begins(cue.Words, i, n)) is { } name)
            {
                parts.Add((name, []));
                i += TextLines.Words(name).Length - 1;
            }
            else
            {
                parts[^1].Words.Add(cue.Words[i]);
            }
        }

        return parts.Count == 1 ? [cue] : Shared(cue.Line, cue.StartMs, cue.EndMs, parts);
    }

    private static bool Begins(IReadOnlyList<CueWord> words, int from, string name) =>
        TextLines.Words(name + ":") is var own && from + own.Length <= words.Count && own.Select((w, i) => words[from + i].Text == w).All(same => same);

    /// <summary>Parts share the time of their cue by their letters.</summary>
    private static IEnumerable<Cue> Shared(int line, int startMs, int endMs, List<(string? Voice, List<CueWord> Words)> parts)
    {
        parts.RemoveAll(p => p.Words.Count == 0);
        var letters = Math.Max(1, parts.Sum(p => p.Words.Sum(w => w.Text.Length + 1L)));
        long done = 0;
        foreach (var (voice, words) in parts)
        {
            var from = startMs + (int)((endMs - startMs) * done / letters);
            done += words.Sum(w => w.Text.Length + 1L);
            yield return new Cue(line, from, startMs + (int)((endMs - startMs) * done / letters), voice is "" ? null : voice, words);
        }
    }

    [GeneratedRegex(@"<(?<tag>[^>]*)>|[^<]+|<", RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex Pieces();

    [GeneratedRegex(@"^v(?:\.[^\s]*)?\s(?<name>.*)$", RegexOptions.CultureInvariant | RegexOptions.Singleline, PatternTime.Most)]
    private static partial Regex VoiceTag();
}

/// <summary>Makes a transcript of cues.</summary>
internal static class CueTranscript
{
    private const int MostProblems = 20;

    /// <summary>The transcript: words share the time of their cue, and know where one begins.</summary>
    /// <exception cref="FormatException">There are no words.</exception>
    public static BroughtText Build(IReadOnlyList<Cue> cues, List<string> problems, string expected)
    {
        foreach (var late in cues.Zip(cues.Skip(1)).Where(p => p.Second.StartMs < p.First.StartMs).Select(p => p.Second))
        {
            problems.Add($"Line {late.Line}: this caption begins before the one above it. They were put in order.");
        }

        var ordered = Named(cues.Where(c => c.Words.Count > 0).OrderBy(c => c.StartMs).ToList());
        if (ordered.Count == 0)
        {
            throw new FormatException(problems.FirstOrDefault() ?? $"Line 1: expected {expected}, but the file has no captions.");
        }

        var ids = NamedSpeakers.Of(ordered.Select(c => c.Voice));
        var (words, speakers) = (new List<Word>(), new List<string>());
        for (var i = 0; i < ordered.Count; i++)
        {
            var cue = ordered[i];
            var end = cue.EndMs;
            if (end <= cue.StartMs)
            {
                problems.Add($"Line {cue.Line}: this caption ends before it begins. It was kept for a moment.");
                end = cue.StartMs + 1;
            }

            if (i + 1 < ordered.Count && end > ordered[i + 1].StartMs)
            {
                end = Math.Max(cue.StartMs, ordered[i + 1].StartMs);
            }

            foreach (var word in Timed(cue, end))
            {
                words.Add(word);
                speakers.Add(ids[cue.Voice ?? ""].Id);
            }
        }

        var passages = PassageBuilder.Build(words, speakers, new HashSet<int>(), w => w.OpensCaption);
        var transcript = new Transcript("en", words.Max(w => w.EndMs), ids.Values.ToList(), passages, []);
        return new BroughtText(transcript, HasTimes: true, problems.Take(MostProblems).ToList());
    }

    /// <summary>Where the captions have no voices but names before what is said, a name holds until the next.</summary>
    private static List<Cue> Named(List<Cue> cues)
    {
        var names = cues.Exists(c => c.Voice is not null) ? TurnNames.None : TurnNames.In(cues.ConvertAll(c => string.Join(' ', c.Words.Select(w => w.Text))));
        if (names.IsEmpty)
        {
            return cues;
        }

        string? voice = null;
        return cues.SelectMany(c => CueText.Named(c, names)).Select(c => c with { Voice = voice = c.Voice ?? voice }).ToList();
    }

    /// <summary>Words with times of their own begin there; those between share what is left.</summary>
    private static IEnumerable<Word> Timed(Cue cue, int endMs)
    {
        var starts = cue.Words.Select((w, i) => (Index: i, At: w.AtMs)).Where(w => w.Index > 0 && w.At is not null).ToList();
        var (first, from) = (0, cue.StartMs);
        foreach (var (index, at) in starts.Append((cue.Words.Count, null)))
        {
            var to = Math.Clamp(at ?? endMs, from, Math.Max(from, endMs));
            foreach (var word in WordFit.Share(cue.Words.Skip(first).Take(index - first).Select(w => w.Text).ToList(), from, to, opensCaption: first == 0))
            {
                yield return word;
            }

            (first, from) = (index, to);
        }
    }
}
