using Kostel.Core.Review;
using Kostel.Core.Study;
using Kostel.Core.Study.Made;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Features.Edits;
using Kostel.Server.Features.Settings;
using Kostel.Server.Features.Study;
using Kostel.Server.Http;
using Kostel.Server.Jobs;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Review;

/// <summary>A card with where it comes from.</summary>
/// <param name="Version">The state that a grade refers to.</param>
public sealed record CardView(
    int Id, string LectureId, string LectureTitle, string? Course, string Front, string Back, SourceView Source, DateTime DueAt, bool IsNew, int Version)
{
    /// <summary>The view of a card.</summary>
    public static CardView Of(CardRow card, LectureRow lecture, SourceCheck check) => new(
        card.Id, lecture.Id, lecture.Title, lecture.Course?.Title, card.Front, card.Back, SourceView.Of(card.Source, check), card.DueAt, card.Stability is null, card.Version);
}

/// <summary>Another wording of a card. <paramref name="Version"/> is the one that it was made on.</summary>
public sealed record CardChange(string Front, string Back, int Version);

/// <summary>How a card was recalled.</summary>
public sealed record NewReview(RecallGrade Grade, int Version);

/// <summary>The version of a card that a grade is taken back on.</summary>
public sealed record CardVersion(int Version);

/// <summary>When the card comes back.</summary>
/// <param name="InDays">0 for soon, in the same sitting.</param>
/// <param name="Version">The card's state from now on.</param>
public sealed record ReviewResult(DateTime DueAt, int InDays, int Version);

internal static class ReviewEndpoints
{
    private const int MostAtOnce = 200;

    public static void MapReview(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/review", Due).WithName("getDueCards");
        app.MapPut("/api/cards/{cardId:int}", Change).WithName("changeCard");
        app.MapPost("/api/cards/{cardId:int}/reviews", Grade).WithName("reviewCard");
        app.MapPost("/api/cards/{cardId:int}/reviews/undo", TakeBack).WithName("takeReviewBack");
    }

    private static async Task<Ok<List<CardView>>> Due(string? lecture, KostelContext context, TimeProvider time, CancellationToken cancel)
    {
        var now = time.GetUtcNow().UtcDateTime;
        var cards = await context.Cards.AsNoTracking()
            .Join(context.Lectures.Include(l => l.Course), c => c.LectureId, l => l.Id, (Card, Lecture) => new { Card, Lecture })
            .Where(x => x.Card.DueAt <= now && x.Lecture.DeletedAt == null && (lecture == null || x.Lecture.Id == lecture))
            .OrderBy(x => x.Card.DueAt).ThenBy(x => x.Card.Id)
            .Take(MostAtOnce)
            .ToListAsync(cancel);
        var checks = new Dictionary<string, SourceCheck>();
        foreach (var row in cards.Select(x => x.Lecture).DistinctBy(l => l.Id))
        {
            checks[row.Id] = new SourceCheck(await context.Transcript(row, cancel));
        }

        return TypedResults.Ok(cards.Select(x => CardView.Of(x.Card, x.Lecture, checks[x.Lecture.Id])).ToList());
    }

    /// <summary>Corrects the wording of a card; its reviews stay.</summary>
    private static async Task<NoContent> Change(int cardId, CardChange change, KostelContext context, ProgressBoard board, TimeProvider time, CancellationToken cancel)
    {
        const int Longest = 2_000;
        var card = await Find(context.Cards.AsNoTracking(), cardId, change.Version, cancel);
        var (front, back) = (change.Front.Trim(), change.Back.Trim());
        if (front.Length is 0 or > Longest || back.Length is 0 or > Longest)
        {
            throw new PlainProblemException(StatusCodes.Status400BadRequest, $"Both sides of a card have 1 to {Longest} characters.");
        }

        var wording = new MadeChange(MadeThing.KeyOf("card", cardId), [card.Front, card.Back, card.Source.Quote], [front, back, card.Source.Quote]);
        await EditEndpoints.ApplyMade(context, board, card.LectureId, wording, "the wording of a card", time.GetUtcNow().UtcDateTime, cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Ok<ReviewResult>> Grade(int cardId, NewReview review, KostelContext context, TimeProvider time, CancellationToken cancel)
    {
        var card = await Find(context.Cards, cardId, review.Version, cancel);
        var now = time.GetUtcNow().UtcDateTime;
        var before = new CardState(card.Stability, card.Difficulty, card.DueAt, card.ReviewedAt);
        var memory = card is { Stability: { } stability, Difficulty: { } difficulty } ? new Memory(stability, difficulty) : (Memory?)null;
        var (after, days) = CardSchedule.After(new ScheduledCard(memory, card.ReviewedAt, card.DueAt), review.Grade, now, await context.Days(time, cancel));
        (card.Stability, card.Difficulty) = (after.Memory!.Value.Stability, after.Memory.Value.Difficulty);
        (card.DueAt, card.ReviewedAt, card.Version) = (after.DueAt, now, card.Version + 1);
        context.Reviews.Add(new ReviewRow
        {
            CardId = cardId,
            Grade = review.Grade,
            At = now,
            Stability = after.Memory.Value.Stability,
            Difficulty = after.Memory.Value.Difficulty,
            Before = before,
        });
        await context.SaveChangesAsync(cancel);
        return TypedResults.Ok(new ReviewResult(card.DueAt, days, card.Version));
    }

    /// <summary>Takes a card's last grade back: it stands as it stood before, and the review never was.</summary>
    private static async Task<Ok<ReviewResult>> TakeBack(int cardId, CardVersion wanted, KostelContext context, TimeProvider time, CancellationToken cancel)
    {
        var card = await Find(context.Cards, cardId, wanted.Version, cancel);
        var last = await context.Reviews.Where(r => r.CardId == cardId).OrderByDescending(r => r.Id).FirstOrDefaultAsync(cancel);
        if (last?.Before is not { } before)
        {
            throw new PlainProblemException(StatusCodes.Status422UnprocessableEntity, "There is no grade to take back.");
        }

        (card.Stability, card.Difficulty, card.DueAt, card.ReviewedAt) = (before.Stability, before.Difficulty, before.DueAt, before.ReviewedAt);
        card.Version++;
        context.Reviews.Remove(last);
        await context.SaveChangesAsync(cancel);
        return TypedResults.Ok(new ReviewResult(card.DueAt, (await context.Days(time, cancel)).Between(time.GetUtcNow().UtcDateTime, card.DueAt), card.Version));
    }

    private static async Task<CardRow> Find(IQueryable<CardRow> cards, int id, int version, CancellationToken cancel)
    {
        var card = await cards.FirstOrDefaultAsync(c => c.Id == id, cancel) ?? throw PlainProblemException.NotThere("card");
        return card.Version == version ? card : throw PlainProblemException.ChangedElsewhere("card");
    }
}
