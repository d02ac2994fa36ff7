using System.Text;
using Kostel.Core.Problems;
using Kostel.Core.Services;
using Kostel.Core.Speech.Languages;
using Kostel.Core.Study.Sheets;
using Kostel.Core.Study.Written;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Features.Writing;
using Kostel.Server.Http;
using Kostel.Server.Shared;
using Kostel.Speech;
using Kostel.Writing;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Kostel.Server.Features.Sheets;

/// <summary>A wish for a sheet that a model of the person's own writes.</summary>
/// <param name="Words">About how many words.</param>
/// <param name="Instructions">The name of the instructions; null for none.</param>
/// <param name="Chapter">Where the chapter begins that it is to be of; null for all.</param>
/// <param name="OfMarks">Only of what the person marked.</param>
/// <param name="WasShown">The person saw what is sent.</param>
/// <param name="ShowsFirst">Whether they want to see it each time; null leaves it.</param>
/// <param name="Subject">Only where this is spoken of; null for anything.</param>
public sealed record WrittenSheetWish(
    WrittenForm Form, int Words, ReadingLevel Level = ReadingLevel.AsSaid, string? Instructions = null, int? Chapter = null, bool OfMarks = false, bool WasShown = false, bool? ShowsFirst = null, string? Subject = null);

/// <summary>A sheet as it is written: pieces of text with how far it is, and last the sheet or why there is none.</summary>
/// <param name="Part">The part that is written now, from 1.</param>
/// <param name="Parts">How many there are.</param>
/// <param name="Text">The next piece.</param>
/// <param name="Sheet">The whole, with what was left out.</param>
/// <param name="Problem">Why there is none, in a line.</param>
public sealed record WrittenSheetPiece(int Part = 0, int Parts = 0, string? Text = null, SheetView? Sheet = null, string? Problem = null);

/// <summary>Sheets that a model of the person's own writes, chapter by chapter; only what the lecture bears out stands on them.</summary>
internal static class WrittenSheetEndpoints
{
    private const int TokensOfWord = 3, FewestTokens = 300;

    public static void MapWrittenSheets(this IEndpointRouteBuilder app)
    {
        app.MapPost("/api/lectures/{id}/sheets/written/preview", Preview).WithName("previewWrittenSheet");
        app.MapPost("/api/lectures/{id}/sheets/written", Write).WithName("writeSheet").Produces<WrittenSheetPiece>(StatusCodes.Status200OK, "application/x-ndjson");
    }

    /// <summary>What is to be written, and of what.</summary>
    private sealed record Job(LectureRow Lecture, StudyWish Wish, IReadOnlyList<WritingPart> Parts, string Language)
    {
        public string Rules(WritingPart part) => StudyPrompt.Rules(Wish, StudyPrompt.Share(Wish, part, Parts), Language);
    }

    private static async Task<Ok<WritingPreview>> Preview(string id, WrittenSheetWish wish, KostelContext context, WriterStore writers, WordKnowledgeFiles words, Asker asker, CancellationToken cancel)
    {
        var (job, writer) = (await JobOf(id, wish, context, words, asker, cancel), await writers.WhoIsOn(context, cancel));
        return TypedResults.Ok(writer.Preview(string.Join("\n\n", job.Parts.Select(p => $"{job.Rules(p)}\n\n{StudyPrompt.Passages(p)}".TrimEnd()))));
    }

