using System.Text.Encodings.Web;
using System.Text.Json;
using Kostel.Core.Chapters;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Captions;

/// <summary>A text format that a transcript can be taken away in.</summary>
public enum TextFormat
{
    /// <summary>Plain text.</summary>
    Txt,

    /// <summary>Markdown.</summary>
    Md,

    /// <summary>SubRip captions.</summary>
    Srt,

    /// <summary>WebVTT captions.</summary>
    Vtt,

    /// <summary>WebVTT chapters.</summary>
    Chapters,

    /// <summary>Chapters in the JSON form of Podcasting 2.0.</summary>
    ChaptersJson,

    /// <summary>Chapters in FFmpeg's metadata file.</summary>
    ChaptersFfmpeg,

    /// <summary>Tab-separated values.</summary>
    Tsv,

    /// <summary>Kostel's own file: everything.</summary>
    Json,
}

/// <summary>Reads and writes transcripts in every text format.</summary>
public static class TranscriptFiles
{
    /// <summary>Characters that a text may have to be brought in: far more than a day of talk.</summary>
    public const int LongestText = 40_000_000;

    /// <summary>Endings of file names that can be read.</summary>
    public static IReadOnlyList<string> Endings { get; } = [".srt", ".vtt", ".tsv", ".json", ".txt", ".md"];

    private static readonly JsonSerializerOptions Readable = new() { WriteIndented = true, Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };

    /// <summary>Writes a transcript.</summary>
    public static string Write(Transcript transcript, TextFormat format, TextOptions options) => format switch
    {
        TextFormat.Md => PlainText.WriteMarkdown(transcript, options),
        TextFormat.Srt => SubRip.Write(transcript),
        TextFormat.Vtt => WebVtt.Write(transcript),
        TextFormat.Chapters => WebVtt.WriteChapters(transcript),
        TextFormat.ChaptersJson => ChapterFiles.WriteJson(transcript.Chapters).ToJsonString(Readable) + "\n",
        TextFormat.ChaptersFfmpeg => FfMetadata.Write(transcript.Chapters),
        TextFormat.Tsv => TabSeparated.Write(transcript),
        TextFormat.Json => TranscriptFormat.Write(transcript),
        _ => PlainText.Write(transcript, options),
    };

    /// <summary>Reads a text by the ending of its file's name; another ending is taken for plain text. Chapters are found where it brings none.</summary>
    /// <param name="chapters">Finds the chapters of a text that brings none; by the words alone without.</param>
    /// <exception cref="FormatException">Nothing in it can be read; the message names the line and what was expected.</exception>
    public static BroughtText Read(string fileName, string text, ChapterFinder? chapters = null)
    {
        if (text.Length > LongestText)
        {
            throw new FormatException("This file is too long for the text of a lecture.");
        }

        var brought = Path.GetExtension(fileName).ToLowerInvariant() switch
        {
            ".srt" => SubRip.Read(text),
            ".vtt" => WebVtt.Read(text),
            ".tsv" => TabSeparated.Read(text),
            ".json" => new BroughtText(TranscriptFormat.Read(text), HasTimes: true, []),
            _ => PlainText.Read(text),
        };
        return brought with { Transcript = WithChapters(brought.Transcript, chapters) };
    }

    /// <summary>A text that brings no chapters gets those that are found in it.</summary>
    private static Transcript WithChapters(Transcript t, ChapterFinder? chapters) => t.Chapters.Count > 0
        ? t
        : t with { Chapters = (chapters ?? ChapterFinder.ByWords).Find(Sentences.Of(t.Passages), t.DurationMs, null, t.Language) };
}
