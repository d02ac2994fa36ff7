using Kostel.Core.Captions;
using Kostel.Core.Chapters;
using Kostel.Core.Problems;
using Kostel.Core.Transcripts;
using Kostel.Core.Transcripts.Edits;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Media;
using Kostel.Server.Features.Lectures;
using Kostel.Server.Http;
using Kostel.Server.Jobs;
using Kostel.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.BringText;

/// <summary>What became of a text that was brought to a lecture.</summary>
/// <param name="Aligned">Whether its words took the times of what was heard.</param>
public sealed record TextBrought(bool Aligned, string? Notice);

/// <summary>Brings a text to a lecture that is there. The text before is kept among the earlier ones.</summary>
internal static class TextEndpoints
{
    private const int LongestName = 100;

    public static void MapTexts(this IEndpointRouteBuilder app)
    {
        app.MapPost("/api/lectures/{id}/text", Bring).ExcludeFromDescription().TakesUpTo(TextFiles.LargestBytes + 1);
        app.MapPost("/api/lectures/{id}/captions/{index:int}", TakeInside).WithName("takeCaptions");
    }

    /// <summary>Takes captions that are inside of the recording's file as the lecture's text.</summary>
    private static async Task<Ok<TextBrought>> TakeInside(
        string id, int index, KostelContext context, ChapterFinder chapters, LibraryFolder library, ProgressBoard board, TimeProvider time, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        var stream = lecture.CaptionStreams?.FirstOrDefault(s => s.Index == index) ?? throw PlainProblemException.NotThere("text");
        return await Install(id, $"captions.{stream.Language ?? lecture.Language}.vtt", await Recording.Captions(library.Original(id), index, cancel), context, chapters, board, time, cancel);
    }

    private static async Task<Ok<TextBrought>> Bring(
        string id, string name, HttpRequest request, KostelContext context, ChapterFinder chapters, LibraryFolder library, ProgressBoard board, TimeProvider time, CancellationToken cancel)
    {
        var text = await TextFiles.ReadAll(request.Body, cancel);
        await LearnLength(id, context, library, cancel);
        return await Install(id, name, text, context, chapters, board, time, cancel);
    }

    private static async Task<Ok<TextBrought>> Install(string id, string name, string text, KostelContext context, ChapterFinder chapters, ProgressBoard board, TimeProvider time, CancellationToken cancel)
    {
        await using var all = await context.Database.BeginTransactionAsync(cancel);
        var lecture = await context.FindLectureAtRest(id, cancel);
        var heard = await context.Transcript(lecture, cancel);
        var now = time.GetUtcNow().UtcDateTime;
        string? notice = null;
        var aligned = false;
        if (ChapterFiles.IsOne(text))
        {
            await context.Commit(lecture, heard, WithChapters(name, text, heard, chapters), [], "chapters brought in", now, cancel);
        }
        else
        {
            var brought = TextFiles.Read(name, text, chapters);
            aligned = !brought.HasTimes && lecture.HasSound;
            var transcript = aligned ? FittedText.Aligned(brought.Transcript, heard)
                : lecture.HasSound ? FittedText.Timed(brought.Transcript, lecture.DurationMs)
                : brought.Transcript;
            notice = TextFiles.Notice(brought, aligned);
            var provenance = new Provenance(lecture.MadeWith, name.Length > LongestName ? name[..LongestName] : name, now);
            await context.InstallTranscript(
                lecture,
                new InstalledTranscript(transcript with { Language = lecture.Language }, notice, provenance) { LanguageIsGuessed = lecture.LanguageIsGuessed },
                cancel);
        }

        await all.CommitAsync(cancel);
        await board.TextChanged(id, lecture.TextVersion);
        return TypedResults.Ok(new TextBrought(aligned, notice));
    }

    /// <summary>The length of a recording is known when its transcription begins. Where none did, the recording is asked; what cannot say stays without one.</summary>
    private static async Task LearnLength(string id, KostelContext context, LibraryFolder library, CancellationToken cancel)
    {
        if (!await context.Lectures.AnyAsync(l => l.Id == id && l.HasSound && l.DurationMs == 0 && l.MadeAt == null, cancel))
        {
            return;
        }

        if (await Recording.TryProbe(library.Original(id), cancel) is { } facts)
        {
            await context.NoteRecording(id, facts.DurationMs, facts.HasPicture, cancel);
        }
    }

    /// <summary>A transcript with the chapters of a file.</summary>
    private static Transcript WithChapters(string name, string text, Transcript transcript, ChapterFinder chapters)
    {
        try
        {
            return FittedText.WithChapters(transcript, text, chapters);
        }
        catch (FormatException e)
        {
            throw new PlainProblemException(StatusCodes.Status422UnprocessableEntity, $"{name} could not be read. {e.Message}");
        }
    }
}
