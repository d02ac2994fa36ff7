using System.Text;
using Kostel.Core.Study.Cards;
using Kostel.Core.Transcripts;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Documents;
using Kostel.Server.Http;
using Kostel.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Study;

/// <summary>What came of bringing in a list of cards.</summary>
/// <param name="Added">How many are new.</param>
/// <param name="There">How many were there already.</param>
public sealed record BroughtCards(int Added, int There);

/// <summary>Cards as a list, out and in.</summary>
internal static class CardListEndpoints
{
    private const int LargestBytes = 4 << 20;

    public static void MapCardLists(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/lectures/{id}/cards/export", Export).WithName("exportCards");
        app.MapPost("/api/lectures/{id}/cards/list", Bring).WithName("bringCards").ExcludeFromDescription().TakesUpTo(LargestBytes + 1);
    }

    private static async Task<FileContentHttpResult> Export(string id, string format, KostelContext context, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        if (format is not ("csv" or "tsv"))
        {
            throw new PlainProblemException(StatusCodes.Status400BadRequest, "Cards are taken away as csv or tsv.");
        }

        var cards = (await context.Cards.AsNoTracking().Where(c => c.LectureId == id).ToListAsync(cancel)).OrderBy(c => c.Source.StartMs).ThenBy(c => c.Id);
        var text = string.Concat(cards.Select(c => CardTable.Row(format == "csv", c.Content, c.Source) + "\r\n"));
        return TypedResults.File(Encoding.UTF8.GetBytes(text), format == "csv" ? "text/csv; charset=utf-8" : "text/tab-separated-values; charset=utf-8", $"{FileNames.Of(lecture.Title)} cards.{format}");
    }

    /// <summary>Adds the cards of a list that are not there yet. Those that are there keep what was learned of them, and take a new answer to the same question.</summary>
    private static async Task<Ok<BroughtCards>> Bring(string id, HttpRequest request, KostelContext context, TimeProvider time, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        using var memory = new MemoryStream();
        await request.Body.CopyToAsync(memory, cancel);
        if (memory.Length > LargestBytes)
        {
            throw new PlainProblemException(StatusCodes.Status413PayloadTooLarge, $"A list of cards may have up to {LargestBytes >> 20} MB.");
        }

        var listed = CardList.Read(Encoding.UTF8.GetString(memory.ToArray()));
        var sentences = Sentences.Of((await context.Transcript(lecture, cancel)).Passages).ToList();
        await using var all = await context.Database.BeginTransactionAsync(cancel);
        var there = (await context.Cards.Where(c => c.LectureId == id).ToListAsync(cancel)).GroupBy(c => c.Content.Front).ToDictionary(g => g.Key, g => g.First());
        var added = 0;
        foreach (var card in listed.DistinctBy(c => c.Front))
        {
            if (there.TryGetValue(card.Front, out var old))
            {
                if (old.Content.Back != card.Back)
                {
                    (old.Content, old.Version) = (old.Content.Worded(card.Front, card.Back), old.Version + 1);
                }

                continue;
            }

            var row = CardRow.Of(id, CardDraft.Asking(card.Front, card.Back, Place(sentences, card.StartMs)), time.GetUtcNow().UtcDateTime);
            row.SourceKey = $"own-{Guid.NewGuid():N}";
            context.Cards.Add(row);
            added++;
        }

        await context.SaveChangesAsync(cancel);
        await all.CommitAsync(cancel);
        return TypedResults.Ok(new BroughtCards(added, listed.Count - added));
    }

    /// <summary>A list has whole seconds: the sentence may begin within the one that is named.</summary>
    private static Evidence Place(IEnumerable<Sentence> sentences, int? startMs) => startMs is { } at ? Evidence.At(sentences, at - (at % 1_000) + 999) : Evidence.At([], 0);
}
