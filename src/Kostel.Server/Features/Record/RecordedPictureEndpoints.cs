using Kostel.Core.Audio;
using Kostel.Core.Marks;
using Kostel.Core.Recordings;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Http;
using Kostel.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Kostel.Server.Features.Record;

/// <summary>Pictures at moments of a recording.</summary>
internal static class RecordedPictureEndpoints
{
    public static void MapRecordedPictures(this IEndpointRouteBuilder app)
    {
        var pictures = app.MapGroup("/api/recordings/{id}/pictures");
        pictures.MapPost("", AddPicture).WithName("addRecordingPicture").ExcludeFromDescription().TakesUpTo(PictureFiles.LargestBytes + 1);
        pictures.MapGet("{number:int}", GetPicture).WithName("getRecordingPicture").ExcludeFromDescription();
    }

    private static async Task<Ok<RecordingView>> AddPicture(string id, int atMs, HttpRequest request, KostelContext context, RunningRecordings recordings, LibraryFolder library, Asker asker, CancellationToken cancel)
    {
        await context.FindRecording(id, asker, cancel);
        var name = await PictureFiles.Keep(library, id, request.Body, cancel);
        return TypedResults.Ok(RecordingView.Of(await recordings.Change(
            id, asker.PersonId, row => row.Marks = RecordedMark.Add(row.Marks, new RecordedMark(MarkKind.Note, RecordedMark.Within(atMs, Pcm.ToMs(row.Samples)), "", name)), cancel)));
    }

    private static async Task<PhysicalFileHttpResult> GetPicture(string id, int number, KostelContext context, LibraryFolder library, Asker asker, CancellationToken cancel) =>
        PictureFiles.Give(library, id, (await context.FindRecording(id, asker, cancel)).Marks.ElementAtOrDefault(number)?.Picture);
}
