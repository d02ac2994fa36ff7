using Kostel.Core.Audio;
using Kostel.Core.Chapters;
using Kostel.Core.Entries;
using Kostel.Core.Listening;
using Kostel.Core.Problems;
using Kostel.Core.Transcripts;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Media;
using Kostel.Server.Http;
using Kostel.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Listening;

/// <summary>A stretch of a lecture that could be listened to.</summary>
public sealed record WantedPart(string LectureId, int StartMs, int EndMs, string Title);

/// <summary>A part of a plan as it is heard: whole sentences.</summary>
/// <param name="QuietMs">How much of it is silence that can be passed over.</param>
public sealed record PlanPartView(string LectureId, string Lecture, bool HasSound, int StartMs, int EndMs, int QuietMs, string Title);

/// <summary>Parts of lectures with what they take.</summary>
/// <param name="WholeMs">How long the lectures are that they are from.</param>
public sealed record PlanView(int Id, string Title, IReadOnlyList<PlanPartView> Parts, int WholeMs, int Part, int AtMs);

/// <summary>A new plan, or other parts of one.</summary>
public sealed record NewPlan(string Title, IReadOnlyList<WantedPart> Parts);

/// <summary>Asks for what carries most in the time one has.</summary>
public sealed record WantedTime(IReadOnlyList<string> LectureIds, int BudgetMs, double Speed, bool WithoutSilences);

/// <summary>Where listening stopped.</summary>
public sealed record PlanPlace(int Part, int AtMs);

internal static class PlanEndpoints
{
    /// <summary>No plan has more parts; no proposal looks through more lectures.</summary>
    private const int MostParts = 500, MostLectures = 60;

    public static void MapPlans(this IEndpointRouteBuilder app)
    {
        var plans = app.MapGroup("/api/plans");
        plans.MapGet("", List).WithName("getPlans");
        plans.MapPost("", Add).WithName("addPlan");
        plans.MapPost("measure", Measure).WithName("measurePlan");
        plans.MapPost("propose", Propose).WithName("proposePlan");
        plans.MapGet("{plan:int}", Get).WithName("getPlan");
        plans.MapPut("{plan:int}", Change).WithName("changePlan");
        plans.MapPost("{plan:int}/at", Stopped).WithName("notePlanPlace");
        plans.MapDelete("{plan:int}", Delete).WithName("deletePlan");
        plans.MapPost("{plan:int}/restore", Restore).WithName("restorePlan");
        plans.MapGet("{plan:int}/sound", Sound).WithName("getPlanSound");
    }

    private static async Task<Ok<List<PlanView>>> List(KostelContext context, PlanReading reading, Asker asker, CancellationToken cancel)
    {
        var rows = await context.Plans.AsNoTracking().Where(p => p.OwnerId == asker.PersonId && p.DeletedAt == null).OrderByDescending(p => p.Id).ToListAsync(cancel);
        var views = new List<PlanView>();
        foreach (var row in rows)
        {
            views.Add(await reading.View(row, cancel));
        }

        return TypedResults.Ok(views);
    }

    private static async Task<Ok<PlanView>> Get(int plan, KostelContext context, PlanReading reading, Asker asker, CancellationToken cancel) =>
        TypedResults.Ok(await reading.View(await Find(context, asker, plan, cancel), cancel));

    private static async Task<Ok<PlanView>> Add(NewPlan plan, KostelContext context, PlanReading reading, Asker asker, TimeProvider time, CancellationToken cancel)
    {
        var row = new PlanRow { OwnerId = asker.PersonId, Title = EntryRules.Title.Read(plan.Title), Parts = await reading.Parts(Few(plan.Parts), cancel), MadeAt = time.GetUtcNow().UtcDateTime };
        context.Plans.Add(row);
        await context.SaveChangesAsync(cancel);
        return TypedResults.Ok(await reading.View(row, cancel));
    }

    private static async Task<Ok<PlanView>> Change(int plan, NewPlan change, KostelContext context, PlanReading reading, Asker asker, CancellationToken cancel)
    {
        var row = await Find(context, asker, plan, cancel);
        (row.Title, row.Parts) = (EntryRules.Title.Read(change.Title), await reading.Parts(Few(change.Parts), cancel));
        (row.Part, row.AtMs) = row.Part < row.Parts.Count ? (row.Part, row.AtMs) : (0, 0);
        await context.SaveChangesAsync(cancel);
        return TypedResults.Ok(await reading.View(row, cancel));
    }

