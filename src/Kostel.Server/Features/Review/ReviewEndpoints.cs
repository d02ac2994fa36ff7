using Kostel.Core.Review;
using Kostel.Core.Study;
using Kostel.Core.Study.Made;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Features.Edits;
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

/// <summary>When the card comes back.</summary>
public sealed record ReviewResult(DateTime DueAt, int InDays);

internal static class ReviewEndpoints
{
    private const int MostAtOnce = 200;
    private static readonly TimeSpan SoonAgain = TimeSpan.FromMinutes(10);

    public static void MapReview(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/review", Due).WithName("getDueCards");
        app.MapPut("/api/cards/{cardId:int}", Change).WithName("changeCard");
        app.MapPost("/api/cards/{cardId:int}/reviews", Grade).WithName("reviewCard");
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
        var card = await context.Cards.AsNoTracking().FirstOrDefaultAsync(c => c.Id == cardId, cancel) ?? throw PlainProblemException.NotThere("card");
        if (card.Version != change.Version)
        {
            throw PlainProblemException.ChangedElsewhere("card");
        }

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
        var card = await context.Cards.FirstOrDefaultAsync(c => c.Id == cardId, cancel) ?? throw PlainProblemException.NotThere("card");
        if (card.Version != review.Version)
        {
            throw PlainProblemException.ChangedElsewhere("card");
        }

        var now = time.GetUtcNow().UtcDateTime;
        var memory = card is { Stability: { } stability, Difficulty: { } difficulty, ReviewedAt: { } last }
            ? Fsrs.Next(new Memory(stability, difficulty), (int)Math.Max(0, (now.Date - last.Date).TotalDays), review.Grade)
            : Fsrs.First(review.Grade);
        var days = Fsrs.IntervalDays(memory.Stability);
        card.DueAt = review.Grade == RecallGrade.Forgot ? now + SoonAgain : now.Date.AddDays(days);
        (card.Stability, card.Difficulty, card.ReviewedAt, card.Version) = (memory.Stability, memory.Difficulty, now, card.Version + 1);
        context.Reviews.Add(new ReviewRow { CardId = cardId, Grade = review.Grade, At = now, Stability = memory.Stability, Difficulty = memory.Difficulty });
        await context.SaveChangesAsync(cancel);
        return TypedResults.Ok(new ReviewResult(card.DueAt, review.Grade == RecallGrade.Forgot ? 0 : days));
    }
}
