using Kostel.Core.Entries;
using Kostel.Core.Problems;
using Kostel.Core.Study.Cards;
using Kostel.Core.Transcripts;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Features.Lectures;
using Kostel.Server.Http;
using Kostel.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Kostel.Server.Features.Study;

/// <summary>Which cards are wanted.</summary>
/// <param name="Count">How many.</param>
/// <param name="Chapter">Where the chapter begins that they are to come from; null for all.</param>
/// <param name="OfMarks">Only from what the person marked.</param>
/// <param name="Subject">Only where this is spoken of; null for anything.</param>
public sealed record WantedCards(int Count = StudyMaking.CardsWanted, int? Chapter = null, bool OfMarks = false, string? Subject = null);

/// <summary>A card that could be added.</summary>
/// <param name="Key">Names it when it is kept.</param>
/// <param name="HasGap">Its front is a statement with a gap.</param>
/// <param name="Reversed">What it would ask from its other side; null for nothing.</param>
public sealed record CardDraftView(string Key, bool HasGap, string Front, string Back, string? Reversed, EvidenceView Source);

/// <summary>A card that is kept, as the person worded it.</summary>
/// <param name="BothWays">With a second one from its other side.</param>
public sealed record KeptDraft(string Key, string Front, string Back, bool BothWays = false);

/// <summary>The cards that are kept of those that were shown.</summary>
public sealed record KeptDrafts(WantedCards Wanted, IReadOnlyList<KeptDraft> Kept);

/// <summary>Cards are looked through before they are added: kept, reworded, left out.</summary>
internal static class CardDraftEndpoints
{
    private const int MostCards = 100;

    public static void MapCardDrafts(this IEndpointRouteBuilder app)
    {
        var drafts = app.MapGroup("/api/lectures/{id}/cards");
        drafts.MapPost("drafts", Look).WithName("lookAtCards");
        drafts.MapPost("kept", Keep).WithName("keepCards");
    }

    private static async Task<Ok<List<CardDraftView>>> Look(string id, WantedCards wanted, KostelContext context, StudyMaking study, Asker asker, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        var evidence = new EvidenceViews(id, await context.Transcript(lecture, cancel));
        return TypedResults.Ok((await Drafts(lecture, wanted, study, asker, cancel)).Select(d => new CardDraftView(d.Key, d.Content is GapCard, d.Content.Front, d.Content.Back, d.Reversed()?.Content.Front, evidence.Of(d.Source.In(id)))).ToList());
    }

    /// <summary>The drafts are made once more, so that a card rests on the lecture and not on what a page says that it rests on.</summary>
    private static async Task<NoContent> Keep(string id, KeptDrafts kept, KostelContext context, StudyMaking study, Asker asker, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        var wanted = (kept.Kept ?? []).Where(k => k is not null).DistinctBy(k => k.Key).ToDictionary(k => k.Key ?? "", k => (Front: EntryRules.CardSide.Read(k.Front), Back: EntryRules.CardSide.Read(k.Back), k.BothWays));
        var drafts = await Drafts(lecture, kept.Wanted ?? new WantedCards(), study, asker, cancel);
        if (wanted.Keys.Except(drafts.Select(d => d.Key)).Any())
        {
            throw new PlainProblemException(StatusCodes.Status409Conflict, "The text was changed meanwhile. Nothing was added: look at the cards once more.");
        }

        await study.Add(id, [.. drafts.Where(d => wanted.ContainsKey(d.Key)).SelectMany(d => Worded(d, wanted[d.Key].Front, wanted[d.Key].Back, wanted[d.Key].BothWays))], cancel);
        return TypedResults.NoContent();

        static IEnumerable<CardDraft> Worded(CardDraft draft, string front, string back, bool bothWays)
        {
            var worded = draft with { Content = draft.Content.Worded(front, back) };
            return bothWays && (worded.Reversed() ?? draft.Reversed()) is { } reversed ? [worded, reversed] : [worded];
        }
    }

    private static Task<IReadOnlyList<CardDraft>> Drafts(LectureRow lecture, WantedCards wanted, StudyMaking study, Asker asker, CancellationToken cancel) => wanted.Count is < 1 or > MostCards
        ? throw new NotValidException($"From 1 to {MostCards} cards can be made at once.")
        : study.Drafts(lecture, wanted.Count, new StudyStretch(wanted.Chapter, wanted.OfMarks, wanted.Subject), asker.PersonId, cancel);
}