    /// <summary>What parts take, before they are a plan.</summary>
    private static async Task<Ok<PlanView>> Measure(NewPlan plan, PlanReading reading, CancellationToken cancel) =>
        TypedResults.Ok(await reading.View(new PlanRow { Title = plan.Title, Parts = await reading.Parts(Few(plan.Parts), cancel) }, cancel));

    private static async Task<Ok<PlanView>> Propose(WantedTime wanted, PlanReading reading, Asker asker, CancellationToken cancel) => TypedResults.Ok(await reading.View(
        new PlanRow { Title = "", Parts = await reading.Proposed(wanted with { LectureIds = wanted.LectureIds.OfType<string>().Take(MostLectures).ToList(), Speed = Math.Clamp(wanted.Speed, 0.25, 4) }, asker.PersonId, cancel) }, cancel));

    private static async Task<NoContent> Stopped(int plan, PlanPlace place, KostelContext context, Asker asker, CancellationToken cancel)
    {
        var row = await Find(context, asker, plan, cancel);
        (row.Part, row.AtMs) = (Math.Clamp(place.Part, 0, Math.Max(0, row.Parts.Count - 1)), Math.Max(0, place.AtMs));
        await context.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<NoContent> Delete(int plan, KostelContext context, Asker asker, TimeProvider time, CancellationToken cancel)
    {
        (await Find(context, asker, plan, cancel)).DeletedAt = time.GetUtcNow().UtcDateTime;
        await context.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<NoContent> Restore(int plan, KostelContext context, Asker asker, CancellationToken cancel)
    {
        await context.Plans.Where(p => p.Id == plan && p.OwnerId == asker.PersonId).ExecuteUpdateAsync(s => s.SetProperty(p => p.DeletedAt, (DateTime?)null), cancel);
        return TypedResults.NoContent();
    }

    /// <summary>The plan as one recording, a chapter for each part.</summary>
    private static async Task<FileStreamHttpResult> Sound(int plan, KostelContext context, PlanReading reading, LibraryFolder library, Asker asker, CancellationToken cancel)
    {
        var view = await reading.View(await Find(context, asker, plan, cancel), cancel);
        var parts = view.Parts.Where(p => p.HasSound && File.Exists(library.Original(p.LectureId))).ToList();
        if (parts.Count == 0)
        {
            throw new NotValidException("None of these parts has sound.");
        }

        Directory.CreateDirectory(library.PassingFolder);
        var into = Path.Combine(library.PassingFolder, $"{LibraryFolder.NewId()}.m4a");
        var chapters = new List<Chapter>();
        foreach (var part in parts)
        {
            var at = chapters.Count == 0 ? 0 : chapters[^1].EndMs;
            chapters.Add(new Chapter(part.Title, at, at + part.EndMs - part.StartMs));
        }

        try
        {
            await SoundCut.Join(parts.ConvertAll(p => new SoundPart(library.Original(p.LectureId), p.StartMs, p.EndMs)), FfMetadata.Write(chapters), into, cancel);
        }
        catch
        {
            File.Delete(into);
            throw;
        }

        // Gone when it was sent: the file has no name any more from then on.
        var stream = new FileStream(into, FileMode.Open, FileAccess.Read, FileShare.Delete, 1 << 16, FileOptions.DeleteOnClose | FileOptions.Asynchronous);
        return TypedResults.File(stream, "audio/mp4", $"{FileNames.Of(view.Title)}.m4a");
    }

    private static List<WantedPart> Few(IReadOnlyList<WantedPart> parts) =>
        parts.Count <= MostParts ? parts.OfType<WantedPart>().ToList() : throw new NotValidException($"A listening plan can have up to {MostParts} parts.");

    private static async Task<PlanRow> Find(KostelContext context, Asker asker, int plan, CancellationToken cancel) =>
        await context.Plans.FirstOrDefaultAsync(p => p.Id == plan && p.OwnerId == asker.PersonId && p.DeletedAt == null, cancel) ?? throw PlainProblemException.NotThere("listening plan");
}
