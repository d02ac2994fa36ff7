using Kostel.Core.Entries;
using Kostel.Core.Problems;
using Kostel.Core.Review;
using Kostel.Core.Study.Made;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Features.Settings;
using Kostel.Server.Http;
using Kostel.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Review;

/// <summary>A card with where it comes from.</summary>
/// <param name="Version">The wording that a change refers to.</param>
/// <param name="MemoryVersion">The state that a grade refers to.</param>
/// <param name="HasPicture">Whether a picture is shown with what it asks.</param>
public sealed record CardView(
    int Id, string LectureId, string LectureTitle, string? Course, string Front, string Back, EvidenceView Source, DateTime DueAt, bool IsNew, int Version, int MemoryVersion, bool HasPicture)
{
    /// <summary>The view of a card.</summary>
    internal static CardView Of(CardRow card, CardMemoryRow memory, LectureRow lecture, EvidenceViews evidence) => new(
        card.Id, lecture.Id, lecture.Title, lecture.Course?.Title, card.Content.Front, card.Content.Back, evidence.Of(card.Source), memory.DueAt, memory.Stability is null, card.Version, memory.Version, card.Content.PictureFile is not null);
}

/// <summary>Another wording of a card. <paramref name="Version"/> is the one that it was made on.</summary>
public sealed record CardChange(string Front, string Back, int Version);

/// <summary>How a card was recalled. <paramref name="MemoryVersion"/> is the state that was graded.</summary>
public sealed record NewReview(RecallGrade Grade, int MemoryVersion);

/// <summary>The state that a card is in while its grade is taken back.</summary>
public sealed record CardVersion(int MemoryVersion);

/// <summary>When the card comes back.</summary>
/// <param name="InDays">0 for soon, in the same sitting.</param>
/// <param name="MemoryVersion">The card's state from now on.</param>
public sealed record ReviewResult(DateTime DueAt, int InDays, int MemoryVersion);

internal static class ReviewEndpoints
{
    private const int MostAtOnce = 200;

    public static void MapReview(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/review", Due).WithName("getDueCards");
        app.MapPut("/api/cards/{cardId:int}", Change).WithName("changeCard");
        app.MapGet("/api/cards/{cardId:int}/picture", Picture).WithName("getCardPicture");
        app.MapPost("/api/cards/{cardId:int}/reviews", Grade).WithName("reviewCard");
        app.MapPost("/api/cards/{cardId:int}/reviews/undo", TakeBack).WithName("takeReviewBack");
    }

    private static async Task<Ok<List<CardView>>> Due(string? lecture, KostelContext context, Asker asker, TimeProvider time, CancellationToken cancel)
    {
        var (me, now) = (asker.PersonId, time.GetUtcNow().UtcDateTime);
        var due = await context.CardMemories.AsNoTracking().Where(m => m.OwnerId == me && m.DueAt <= now)
            .Join(context.Cards, m => m.CardId, c => c.Id, (Memory, Card) => new { Memory, Card })
            .Join(context.Lectures.Include(l => l.Course), x => x.Card.LectureId, l => l.Id, (x, Lecture) => new { x.Memory, x.Card, Lecture })
            .Where(x => x.Lecture.DeletedAt == null && (lecture == null || x.Lecture.Id == lecture))
            .OrderBy(x => x.Memory.DueAt).ThenBy(x => x.Card.Id)
            .Take(MostAtOnce)
            .ToListAsync(cancel);
        var evidence = new Dictionary<string, EvidenceViews>();
        foreach (var row in due.Select(x => x.Lecture).DistinctBy(l => l.Id))
        {
            evidence[row.Id] = new EvidenceViews(row.Id, await context.Transcript(row, cancel));
        }

        return TypedResults.Ok(due.ConvertAll(x => CardView.Of(x.Card, x.Memory, x.Lecture, evidence[x.Lecture.Id])));
    }

