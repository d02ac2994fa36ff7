using System.Text;
using Kostel.Core.Answers.Written;
using Kostel.Core.Services;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Features.Writing;
using Kostel.Server.Http;
using Kostel.Speech;
using Kostel.Writing;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Ask;

/// <summary>A wish for a written answer.</summary>
/// <param name="Instructions">The name of the instructions; null for none.</param>
/// <param name="AllowsOutside">Whether it may add what it knows from elsewhere.</param>
/// <param name="WasShown">The person saw what is sent.</param>
/// <param name="ShowsFirst">Whether they want to see it each time; null leaves it.</param>
public sealed record WrittenWish(string? Instructions = null, bool AllowsOutside = false, bool WasShown = false, bool? ShowsFirst = null);

/// <summary>A written answer as it comes: pieces of text, and last the whole or why there is none.</summary>
/// <param name="Text">The next piece.</param>
/// <param name="Written">The whole, compared with its passages.</param>
/// <param name="Problem">Why there is none, in a line.</param>
public sealed record WrittenPiece(string? Text = null, WrittenView? Written = null, string? Problem = null);

/// <summary>Answers that a model of the person's own writes from the found passages.</summary>
internal static class WrittenEndpoints
{
    public static void MapWritten(this IEndpointRouteBuilder app)
    {
        app.MapPost("/api/questions/{question:int}/written/preview", Preview).WithName("previewWriting");
        app.MapPost("/api/questions/{question:int}/written", Write).WithName("writeAnswer").Produces<WrittenPiece>(StatusCodes.Status200OK, "application/x-ndjson");
        app.MapDelete("/api/questions/{question:int}/written", Remove).WithName("removeWriting");
    }

    private static async Task<Ok<WritingPreview>> Preview(int question, WrittenWish wish, KostelContext context, WriterStore writers, WritingPassages passages, Asker asker, CancellationToken cancel)
    {
        var (row, writer) = (await Find(question, context, asker, cancel), await writers.WhoIsOn(context, cancel));
        var request = await passages.Request(row, await context.InstructionsOf(wish.Instructions, cancel), wish.AllowsOutside, asker.PersonId, cancel);
        return TypedResults.Ok(writer.Preview($"{WritingPrompt.Rules(request)}\n\n{WritingPrompt.Passages(request)}"));
    }

    private static async Task Write(
        int question, WrittenWish wish, HttpContext http, KostelContext context, WriterStore writers, WritingPassages passages, ThreadViews views, WordKnowledgeFiles words, ServerSettings settings, Asker asker, TimeProvider time,
        CancellationToken cancel)
    {
        var (row, writer) = (await Find(question, context, asker, cancel), await writers.WhoIsOn(context, cancel));
        var request = await passages.Request(row, await context.InstructionsOf(wish.Instructions, cancel), wish.AllowsOutside, asker.PersonId, cancel);
        await writers.Show(context, writer, wish.WasShown, wish.ShowsFirst, cancel);
        http.Response.ContentType = "application/x-ndjson";
        await http.Send(await Written(row, wish, request, writer.Place, settings.WriterPatience, http, context, views, words, time, cancel), cancel);
    }

    private static async Task<WrittenPiece> Written(
        QuestionRow row, WrittenWish wish, WritingRequest request, ServiceAddress place, TimeSpan patience, HttpContext http, KostelContext context, ThreadViews views, WordKnowledgeFiles words, TimeProvider time, CancellationToken cancel)
    {
        try
        {
            var text = new StringBuilder();
            using var client = new WritingClient(place, patience);
            await foreach (var piece in client.Write(request, cancel))
            {
                text.Append(piece);
                await http.Send(new WrittenPiece(piece), cancel);
            }

            var sentences = WrittenAnswer.Check(text.ToString(), request, words.Value);
            row.Written = new WrittenAnswer(place.Base.Host, place.Model, time.GetUtcNow().UtcDateTime, wish.Instructions, sentences, request.Passages.Select(p => p.Source).ToList());
            await context.SaveChangesAsync(cancel);
            return new WrittenPiece(Written: (await views.Of(row, cancel)).Written);
        }
        catch (ServiceProblemException e)
        {
            return new WrittenPiece(Problem: e.Message);
        }
        catch (FormatException e)
        {
            return new WrittenPiece(Problem: e.Message);
        }
        catch (DbUpdateException)
        {
            return new WrittenPiece(Problem: "The question was deleted in the meantime.");
        }
    }

    private static async Task<NoContent> Remove(int question, KostelContext context, Asker asker, CancellationToken cancel)
    {
        (await Find(question, context, asker, cancel)).Written = null;
        await context.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<QuestionRow> Find(int question, KostelContext context, Asker asker, CancellationToken cancel) =>
        await context.Questions.FirstOrDefaultAsync(q => q.Id == question && q.OwnerId == asker.PersonId && q.DeletedAt == null, cancel) ?? throw PlainProblemException.NotThere("question");
}
