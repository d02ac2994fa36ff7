using System.Text;
using System.Text.Json;
using Kostel.Core.Answers.Written;
using Kostel.Core.Problems;
using Kostel.Core.Services;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Features.Writing;
using Kostel.Server.Http;
using Kostel.Speech;
using Kostel.Writing;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Ask;

/// <summary>A wish for a written answer.</summary>
/// <param name="Instructions">The name of the instructions; null for none.</param>
/// <param name="AllowsOutside">Whether it may add what it knows from elsewhere.</param>
/// <param name="WasShown">The person saw what is sent.</param>
/// <param name="ShowsFirst">Whether they want to see it each time; null leaves it.</param>
public sealed record WrittenWish(string? Instructions = null, bool AllowsOutside = false, bool WasShown = false, bool? ShowsFirst = null);

/// <summary>What would be sent to a model.</summary>
/// <param name="Text">All of it.</param>
/// <param name="MustShow">Whether the person must see it before it is sent.</param>
public sealed record WritingPreview(string Text, int WordCount, string Host, bool IsHere, bool MustShow);

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
        var (row, writer) = (await Find(question, context, asker, cancel), await Writer(context, writers, cancel));
        var request = await passages.Request(row, await Instructions(wish, context, cancel), wish.AllowsOutside, asker.PersonId, cancel);
        var text = $"{WritingPrompt.Rules(request)}\n\n{WritingPrompt.Passages(request)}";
        return TypedResults.Ok(new WritingPreview(text, text.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries).Length, writer.Place.Base.Host, writer.Place.IsHere, writer.MustShow));
    }

    private static async Task Write(
        int question, WrittenWish wish, HttpContext http, KostelContext context, WriterStore writers, WritingPassages passages, ThreadViews views, WordKnowledgeFiles words, ServerSettings settings, Asker asker, TimeProvider time,
        CancellationToken cancel)
    {
        var (row, writer) = (await Find(question, context, asker, cancel), await Writer(context, writers, cancel));
        if (writer.MustShow && !wish.WasShown)
        {
            throw new PlainProblemException(StatusCodes.Status409Conflict, "Look first at what is sent.");
        }

        var request = await passages.Request(row, await Instructions(wish, context, cancel), wish.AllowsOutside, asker.PersonId, cancel);
        await writers.Keep(context, writer with { WasShown = true, ShowsFirst = wish.ShowsFirst ?? writer.ShowsFirst }, cancel);
        http.Response.ContentType = "application/x-ndjson";
        await Send(http, await Written(row, wish, request, writer.Place, settings.WriterPatience, http, context, views, words, time, cancel), cancel);
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
                await Send(http, new WrittenPiece(piece), cancel);
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

    private static async Task Send(HttpContext http, WrittenPiece piece, CancellationToken cancel)
    {
        await http.Response.WriteAsync(JsonSerializer.Serialize(piece, http.RequestServices.GetRequiredService<Microsoft.Extensions.Options.IOptions<Microsoft.AspNetCore.Http.Json.JsonOptions>>().Value.SerializerOptions) + "\n", cancel);
        await http.Response.Body.FlushAsync(cancel);
    }

    private static async Task<NoContent> Remove(int question, KostelContext context, Asker asker, CancellationToken cancel)
    {
        (await Find(question, context, asker, cancel)).Written = null;
        await context.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<QuestionRow> Find(int question, KostelContext context, Asker asker, CancellationToken cancel) =>
        await context.Questions.FirstOrDefaultAsync(q => q.Id == question && q.OwnerId == asker.PersonId && q.DeletedAt == null, cancel) ?? throw PlainProblemException.NotThere("question");

    private static async Task<WriterSettings> Writer(KostelContext context, WriterStore writers, CancellationToken cancel) =>
        await writers.Read(context, cancel) is { IsOn: true } writer ? writer : throw new NotValidException("No model of your own is switched on. Enter one in the settings.");

    private static async Task<string?> Instructions(WrittenWish wish, KostelContext context, CancellationToken cancel) => wish.Instructions is not { } name
        ? null
        : (await WriterStore.Instructions(context, cancel)).FirstOrDefault(i => i.Name == name)?.Text ?? throw PlainProblemException.NotThere("instructions");
}
