using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Serialization;

namespace Kostel.Core.Transcripts;

/// <summary>Kostel's transcript file: JSON, times in seconds with three decimals. Described in docs/formats.md.</summary>
public static class TranscriptFormat
{
    private const string Name = "kostel-transcript";
    private const int Version = 1;

    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web)
    {
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
        WriteIndented = true,
        IndentSize = 1,
        DefaultIgnoreCondition = JsonIgnoreCondition.Never,
    };

    /// <summary>Writes a transcript.</summary>
    public static string Write(Transcript transcript) => JsonSerializer.Serialize(
        new FileShape(
            Name,
            Version,
            transcript.Language,
            Seconds(transcript.DurationMs),
            transcript.Speakers.Select(s => new SpeakerShape(s.Id, s.Name)).ToList(),
            transcript.Passages.Select(p => new PassageShape(
                p.Id, p.SpeakerId, Seconds(p.StartMs), Seconds(p.EndMs), p.Text,
                p.Words.Select(w => new WordShape(w.Text, Seconds(w.StartMs), Seconds(w.EndMs), (decimal)Math.Round(w.Confidence, 3))).ToList())).ToList(),
            transcript.Chapters.Select(c => new ChapterShape(c.Title, Seconds(c.StartMs), Seconds(c.EndMs))).ToList()),
        Options) + "\n";

    /// <summary>Reads a transcript.</summary>
    /// <exception cref="FormatException">It is no such file; the message names line, column and what was expected.</exception>
    public static Transcript Read(string json)
    {
        try
        {
            var file = JsonSerializer.Deserialize<FileShape>(json, Options);
            if (file?.Format != Name || file.Passages is null)
            {
                throw new FormatException($"Line 1, column 1: expected a file whose \"format\" is \"{Name}\".");
            }

            if (file.Version > Version)
            {
                throw new FormatException($"The file is of version {file.Version}; this Kostel reads up to version {Version}.");
            }

            return new Transcript(
                file.Language ?? "en",
                Ms(file.Duration),
                (file.Speakers ?? []).Select(s => new Speaker(s.Id, s.Name)).ToList(),
                file.Passages.Select(p => new Passage(
                    p.Id, p.Speaker, Ms(p.Start), Ms(p.End),
                    p.Words.Select(w => new Word(w.Text, Ms(w.Start), Ms(w.End), (double)w.Confidence)).ToList())).ToList(),
                (file.Chapters ?? []).Select(c => new Chapter(c.Title, Ms(c.Start), Ms(c.End))).ToList());
        }
        catch (JsonException e)
        {
            throw new FormatException($"Line {e.LineNumber + 1}, column {e.BytePositionInLine + 1}: {e.Message}", e);
        }
    }

    /// <summary>Always with three decimals: 1.5 s is written 1.500.</summary>
    private static decimal Seconds(int ms) => new(Math.Abs(ms), 0, 0, ms < 0, 3);

    private static int Ms(decimal seconds) => (int)Math.Round(seconds * 1000);

    private sealed record FileShape(
        string Format, int Version, string? Language, decimal Duration,
        List<SpeakerShape>? Speakers, List<PassageShape> Passages, List<ChapterShape>? Chapters);

    private sealed record SpeakerShape(string Id, string Name);

    private sealed record PassageShape(string Id, string Speaker, decimal Start, decimal End, string Text, List<WordShape> Words);

    private sealed record WordShape(string Text, decimal Start, decimal End, decimal Confidence);

    private sealed record ChapterShape(string Title, decimal Start, decimal End);
}
