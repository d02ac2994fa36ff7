using Kostel.Core.Entries;
using Kostel.Core.Study.Cards;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Features.Lectures;
using Kostel.Server.Features.Study;
using Kostel.Server.Http;
using Kostel.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Kostel.Server.Features.Sheets;

/// <summary>The cards that are kept of those that were shown of a sheet.</summary>
public sealed record KeptOfSheet(IReadOnlyList<KeptDraft> Kept);

/// <summary>Cards and quizzes of what stands on a sheet of a lecture.</summary>
internal static class SheetCardEndpoints
{
    private const int MostCards = 100;

    public static void MapSheetCards(this IEndpointRouteBuilder app)
    {
        var sheet = app.MapGroup("/api/sheets/{sheet:int}");
        sheet.MapPost("cards/drafts", Look).WithName("lookAtCardsOfSheet");
        sheet.MapPost("cards/kept", Keep).WithName("keepCardsOfSheet");
        sheet.MapPost("quiz", MakeQuiz).WithName("makeQuizOfSheet");
    }

    private static async Task<Ok<List<CardDraftView>>> Look(int sheet, KostelContext context, StudyMaking study, Asker asker, CancellationToken cancel)
    {
        var (row, lecture) = await Find(sheet, context, asker, cancel);
        var evidence = new EvidenceViews(lecture.Id, await context.Transcript(lecture, cancel));
        var drafts = await study.SheetDrafts(lecture, row.Content, MostCards, cancel);
        return TypedResults.Ok(drafts.Select(d => new CardDraftView(d.Key, d.Content is GapCard, d.Content.Front, d.Content.Back, null, evidence.Of(d.Source.In(lecture.Id)))).ToList());
    }

    /// <summary>The drafts are made once more, so that a card rests on the lecture and not on what a page says that it rests on.</summary>
    private static async Task<NoContent> Keep(int sheet, KeptOfSheet kept, KostelContext context, StudyMaking study, Asker asker, CancellationToken cancel)
    {
        var (row, lecture) = await Find(sheet, context, asker, cancel);
        var wanted = (kept.Kept ?? []).Where(k => k is not null).DistinctBy(k => k.Key).ToList();
        var drafts = (await study.SheetDrafts(lecture, row.Content, MostCards, cancel)).ToDictionary(d => d.Key);
        if (wanted.Exists(k => !drafts.ContainsKey(k.Key ?? "")))
        {
            throw new PlainProblemException(StatusCodes.Status409Conflict, "The sheet, or the cards, were changed meanwhile. Nothing was added: look at the cards once more.");
        }

        await study.Add(lecture.Id, wanted.ConvertAll(k => Worded(drafts[k.Key], k)), cancel);
        return TypedResults.NoContent();

        static CardDraft Worded(CardDraft draft, KeptDraft kept) => draft with { Content = draft.Content.Worded(EntryRules.CardSide.Read(kept.Front), EntryRules.CardSide.Read(kept.Back)) };
    }

    private static async Task<NoContent> MakeQuiz(int sheet, KostelContext context, StudyMaking study, Asker asker, CancellationToken cancel)
    {
        var (row, lecture) = await Find(sheet, context, asker, cancel);
        return await study.SheetQuiz(lecture, row.Content, cancel)
            ? TypedResults.NoContent()
            : throw new PlainProblemException(StatusCodes.Status422UnprocessableEntity, "There is not enough on this sheet to make a quiz of. Nothing was changed.");
    }

    private static async Task<(SheetRow Row, LectureRow Lecture)> Find(int sheet, KostelContext context, Asker asker, CancellationToken cancel)
    {
        var row = await context.FindSheet(sheet, asker, cancel);
        return row.LectureId is { } id
            ? (row, await context.FindLecture(id, cancel))
            : throw new PlainProblemException(StatusCodes.Status422UnprocessableEntity, "Cards and quizzes are made of a lecture's sheets; those of a course are made in its lectures.");
    }
}
