using Kostel.Core.Entries;
using Kostel.Core.Study;
using Kostel.Core.Study.Made;
using Kostel.Core.Transcripts.Edits;
using Kostel.Core.Transcripts.Reading;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Features.Edits;
using Kostel.Server.Features.Lectures;
using Kostel.Server.Http;
using Kostel.Server.Jobs;
using Kostel.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Corrections;

/// <summary>A text before and after a person worked on it.</summary>
public sealed record Corrected(string Before, string After);

/// <summary>The same mistake elsewhere.</summary>
/// <param name="Phrase">What was corrected; empty if nothing was that could stand elsewhere.</param>
/// <param name="Places">Other places of the lecture where it stands.</param>
/// <param name="Made">Things made from the lecture where it stands.</param>
/// <param name="IsTerm">Whether the course's terms have it already.</param>
public sealed record ElsewhereView(string Phrase, string Replacement, int Places, int Made, bool IsTerm);

/// <summary>What to look for, and what to write instead.</summary>
public sealed record Search(string Phrase, string Replacement, bool WholeCourse);

/// <summary>Where a phrase stands in a lecture.</summary>
public sealed record LecturePlaces(string LectureId, string Title, IReadOnlyList<Occurrence> Places);

/// <summary>Everything that a replacement would change.</summary>
public sealed record SearchResult(IReadOnlyList<LecturePlaces> Lectures, IReadOnlyList<MadePlace> Made);

/// <summary>A replacement at the chosen places.</summary>
/// <param name="Made">Keys of the things made from the lectures in which it is made too.</param>
public sealed record Replacement(string Phrase, string Text, IReadOnlyList<ChosenPlaces> Lectures, IReadOnlyList<string> Made);

/// <summary>An edit of a lecture, to be taken back.</summary>
public sealed record LectureEdit(string LectureId, int Edit);

/// <summary>How much was replaced, and which lectures were left out because their text changed meanwhile.</summary>
/// <param name="Edits">The edit that it is in each lecture.</param>
public sealed record ReplacementResult(int Places, int Made, IReadOnlyList<string> LeftOut, IReadOnlyList<LectureEdit> Edits);

/// <summary>A thing whose source reads otherwise by now.</summary>
public sealed record ChangedSource(string Key);

/// <summary>Corrections at many places: in the text, in the course, and in what was made from it.</summary>
internal static class CorrectionEndpoints
{
    public static void MapCorrections(this IEndpointRouteBuilder app)
    {
        var lecture = app.MapGroup("/api/lectures/{id}");
        lecture.MapPost("elsewhere", Elsewhere).WithName("findElsewhere");
        lecture.MapPost("find", Find).WithName("findPhrase");
        lecture.MapPost("replace", Replace).WithName("replacePhrase");
        lecture.MapPost("sources", TakeNew).WithName("takeNewSource");
    }

    private static async Task<Ok<ElsewhereView>> Elsewhere(string id, Corrected corrected, KostelContext context, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        if (SourceCorrection.Between(EntryRules.Passage.Read(corrected.Before), EntryRules.Passage.Read(corrected.After)) is not [var correction])
        {
            return TypedResults.Ok(new ElsewhereView("", "", 0, 0, false));
        }

        var places = PhraseSearch.Find(await context.Transcript(lecture, cancel), correction.Phrase, correction.Replacement).Count;
        var made = MadePlace.Find(await context.Made([id], cancel), correction);
        var isTerm = (await context.Terms(lecture, cancel)).Any(t => string.Equals(t.Written, correction.Replacement, StringComparison.OrdinalIgnoreCase));
        return TypedResults.Ok(new ElsewhereView(correction.Phrase, correction.Replacement, places, made.Count, isTerm));
    }

    private static async Task<Ok<SearchResult>> Find(string id, Search search, KostelContext context, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        var wanted = LectureReplacement.Wanted(search.Phrase, search.Replacement);
        var lectures = search.WholeCourse && lecture.CourseId is not null
            ? await context.Lectures.AsNoTracking().Where(l => l.CourseId == lecture.CourseId && l.DeletedAt == null).OrderBy(l => l.HeldOn).ToListAsync(cancel)
            : [lecture];
        var found = new List<LecturePlaces>();
        foreach (var one in lectures)
        {
            found.Add(new LecturePlaces(one.Id, one.Title, PhraseSearch.Find(await context.Transcript(one, cancel), wanted.Phrase, wanted.Replacement)));
        }

        var made = wanted.Replacement.Length == 0 ? [] : MadePlace.Find(await context.Made(lectures.ConvertAll(l => l.Id), cancel), wanted);
        return TypedResults.Ok(new SearchResult(found.Where(f => f.Places.Count > 0).ToList(), made));
    }

    private static async Task<Ok<ReplacementResult>> Replace(
        string id, Replacement replacement, KostelContext context, LectureEditing editing, CancellationToken cancel)
    {
        await context.FindLecture(id, cancel);
        var wanted = LectureReplacement.Wanted(replacement.Phrase, replacement.Text);
        var lectures = replacement.Lectures.Select(l => l.LectureId).Append(id).Distinct().ToList();
        var made = (await context.Made(lectures, cancel)).Where(t => replacement.Made.Contains(t.Key));
        var result = await editing.Apply(LectureReplacement.Plan(wanted, replacement.Lectures, made), cancel);
        return TypedResults.Ok(new ReplacementResult(
            result.Applied.Sum(a => a.Planned.Places), result.Applied.Sum(a => a.Planned.Made.Count), result.LeftOut,
            result.Applied.Select(a => new LectureEdit(a.Planned.LectureId, a.EditId)).ToList()));
    }

    private static async Task<NoContent> TakeNew(string id, ChangedSource source, KostelContext context, LectureEditing editing, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        var thing = (await context.Made([id], cancel)).Find(t => t.Key == source.Key) ?? throw PlainProblemException.NotThere("thing");
        var change = MadeCorrection.Renew(thing, new SourceCheck(await context.Transcript(lecture, cancel)))
            ?? throw new PlainProblemException(StatusCodes.Status422UnprocessableEntity, "The words that this rests on are not in the transcript any more. It was left as it is.");
        await editing.Apply(id, change, "new words of a source", cancel);
        return TypedResults.NoContent();
    }
}
