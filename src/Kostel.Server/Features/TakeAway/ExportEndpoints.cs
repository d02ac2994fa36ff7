using System.Globalization;
using System.Net.Mime;
using System.Text;
using Kostel.Core.Captions;
using Kostel.Core.Lectures;
using Kostel.Core.Marks;
using Kostel.Core.Transcripts;
using Kostel.Core.Transcripts.Reading;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Documents;
using Kostel.Server.Features.Lectures;
using Kostel.Server.Http;
using Kostel.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Kostel.Server.Features.TakeAway;

/// <summary>What a lecture's text is taken away as.</summary>
public enum TakeAwayFormat
{
    Txt,
    Md,
    Srt,
    Vtt,
    Chapters,
    ChaptersJson,
    ChaptersFfmpeg,
    Tsv,
    Json,
    Docx,
    Pdf,
    Marks,
}

/// <summary>What is taken away.</summary>
/// <param name="Format">One of <see cref="TakeAwayFormat"/>.</param>
/// <param name="Speakers">With names; so without a word.</param>
/// <param name="Times">With times.</param>
/// <param name="Links">With the lecture's address at the times.</param>
/// <param name="WithoutFillers">Fillers and false starts left out.</param>
/// <param name="FromMs">Only from here…</param>
/// <param name="ToMs">…to here.</param>
public sealed record TakeAway(string Format, bool? Speakers, bool? Times, bool? Links, bool? WithoutFillers, int? FromMs, int? ToMs)
{
    internal TakeAwayFormat Kind { get; } = Format.All(char.IsAsciiLetter) && Enum.TryParse<TakeAwayFormat>(Format, ignoreCase: true, out var kind)
        ? kind
        : throw new PlainProblemException(StatusCodes.Status400BadRequest, "Kostel does not write this format.");

    internal bool HasSpeakers => Speakers ?? true;

    internal bool HasTimes => Times ?? false;
}

/// <summary>A lecture's text as a file.</summary>
internal static class ExportEndpoints
{
    public static void MapExports(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/lectures/{id}/export", Export).WithName("exportLecture");
        app.MapGet("/api/lectures/{id}/captions", Captions).WithName("getCaptions");
    }

    private static async Task<FileContentHttpResult> Export(
        string id, [AsParameters] TakeAway wanted, HttpRequest request, KostelContext context, Asker asker, LibraryFolder library, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        var name = FileName(lecture, wanted);
        if (wanted.Kind == TakeAwayFormat.Marks)
        {
            return Text(MarkTable.Write(await context.Marks(id, asker.PersonId, cancel)), "text/tab-separated-values", name);
        }

        var transcript = Part(await context.Transcript(lecture, cancel), wanted);
        if (transcript.Passages.Count == 0)
        {
            throw new PlainProblemException(StatusCodes.Status422UnprocessableEntity, "There are no words to take away yet.");
        }

        if (wanted is { Kind: TakeAwayFormat.Json, FromMs: null, ToMs: null, WithoutFillers: not true })
        {
            var folder = library.LectureFolder(id);
            var things = await context.Things(lecture, asker.PersonId, name => PictureFiles.PathOf(folder, name) is var path && File.Exists(path) ? File.ReadAllBytes(path) : null, cancel);
            return Text(LectureFormat.Write(new KeptLecture(transcript, things)), TypeOf(wanted.Kind), name);
        }

        var link = wanted.Links == true ? $"{request.Scheme}://{request.Host}/lecture/{id}" : null;
        var options = new TextOptions(wanted.HasSpeakers, wanted.HasTimes, lecture.Title, link, FactsOf(lecture));
        return wanted.Kind switch
        {
            TakeAwayFormat.Docx => Document(DocxTranscript.Write, "application/vnd.openxmlformats-officedocument.wordprocessingml.document"),
            TakeAwayFormat.Pdf => Document(PdfTranscript.Write, MediaTypeNames.Application.Pdf),
            _ => Text(TranscriptFiles.Write(transcript, Enum.Parse<TextFormat>(wanted.Kind.ToString()), options), TypeOf(wanted.Kind), name),
        };

        FileContentHttpResult Document(Action<Stream, Transcript, TextOptions> write, string type)
        {
            using var memory = new MemoryStream();
            write(memory, transcript, options);
            return TypedResults.File(memory.ToArray(), type, name);
        }
    }

    /// <summary>The captions as the player shows them.</summary>
    private static async Task<ContentHttpResult> Captions(string id, KostelContext context, CancellationToken cancel) =>
        TypedResults.Content(WebVtt.Write(await context.Transcript(await context.FindLecture(id, cancel), cancel)), "text/vtt; charset=utf-8");

    private static Transcript Part(Transcript transcript, TakeAway wanted)
    {
        var part = wanted.FromMs is null && wanted.ToMs is null ? transcript : transcript.Between(wanted.FromMs ?? 0, wanted.ToMs ?? int.MaxValue);
        return wanted.WithoutFillers == true ? Disfluencies.Without(part) : part;
    }

    private static FileContentHttpResult Text(string text, string type, string name) =>
        TypedResults.File(Encoding.UTF8.GetBytes(text), $"{type}; charset=utf-8", name);

    private static string TypeOf(TakeAwayFormat format) => format switch
    {
        TakeAwayFormat.Md => "text/markdown",
        TakeAwayFormat.Vtt or TakeAwayFormat.Chapters => "text/vtt",
        TakeAwayFormat.Srt => "application/x-subrip",
        TakeAwayFormat.Tsv => "text/tab-separated-values",
        TakeAwayFormat.Json or TakeAwayFormat.ChaptersJson => MediaTypeNames.Application.Json,
        _ => MediaTypeNames.Text.Plain,
    };

    private static string FileName(LectureRow lecture, TakeAway wanted)
    {
        var ending = wanted.Kind switch
        {
            TakeAwayFormat.Chapters => "chapters.vtt",
            TakeAwayFormat.ChaptersJson => "chapters.json",
            TakeAwayFormat.ChaptersFfmpeg => "chapters.txt",
            TakeAwayFormat.Marks => "marks.tsv",
            var format => format.ToString().ToLowerInvariant(),
        };
        return $"{FileNames.Of(lecture.Title)}.{ending}";
    }

    private static string FactsOf(LectureRow lecture) => string.Join(" · ", new[]
    {
        lecture.Course?.Title,
        lecture.HeldOn?.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
        $"{Math.Max(1, (int)Math.Round(lecture.DurationMs / 60_000.0))} min",
    }.Where(f => f is not null));
}
