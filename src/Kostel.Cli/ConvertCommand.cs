using System.CommandLine;
using System.Text;
using Kostel.Core.Captions;
using Kostel.Core.Lectures;
using Kostel.Core.Transcripts;
using Kostel.Documents;

namespace Kostel.Cli;

/// <summary><c>convert IN --to FORMAT [--out FILE] [--times] [--no-speakers] [--from M:SS] [--until M:SS] [--title TEXT]</c></summary>
internal static class ConvertCommand
{
    private static readonly string[] Formats = ["txt", "md", "srt", "vtt", "chapters", "chaptersJson", "chaptersFfmpeg", "tsv", "json", "docx", "pdf"];

    public static Command Create()
    {
        var file = new Argument<FileInfo>("IN") { Description = $"The text of a lecture: {string.Join(", ", TranscriptFiles.Endings)}." };
        var to = new Option<string>("--to") { Description = string.Join(", ", Formats) + ".", Required = true };
        to.AcceptOnlyFromAmong(Formats);
        var output = new Option<FileInfo?>("--out") { Description = "Write here instead of to standard output." };
        var times = new Option<bool>("--times") { Description = "With times, in text and documents." };
        var noSpeakers = new Option<bool>("--no-speakers") { Description = "Without names." };
        var from = new Option<string?>("--from") { Description = "Only what is said from here: m:ss or h:mm:ss." };
        var until = new Option<string?>("--until") { Description = "…until here." };
        var title = new Option<string?>("--title") { Description = "The title of a document; the file's name without." };
        var command = new Command("convert", "Writes the text of a lecture in another form.") { file, to, output, times, noSpeakers, from, until, title };
        command.SetAction(async (parsed, cancel) =>
        {
            var source = parsed.GetRequiredValue(file);
            Output.Check(parsed.GetValue(output));
            var brought = await TextFile.Read(source, cancel);
            foreach (var problem in brought.Problems.Concat(brought.HasTimes ? [] : ["This text has no times; they are estimated at the pace of talk."]))
            {
                await Console.Error.WriteLineAsync(problem);
            }

            var transcript = Part(brought.Transcript, At(parsed.GetValue(from), "--from"), At(parsed.GetValue(until), "--until"));
            var name = parsed.GetValue(title) ?? brought.Title ?? Path.GetFileNameWithoutExtension(source.Name);
            var bytes = ReferenceEquals(transcript, brought.Transcript) && await Whole(source, parsed.GetRequiredValue(to), transcript, cancel) is { } whole
                ? Encoding.UTF8.GetBytes(whole)
                : Write(transcript, parsed.GetRequiredValue(to), !parsed.GetValue(noSpeakers), parsed.GetValue(times), name);
            if (parsed.GetValue(output) is { } target)
            {
                await File.WriteAllBytesAsync(target.FullName, bytes, cancel);
                return;
            }

            await using var standard = Console.OpenStandardOutput();
            await standard.WriteAsync(bytes, cancel);
        });
        return command;
    }

    /// <summary>From Kostel's own file to the same nothing is lost that belongs to the lecture besides its words.</summary>
    private static async Task<string?> Whole(FileInfo source, string to, Transcript transcript, CancellationToken cancel) =>
        to == "json" && source.Extension.Equals(".json", StringComparison.OrdinalIgnoreCase)
        && LectureFormat.ReadThings(TextBytes.Read(await File.ReadAllBytesAsync(source.FullName, cancel))) is { } things
            ? LectureFormat.Write(new KeptLecture(transcript, things))
            : null;

    private static byte[] Write(Transcript transcript, string format, bool speakers, bool times, string title)
    {
        var options = new TextOptions(speakers, times, title);
        if (format is not ("docx" or "pdf"))
        {
            return Encoding.UTF8.GetBytes(TranscriptFiles.Write(transcript, Enum.Parse<TextFormat>(format, ignoreCase: true), options));
        }

        using var memory = new MemoryStream();
        Action<Stream, Transcript, TextOptions> write = format == "pdf" ? PdfTranscript.Write : DocxTranscript.Write;
        write(memory, transcript, options);
        return memory.ToArray();
    }

    private static Transcript Part(Transcript t, int? fromMs, int? untilMs)
    {
        var part = fromMs is null && untilMs is null ? t : t.Between(fromMs ?? 0, untilMs ?? int.MaxValue);
        return part.Passages.Count > 0 ? part : throw new FormatException("Nothing is said between these times.");
    }

    private static int? At(string? time, string option) => time is null
        ? null
        : CaptionClock.Read(time) ?? throw new FormatException($"{option} takes a time such as 1:30 or 1:02:30.");
}
