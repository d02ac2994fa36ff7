using System.Globalization;
using System.Text;
using Kostel.Core.Speech;
using Kostel.Core.Speech.Languages;
using Kostel.Core.Speech.Speakers;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Http;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Uploads;

/// <summary>The open upload protocol tus 1.0 (core, creation, termination), so that a broken upload goes on where it was.</summary>
internal static class UploadEndpoints
{
    private const string Version = "1.0.0";
    private const long LargestBytes = 20L << 30;

    public static void MapUploads(this IEndpointRouteBuilder app)
    {
        var uploads = app.MapGroup("/api/uploads").ExcludeFromDescription().AddEndpointFilter(async (context, next) =>
        {
            context.HttpContext.Response.Headers["Tus-Resumable"] = Version;
            return await next(context);
        });
        uploads.MapMethods("", ["OPTIONS"], (HttpResponse response) =>
        {
            response.Headers["Tus-Version"] = Version;
            response.Headers["Tus-Extension"] = "creation,termination";
            response.Headers["Tus-Max-Size"] = $"{LargestBytes}";
            return TypedResults.NoContent();
        });
        uploads.MapPost("", Create);
        uploads.MapMethods("{id}", ["HEAD"], Look);
        uploads.MapMethods("{id}", ["PATCH"], Receive);
        uploads.MapDelete("{id}", Drop);
    }

    private static async Task<IResult> Create(HttpRequest request, KostelContext context, UploadFiles files, TimeProvider time, CancellationToken cancel)
    {
        if (!long.TryParse(request.Headers["Upload-Length"], NumberStyles.None, CultureInfo.InvariantCulture, out var length) || length > LargestBytes)
        {
            throw new PlainProblemException(StatusCodes.Status413PayloadTooLarge, "A file may have up to 20 GB.");
        }

        var told = Metadata(request.Headers["Upload-Metadata"].ToString());
        var fileName = SafeName(told.GetValueOrDefault("filename", ""));
        var upload = new UploadRow
        {
            Id = LibraryFolder.NewId(),
            FileName = fileName,
            Length = length,
            Title = Shorten(told.GetValueOrDefault("title", ""), 200) is { Length: > 0 } title ? title : TitleFrom(fileName),
            HeldOn = DateOnly.TryParseExact(told.GetValueOrDefault("heldOn", ""), "yyyy-MM-dd", out var held) ? held : null,
            Course = Shorten(told.GetValueOrDefault("course", ""), 100),
            Choice = Choice(told),
            CreatedAt = time.GetUtcNow().UtcDateTime,
        };
        files.Open(upload.Id);
        context.Uploads.Add(upload);
        await context.SaveChangesAsync(cancel);
        if (length == 0)
        {
            await files.Finish(upload, cancel);
        }

        return TypedResults.Created($"/api/uploads/{upload.Id}");
    }

    private static async Task<IResult> Look(string id, HttpResponse response, KostelContext context, UploadFiles files, CancellationToken cancel)
    {
        var length = (await context.Uploads.AsNoTracking().FirstOrDefaultAsync(u => u.Id == id, cancel))?.Length;
        var finished = length is null ? (await context.Lectures.AsNoTracking().FirstOrDefaultAsync(l => l.Id == id, cancel))?.SourceBytes : null;
        if (length is null && finished is null)
        {
            return TypedResults.NotFound();
        }

        response.Headers["Upload-Length"] = $"{length ?? finished}";
        response.Headers["Upload-Offset"] = $"{finished ?? files.Offset(id)}";
        response.Headers.CacheControl = "no-store";
        return TypedResults.Ok();
    }

    private static async Task<IResult> Receive(string id, HttpRequest request, KostelContext context, UploadFiles files, CancellationToken cancel)
    {
        var upload = await context.Uploads.AsNoTracking().FirstOrDefaultAsync(u => u.Id == id, cancel) ?? throw PlainProblemException.NotThere("upload");
        var offset = files.Offset(id);
        if (request.Headers["Upload-Offset"] != $"{offset}")
        {
            throw new PlainProblemException(StatusCodes.Status409Conflict, "The upload stands elsewhere.");
        }

        await files.Append(id, upload.Length - offset, request.Body, cancel);
        var now = files.Offset(id);
        if (now == upload.Length)
        {
            await files.Finish(upload, CancellationToken.None);
        }

        request.HttpContext.Response.Headers["Upload-Offset"] = $"{now}";
        return TypedResults.NoContent();
    }

    private static async Task<IResult> Drop(string id, KostelContext context, UploadFiles files, CancellationToken cancel)
    {
        if (await context.Uploads.AsNoTracking().FirstOrDefaultAsync(u => u.Id == id, cancel) is { } upload)
        {
            await files.Drop(upload, cancel);
        }

        return TypedResults.NoContent();
    }

    /// <summary>What makes no sense is left out: everything has a default.</summary>
    private static TranscriptionChoice Choice(Dictionary<string, string> told) => new(
        told.GetValueOrDefault("accuracy", "") == "accurate" ? Accuracy.Accurate : Accuracy.Fast,
        told.GetValueOrDefault("language", "") is var language && SpokenLanguages.IsCode(language) ? language : null,
        told.GetValueOrDefault("byService", "") == "yes",
        int.TryParse(told.GetValueOrDefault("voices", ""), NumberStyles.None, CultureInfo.InvariantCulture, out var voices) && voices is >= 1 and <= Diarisation.MostVoices ? voices : null);

    private static Dictionary<string, string> Metadata(string header)
    {
        var values = new Dictionary<string, string>();
        foreach (var parts in header.Split(',', StringSplitOptions.TrimEntries).Select(p => p.Split(' ')).Where(p => p.Length == 2))
        {
            try
            {
                values[parts[0]] = Encoding.UTF8.GetString(Convert.FromBase64String(parts[1]));
            }
            catch (FormatException)
            {
                // A value that is no base64 is left out: everything it could say has a default.
            }
        }

        return values;
    }

    /// <summary>The last part of a name, without control characters. It is shown and never used as a path.</summary>
    private static string SafeName(string name)
    {
        var last = name.Split('/', '\\').Last();
        var clean = new string(last.Where(c => !char.IsControl(c)).ToArray()).Trim();
        return Shorten(clean, 200) is { Length: > 0 } kept ? kept : "recording";
    }

    private static string TitleFrom(string fileName)
    {
        var dot = fileName.LastIndexOf('.');
        var bare = (dot > 0 ? fileName[..dot] : fileName).Replace('_', ' ').Trim(' ', '.');
        return bare.Length > 0 ? bare : "Recording";
    }

    private static string Shorten(string text, int most)
    {
        var clean = new string(text.Where(c => !char.IsControl(c)).ToArray()).Trim();
        return clean.Length <= most ? clean : clean[..(char.IsHighSurrogate(clean[most - 1]) ? most - 1 : most)];
    }
}
