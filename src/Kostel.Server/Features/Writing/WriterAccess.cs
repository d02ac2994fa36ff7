using System.Text.Json;
using Kostel.Core.Problems;
using Kostel.Data;
using Kostel.Server.Http;
using Microsoft.Extensions.Options;
using JsonOptions = Microsoft.AspNetCore.Http.Json.JsonOptions;

namespace Kostel.Server.Features.Writing;

/// <summary>What would be sent to a model.</summary>
/// <param name="Text">All of it.</param>
/// <param name="MustShow">Whether the person must see it before it is sent.</param>
public sealed record WritingPreview(string Text, int WordCount, string Host, bool IsHere, bool MustShow);

/// <summary>What everything that a model writes has in common: whether there is one, what the person saw, how its text comes.</summary>
internal static class WriterAccess
{
    /// <summary>The model that is switched on.</summary>
    /// <exception cref="NotValidException">There is none.</exception>
    public static async Task<WriterSettings> WhoIsOn(this WriterStore writers, KostelContext context, CancellationToken cancel) =>
        await writers.Read(context, cancel) is { IsOn: true } writer ? writer : throw new NotValidException("No model of your own is switched on. Enter one in the settings.");

    /// <summary>The person's instructions of a name; null for no name.</summary>
    /// <exception cref="PlainProblemException">There are none of this name.</exception>
    public static async Task<string?> InstructionsOf(this KostelContext context, string? name, CancellationToken cancel) => name is null
        ? null
        : (await WriterStore.Instructions(context, cancel)).FirstOrDefault(i => i.Name == name)?.Text ?? throw PlainProblemException.NotThere("instructions");

    /// <summary>What would be sent.</summary>
    public static WritingPreview Preview(this WriterSettings writer, string text) =>
        new(text, text.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries).Length, writer.Place.Base.Host, writer.Place.IsHere, writer.MustShow);

    /// <summary>Notes that the person has seen what is sent.</summary>
    /// <exception cref="PlainProblemException">They have to, and did not.</exception>
    public static Task Show(this WriterStore writers, KostelContext context, WriterSettings writer, bool wasShown, bool? showsFirst, CancellationToken cancel) => writer.MustShow && !wasShown
        ? throw new PlainProblemException(StatusCodes.Status409Conflict, "Look first at what is sent.")
        : writers.Keep(context, writer with { WasShown = true, ShowsFirst = showsFirst ?? writer.ShowsFirst }, cancel);

    /// <summary>Sends a line of a stream at once.</summary>
    public static async Task Send<T>(this HttpContext http, T piece, CancellationToken cancel)
    {
        await http.Response.WriteAsync(JsonSerializer.Serialize(piece, http.RequestServices.GetRequiredService<IOptions<JsonOptions>>().Value.SerializerOptions) + "\n", cancel);
        await http.Response.Body.FlushAsync(cancel);
    }
}