    private static async Task<PhysicalFileHttpResult> Picture(int cardId, KostelContext context, LibraryFolder library, CancellationToken cancel)
    {
        var card = await context.Cards.AsNoTracking().FirstOrDefaultAsync(c => c.Id == cardId, cancel) ?? throw PlainProblemException.NotThere("card");
        return PictureFiles.Give(library, card.LectureId, card.Content.PictureFile);
    }

    /// <summary>Corrects the wording of a card; its reviews stay.</summary>
    private static async Task<NoContent> Change(int cardId, CardChange change, KostelContext context, LectureEditing editing, CancellationToken cancel)
    {
        var card = await context.Cards.AsNoTracking().FirstOrDefaultAsync(c => c.Id == cardId, cancel) ?? throw PlainProblemException.NotThere("card");
        if (card.Version != change.Version)
        {
            throw PlainProblemException.ChangedElsewhere("card");
        }

        var wording = new MadeChange(
            MadeThing.KeyOf("card", cardId),
            [card.Content.Front, card.Content.Back, card.Source.Quote],
            [EntryRules.CardSide.Read(change.Front), EntryRules.CardSide.Read(change.Back), card.Source.Quote]);
        await editing.Apply(card.LectureId, wording, "the wording of a card", cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Ok<ReviewResult>> Grade(int cardId, NewReview review, KostelContext context, Asker asker, TimeProvider time, CancellationToken cancel)
    {
        var row = await Find(context, asker, cardId, review.MemoryVersion, cancel);
        var now = time.GetUtcNow().UtcDateTime;
        var before = row.State;
        var memory = row is { Stability: { } stability, Difficulty: { } difficulty } ? new Memory(stability, difficulty) : (Memory?)null;
        var days = await context.Days(asker.PersonId, time, cancel);
        var (after, inDays) = CardSchedule.After(new ScheduledCard(memory, row.ReviewedAt, row.DueAt), review.Grade, now, days);
        var (stabler, harder) = (after.Memory!.Value.Stability, after.Memory.Value.Difficulty);
        (row.State, row.Version) = (new CardState(stabler, harder, after.DueAt, now), row.Version + 1);
        context.Reviews.Add(new ReviewRow
        {
            CardId = cardId,
            OwnerId = asker.PersonId,
            Grade = review.Grade,
            At = now,
            Stability = stabler,
            Difficulty = harder,
            Before = before,
        });
        await context.SaveChangesAsync(cancel);
        return TypedResults.Ok(new ReviewResult(row.DueAt, inDays, row.Version));
    }

    /// <summary>Takes a card's last grade back: it stands as it stood before, and the review never was.</summary>
    private static async Task<Ok<ReviewResult>> TakeBack(int cardId, CardVersion wanted, KostelContext context, Asker asker, TimeProvider time, CancellationToken cancel)
    {
        var row = await Find(context, asker, cardId, wanted.MemoryVersion, cancel);
        var me = asker.PersonId;
        var last = await context.Reviews.Where(r => r.CardId == cardId && r.OwnerId == me).OrderByDescending(r => r.Id).FirstOrDefaultAsync(cancel);
        if (last?.Before is not { } before)
        {
            throw new PlainProblemException(StatusCodes.Status422UnprocessableEntity, "There is no grade to take back.", ProblemCodes.NothingToDo);
        }

        (row.State, row.Version) = (before, row.Version + 1);
        context.Reviews.Remove(last);
        await context.SaveChangesAsync(cancel);
        var days = await context.Days(me, time, cancel);
        return TypedResults.Ok(new ReviewResult(row.DueAt, days.Between(time.GetUtcNow().UtcDateTime, row.DueAt), row.Version));
    }

    private static async Task<CardMemoryRow> Find(KostelContext context, Asker asker, int cardId, int version, CancellationToken cancel)
    {
        var row = await context.CardMemories.FirstOrDefaultAsync(m => m.CardId == cardId && m.OwnerId == asker.PersonId, cancel)
            ?? throw PlainProblemException.NotThere("card");
        return row.Version == version ? row : throw PlainProblemException.ChangedElsewhere("card");
    }
}