    private static async Task Write(
        string id, WrittenSheetWish wish, HttpContext http, KostelContext context, WriterStore writers, WordKnowledgeFiles words, ServerSettings settings, Asker asker, TimeProvider time, CancellationToken cancel)
    {
        var (job, writer) = (await JobOf(id, wish, context, words, asker, cancel), await writers.WhoIsOn(context, cancel));
        await writers.Show(context, writer, wish.WasShown, wish.ShowsFirst, cancel);
        http.Response.ContentType = "application/x-ndjson";
        try
        {
            var (lines, leftOut) = await Written(job, writer.Place, settings.WriterPatience, http, words, cancel);
            var now = time.GetUtcNow().UtcDateTime;
            var writing = new SheetWriting(writer.Place.Base.Host, writer.Place.Model, now, wish.Instructions, leftOut);
            var sheet = new Sheet(StudyReading.Columns(wish.Form), lines, Writing: writing).In(id);
            if (sheet.HasNoLine())
            {
                throw new FormatException("Nothing that the model wrote is borne out by the lecture. No sheet was made.");
            }

            var row = await context.AddSheet(new SheetRow { LectureId = id, OwnerId = asker.PersonId, Form = SheetForm.Own, Name = SheetNames.Of(wish.Form), Content = sheet, Chapter = wish.Chapter, OfMarks = wish.OfMarks, Subject = wish.Subject, MadeAt = now, ChangedAt = now }, cancel);
            await http.Send(new WrittenSheetPiece(job.Parts.Count, job.Parts.Count, Sheet: await context.ViewSheet(row, cancel)), cancel);
        }
        catch (Exception e) when (e is ServiceProblemException or FormatException)
        {
            await http.Send(new WrittenSheetPiece(Problem: e.Message), cancel);
        }
    }

    /// <summary>Part by part, under the headings of the chapters.</summary>
    private static async Task<(List<SheetPart> Parts, List<LineLeftOut> LeftOut)> Written(Job job, ServiceAddress place, TimeSpan patience, HttpContext http, WordKnowledgeFiles words, CancellationToken cancel)
    {
        var (parts, leftOut) = (new List<SheetPart>(), new List<LineLeftOut>());
        using var client = new WritingClient(place, patience);
        foreach (var (i, part) in job.Parts.Index())
        {
            var text = new StringBuilder();
            var most = Math.Max(FewestTokens, TokensOfWord * StudyPrompt.Share(job.Wish, part, job.Parts));
            await foreach (var piece in client.Write(job.Rules(part), StudyPrompt.Passages(part), most, cancel))
            {
                text.Append(piece);
                await http.Send(new WrittenSheetPiece(i + 1, job.Parts.Count, piece), cancel);
            }

            var read = StudyReading.Of(text.ToString(), job.Wish, part, job.Language, words.Value);
            leftOut.AddRange(read.LeftOut.Where(l => !leftOut.Exists(o => o.Text == l.Text)));
            var own = read.Lines.Where(l => !parts.Exists(p => p.Lines.Any(o => o.Cells.SequenceEqual(l.Cells, StringComparer.OrdinalIgnoreCase)))).ToList();
            if (own.Count > 0 && parts.Count > 0 && parts[^1].Heading == part.Heading)
            {
                parts[^1] = parts[^1] with { Lines = [.. parts[^1].Lines, .. own] };
            }
            else if (own.Count > 0)
            {
                parts.Add(new SheetPart(part.Heading, own));
            }
        }

        return (parts, leftOut);
    }

    private static async Task<Job> JobOf(string id, WrittenSheetWish wish, KostelContext context, WordKnowledgeFiles words, Asker asker, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        if (wish.Words is < StudyWish.FewestWords or > StudyWish.MostWords || !Enum.IsDefined(wish.Form) || !Enum.IsDefined(wish.Level))
        {
            throw new NotValidException($"A model writes from {StudyWish.FewestWords} to {StudyWish.MostWords} words.");
        }

        var transcript = await context.Transcript(lecture, cancel);
        var parts = WritingPart.Of(transcript, await new StudyStretch(wish.Chapter, wish.OfMarks, wish.Subject).Of(id, transcript, context, words.Value, asker.PersonId, cancel));
        return parts.Count == 0
            ? throw new NotValidException("There is nothing here that could be sent to a model.")
            : new Job(lecture, new StudyWish(wish.Form, wish.Words, wish.Level, await context.InstructionsOf(wish.Instructions, cancel)), parts, SpokenLanguages.NameOf(transcript.Language));
    }
}
