using Kostel.Core.Entries;
using Kostel.Core.Study.Cards;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Features.Lectures;
using Kostel.Server.Features.Study;
using Kostel.Server.Http;
using Kostel.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Sheets;

/// <summary>The cards that are kept of those that were shown of a sheet.</summary>
public sealed record KeptOfSheet(IReadOnlyList<KeptDraft> Kept);

/// <summary>Cards of what stands on a sheet, for the lectures that its lines rest on; and a quiz of a sheet of one lecture.</summary>
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
        var views = new List<CardDraftView>();
        foreach (var (lecture, drafts) in await Drafts(await context.FindSheet(sheet, asker, cancel), context, study, cancel))
        {
            var evidence = new EvidenceViews(lecture.Id, await context.Transcript(lecture, cancel));
            views.AddRange(drafts.Select(d => new CardDraftView(d.Key, d.Content is GapCard, d.Content.Front, d.Content.Back, null, evidence.Of(d.Source.In(lecture.Id)))));
        }

        return TypedResults.Ok(views);
    }

    /// <summary>The drafts are made once more, so that a card rests on the lecture and not on what a page says that it rests on.</summary>
    private static async Task<NoContent> Keep(int sheet, KeptOfSheet kept, KostelContext context, StudyMaking study, Asker asker, CancellationToken cancel)
    {
        var wanted = (kept.Kept ?? []).Where(k => k is not null).DistinctBy(k => k.Key ?? "").ToDictionary(k => k.Key ?? "");
        var drafts = await Drafts(await context.FindSheet(sheet, asker, cancel), context, study, cancel);
        if (wanted.Keys.Except(drafts.SelectMany(d => d.Drafts).Select(d => d.Key)).Any())
        {
            throw new PlainProblemException(StatusCodes.Status409Conflict, "The sheet, or the cards, were changed meanwhile. Nothing was added: look at the cards once more.");
        }

        await study.Add(drafts.ConvertAll(d => (d.Lecture.Id, (IReadOnlyList<CardDraft>)[.. d.Drafts.Where(c => wanted.ContainsKey(c.Key)).Select(c => Worded(c, wanted[c.Key]))])), cancel);
        return TypedResults.NoContent();

        static CardDraft Worded(CardDraft draft, KeptDraft kept) => draft with { Content = draft.Content.Worded(EntryRules.CardSide.Read(kept.Front), EntryRules.CardSide.Read(kept.Back)) };
    }

    private static async Task<NoContent> MakeQuiz(int sheet, KostelContext context, StudyMaking study, Asker asker, CancellationToken cancel)
    {
        var row = await context.FindSheet(sheet, asker, cancel);
        var lecture = row.LectureId is { } id ? await context.FindLecture(id, cancel) : throw new PlainProblemException(StatusCodes.Status422UnprocessableEntity, "A quiz is made of a lecture's sheet; of a course's there are cards.");
        return await study.SheetQuiz(lecture, row.Content, cancel)
            ? TypedResults.NoContent()
            : throw new PlainProblemException(StatusCodes.Status422UnprocessableEntity, "There is not enough on this sheet to make a quiz of. Nothing was changed.");
    }

    /// <summary>For each lecture that lines of the sheet rest on what they give, in the order in which it is quoted; the same card once.</summary>
    private static async Task<List<(LectureRow Lecture, List<CardDraft> Drafts)>> Drafts(SheetRow row, KostelContext context, StudyMaking study, CancellationToken cancel)
    {
        var ids = row.LectureId is { } one ? [one] : row.Content.Lines().Select(l => l.Source?.LectureId).OfType<string>().Distinct().ToList();
        var lectures = await context.Lectures.Include(l => l.Course).Where(l => ids.Contains(l.Id) && l.DeletedAt == null).ToDictionaryAsync(l => l.Id, cancel);
        var (made, taken) = (new List<(LectureRow, List<CardDraft>)>(), new HashSet<string>());
        foreach (var lecture in ids.Where(lectures.ContainsKey).Select(id => lectures[id]))
        {
            var drafts = await study.SheetDrafts(lecture, row.LectureId is null ? row.Content.RestingOn(lecture.Id) : row.Content, MostCards - taken.Count, cancel);
            made.Add((lecture, drafts.Where(d => taken.Add(d.Key)).ToList()));
        }

        return made;
    }
}
