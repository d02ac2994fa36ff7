using Kostel.Core.Entries;
using Kostel.Core.Retrieval;
using Kostel.Core.Transcripts;
using Kostel.Data;
using Kostel.Server.Shared;
using Kostel.Speech;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;

namespace Kostel.Server.Features.Subjects;

/// <summary>A place that speaks of a subject.</summary>
/// <param name="Strength">How much, from 0 to 1.</param>
/// <param name="HasWord">Whether a word of the subject itself is said there.</param>
/// <param name="Text">What is said.</param>
public sealed record SubjectPlaceView(int StartMs, int EndMs, double Strength, bool HasWord, string Chapter, string Text);

/// <summary>Where a lecture speaks of a subject.</summary>
/// <param name="ByMeaning">Whether other words for it were looked for too.</param>
public sealed record SubjectView(string Subject, bool ByMeaning, IReadOnlyList<SubjectPlaceView> Places);

internal static class SubjectEndpoints
{
    public static void MapSubjects(this IEndpointRouteBuilder app)
    {
        var subjects = app.MapGroup("/api/lectures/{id}/subjects");
        subjects.MapGet("", Suggest).WithName("getSubjects");
        subjects.MapGet("places", Find).WithName("getSubjectPlaces");
    }

    private static async Task<Ok<IReadOnlyList<string>>> Suggest(string id, KostelContext context, WordKnowledgeFiles words, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        var terms = await context.Terms(lecture, cancel);
        return TypedResults.Ok(SuggestedSubjects.Of(await context.Transcript(lecture, cancel), terms.Select(t => t.Written).ToList(), words.Value));
    }

    private static async Task<Ok<SubjectView>> Find(string id, [FromQuery] string subject, KostelContext context, WordKnowledgeFiles words, CancellationToken cancel)
    {
        var text = EntryRules.Phrase.Read(subject);
        var transcript = await context.Transcript(await context.FindLecture(id, cancel), cancel);
        var known = words.Value;
        var places = new SubjectTrack(transcript.Passages, known).Find(text).Select(p => View(p, transcript)).ToList();
        return TypedResults.Ok(new SubjectView(text, known.Vectors.Size > 0 && transcript.Language == "en", places));
    }

    private static SubjectPlaceView View(SubjectPlace place, Transcript transcript) => new(
        place.StartMs,
        place.EndMs,
        place.Strength,
        place.HasWord,
        transcript.Chapters.LastOrDefault(c => c.StartMs <= place.StartMs)?.Title ?? "",
        string.Join(' ', transcript.Passages[place.Passage].Words.Where(w => w.StartMs >= place.StartMs && w.EndMs <= place.EndMs).Select(w => w.Text)));
}
