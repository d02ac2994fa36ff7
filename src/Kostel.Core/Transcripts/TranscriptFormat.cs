using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Serialization;

namespace Kostel.Core.Transcripts;

/// <summary>Kostel's transcript file: JSON, times in seconds with three decimals. Described in docs/formats.md.</summary>
public static class TranscriptFormat
{
    private const string Name = "kostel-transcript";
    private const int Version = 1;
    private const int NewestRead = 2;

    /// <summary>The longest recording that a file can speak of.</summary>
    public const int MostSeconds = 360_000;

    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web)
    {
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
        WriteIndented = true,
        IndentSize = 1,
        DefaultIgnoreCondition = JsonIgnoreCondition.Never,
        RespectNullableAnnotations = true,
        RespectRequiredConstructorParameters = true,
    };

    /// <summary>Writes a transcript.</summary>
    public static string Write(Transcript transcript) => JsonSerializer.Serialize(
        new FileShape(
            Name,
            Version,
            transcript.Language,
            Seconds(transcript.DurationMs),
            transcript.Speakers.Select(s => new SpeakerShape(s.Id, s.Name, s.Asks)).ToList(),
            transcript.Passages.Select(p => new PassageShape(
                p.Id, p.SpeakerId, Seconds(p.StartMs), Seconds(p.EndMs), Text: p.Text, Words:
                p.Words.Select(w => new WordShape(w.Text, Seconds(w.StartMs), Seconds(w.EndMs), (decimal)Math.Round(w.Confidence, 3), w.OpensCaption)).ToList())).ToList(),
            transcript.Chapters.Select(c => new ChapterShape(c.Title, Seconds(c.StartMs), Seconds(c.EndMs))).ToList()),
        Options) + "\n";

    /// <summary>Reads a transcript.</summary>
    /// <exception cref="FormatException">It is no such file; the message names line, column and what was expected.</exception>
    public static Transcript Read(string json)
    {
        try
        {
            var file = JsonSerializer.Deserialize<FileShape>(json, Options);
            if (file?.Format != Name)
            {
                throw new FormatException($"Line 1, column 1: expected a file whose \"format\" is \"{Name}\".");
            }

            if (file.Passages is null)
            {
                throw new FormatException("Line 1, column 1: expected a list of \"passages\".");
            }

            if (file.Version > NewestRead)
            {
                throw new FormatException($"The file is of version {file.Version}; this Kostel reads up to version {NewestRead}.");
            }

            return Sound(new Transcript(
                file.Language ?? "en",
                Ms(file.Duration),
                (file.Speakers ?? []).Select(s => new Speaker(s.Id, s.Name, s.Asks)).ToList(),
                file.Passages.Select(p => new Passage(
                    p.Id, p.Speaker, Ms(p.Start), Ms(p.End),
                    p.Words.Select(w => new Word(w.Text, Ms(w.Start), Ms(w.End), (double)w.Confidence, w.Caption)).ToList())).ToList(),
                (file.Chapters ?? []).Select(c => new Chapter(c.Title, Ms(c.Start), Ms(c.End))).ToList()));
        }
        catch (ArgumentException e)
        {
            throw new FormatException("Line 1, column 1: expected text in UTF-8, but there are signs that are none.", e);
        }
        catch (JsonException e)
        {
            // A message of the reader that names our types says nothing to a person.
            var expected = e.Message.Contains(nameof(Kostel), StringComparison.Ordinal) ? $"expected what docs/formats.md describes at {e.Path}." : e.Message;
            throw new FormatException($"Line {e.LineNumber + 1}, column {e.BytePositionInLine + 1}: {expected}", e);
        }
    }

    /// <summary>Always with three decimals: 1.5 s is written 1.500.</summary>
    private static decimal Seconds(int ms) => new(Math.Abs(ms), 0, 0, ms < 0, 3);

    private static int Ms(decimal seconds) => seconds is >= 0 and <= MostSeconds
        ? (int)Math.Round(seconds * 1000)
        : throw new FormatException($"Expected times from 0 to {MostSeconds} seconds, but there is {seconds}.");

    /// <summary>The transcript, if it is one that the rest of the program can trust.</summary>
    private static Transcript Sound(Transcript t)
    {
        var passages = new HashSet<string>();
        var speakers = t.Speakers.Select(s => s.Id).ToHashSet();
        if (speakers.Count != t.Speakers.Count)
        {
            throw new FormatException("Expected speakers with an id of their own each.");
        }

        var last = 0;
        foreach (var p in t.Passages)
        {
            var problem = p.Words.Count == 0 ? "at least one word"
                : !passages.Add(p.Id) ? "an id that no other passage has"
                : !speakers.Contains(p.SpeakerId) ? "a speaker who is in the list of speakers"
                : p.Words.Any(w => w.Text.Length == 0 || w.Text.Any(c => char.IsWhiteSpace(c) || char.IsControl(c))) ? "words without spaces in them"
                : p.Words.Any(w => w.Confidence is < 0 or > 1) ? "a confidence from 0 to 1"
                : p.Words.Any(w => Backward(w)) ? "words in order of time"
                : null;
            if (problem is not null)
            {
                throw new FormatException($"Passage {p.Id}: expected {problem}.");
            }
        }

        return t with
        {
            DurationMs = Math.Max(t.DurationMs, t.Passages.Count == 0 ? 0 : t.Passages.Max(p => p.Words.Max(w => w.EndMs))),
            Passages = t.Passages.Select(p => p with { StartMs = p.Words[0].StartMs, EndMs = Math.Max(p.EndMs, p.Words[^1].EndMs) }).ToList(),
        };

        bool Backward(Word word)
        {
            var isBackward = word.StartMs < last || word.EndMs < word.StartMs;
            last = word.StartMs;
            return isBackward;
        }
    }

    private sealed record FileShape(
        string? Format = null, int Version = 0, string? Language = null, decimal Duration = 0,
        List<SpeakerShape>? Speakers = null, List<PassageShape>? Passages = null, List<ChapterShape>? Chapters = null);

    private sealed record SpeakerShape(
        string Id, string Name, [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)] bool Asks = false);

    private sealed record PassageShape(string Id, string Speaker, decimal Start, decimal End, List<WordShape> Words, string? Text = null);

    private sealed record WordShape(
        string Text, decimal Start, decimal End, decimal Confidence = 1,
        [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)] bool Caption = false);

    private sealed record ChapterShape(string Title, decimal Start, decimal End);
}
