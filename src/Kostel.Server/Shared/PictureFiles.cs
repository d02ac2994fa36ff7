using Kostel.Core.Study.Sheets;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Media;
using Kostel.Server.Http;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Shared;

/// <summary>Pictures that a person puts at a time. What is kept is written anew from what can be seen: whatever else the file held is gone.</summary>
internal static class PictureFiles
{
    /// <summary>How large a picture may be.</summary>
    public const int LargestBytes = 20 << 20;

    /// <summary>Of a moment of a video, in pixels: what stands on a slide stays legible.</summary>
    private const int StillWidth = 1280;

    /// <summary>Keeps a picture.</summary>
    /// <returns>The name of its file.</returns>
    public static async Task<string> Keep(LibraryFolder library, string lectureId, Stream body, CancellationToken cancel)
    {
        var folder = Path.Combine(library.MakeLectureFolder(lectureId), "pictures");
        Directory.CreateDirectory(folder);
        var name = $"{Guid.NewGuid():N}";
        var arrived = Path.Combine(folder, name);
        try
        {
            await Receive(body, arrived, cancel);
            return Path.GetFileName(await Picture.WriteAnew(arrived, arrived, cancel));
        }
        catch (MediaProblemException e)
        {
            throw new PlainProblemException(StatusCodes.Status415UnsupportedMediaType, e.Message);
        }
        finally
        {
            File.Delete(arrived);
        }
    }

    /// <summary>Keeps what a video shows at a time.</summary>
    /// <returns>The name of its file.</returns>
    /// <exception cref="PlainProblemException">There is nothing to see then.</exception>
    public static async Task<string> KeepStill(LibraryFolder library, LectureRow lecture, int atMs, CancellationToken cancel)
    {
        if (!lecture.HasPicture)
        {
            throw new PlainProblemException(StatusCodes.Status422UnprocessableEntity, "This lecture has no picture to show.");
        }

        var folder = Path.Combine(library.MakeLectureFolder(lecture.Id), "pictures");
        Directory.CreateDirectory(folder);
        var name = $"{Guid.NewGuid():N}.jpg";
        try
        {
            await MovingPicture.Still(library.Original(lecture.Id), Math.Clamp(atMs, 0, Math.Max(0, lecture.DurationMs - 1)), StillWidth, Path.Combine(folder, name), cancel);
        }
        catch (MediaProblemException e)
        {
            File.Delete(Path.Combine(folder, name));
            throw new PlainProblemException(StatusCodes.Status422UnprocessableEntity, e.Message);
        }

        return name;
    }

    /// <summary>The name of the file of the picture of a person's mark.</summary>
    /// <exception cref="PlainProblemException">There is no such mark, or it has none.</exception>
    public static async Task<string> PictureOfMark(this KostelContext context, string lectureId, int me, int mark, CancellationToken cancel) =>
        await context.MarksOf(lectureId, me).Where(m => m.Id == mark).Select(m => m.Picture).FirstOrDefaultAsync(cancel) ?? throw PlainProblemException.NotThere("picture");

    /// <summary>Reads the pictures of a sheet's lines.</summary>
    /// <param name="lectureId">The lecture of a line that is said nowhere; null on a sheet of a course.</param>
    public static Func<SheetLine, byte[]?> OfLines(LibraryFolder library, string? lectureId) => line =>
        line.Picture is { } name && (line.Source?.LectureId ?? lectureId) is { } id && PathOf(library.LectureFolder(id), name) is var path && File.Exists(path) ? File.ReadAllBytes(path) : null;

    /// <summary>Gives a picture back.</summary>
    /// <param name="name">The name of its file; null where there is none.</param>
    /// <exception cref="PlainProblemException">It is not there.</exception>
    public static PhysicalFileHttpResult Give(LibraryFolder library, string lectureId, string? name) =>
        name is not null && PathOf(library.LectureFolder(lectureId), name) is var path && File.Exists(path)
            ? TypedResults.PhysicalFile(path, TypeOf(path))
            : throw PlainProblemException.NotThere("picture");

    public static string PathOf(string folder, string name) => Path.Combine(folder, "pictures", Path.GetFileName(name));

    /// <summary>By the ending, which Kostel gave it; the others are of pictures kept by an earlier one.</summary>
    private static string TypeOf(string path) => Path.GetExtension(path) switch
    {
        ".jpg" => "image/jpeg",
        ".gif" => "image/gif",
        ".webp" => "image/webp",
        _ => "image/png",
    };

    private static async Task Receive(Stream body, string path, CancellationToken cancel)
    {
        await using var file = File.Create(path);
        var buffer = new byte[1 << 16];
        var held = 0;
        int read;
        while ((read = await body.ReadAsync(buffer, cancel)) > 0)
        {
            if ((held += read) > LargestBytes)
            {
                throw new PlainProblemException(StatusCodes.Status413PayloadTooLarge, $"A picture may have up to {LargestBytes >> 20} MB.");
            }

            await file.WriteAsync(buffer.AsMemory(0, read), cancel);
        }
    }
}
