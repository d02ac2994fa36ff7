using Kostel.Core.Entries;
using Kostel.Core.Problems;
using Kostel.Core.Services;
using Kostel.Data;
using Kostel.Server.Http;
using Kostel.Writing;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;

namespace Kostel.Server.Features.Writing;

/// <summary>The model of the person's own.</summary>
/// <param name="IsHere">Whether it runs on this computer.</param>
/// <param name="IsEncrypted">Whether nobody on the way can read along.</param>
/// <param name="ShowsFirst">Whether what is sent is shown each time before.</param>
public sealed record WriterView(string Address, string Host, string Model, bool HasKey, bool IsOn, bool IsHere, bool IsEncrypted, bool ShowsFirst);

/// <summary>The model, if one was entered, and the instructions.</summary>
public sealed record WritersView(WriterView? Writer, IReadOnlyList<WriterInstructions> Instructions);

/// <summary>A model as it is entered. <paramref name="Key"/> null keeps the one that is there.</summary>
public sealed record WriterEntry(string Address, string? Key, string Model, bool Agreed);

/// <summary>On or off, and whether what is sent is shown each time before; null leaves it.</summary>
public sealed record WriterChange(bool? IsOn = null, bool? ShowsFirst = null);

/// <summary>A language model of the person's own: where it is, and how it is to write.</summary>
internal static class WriterEndpoints
{
    private const int MostInstructions = 30;
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(20);

    public static void MapWriter(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/writer", Get).WithName("getWriter");
        app.MapPut("/api/writer", Enter).WithName("enterWriter");
        app.MapPost("/api/writer", Change).WithName("changeWriter");
        app.MapDelete("/api/writer", Forget).WithName("forgetWriter");
        app.MapPut("/api/writer/instructions", KeepInstructions).WithName("keepInstructions");
        app.MapDelete("/api/writer/instructions", ForgetInstructions).WithName("forgetInstructions");
    }

    private static async Task<Ok<WritersView>> Get(KostelContext context, WriterStore writers, CancellationToken cancel) =>
        TypedResults.Ok(new WritersView(await writers.Read(context, cancel) is { } writer ? View(writer) : null, await WriterStore.Instructions(context, cancel)));

    /// <summary>Asks it for a word with what was entered; only when it answers is anything kept, and it is on.</summary>
    private static async Task<Ok<WriterView>> Enter(WriterEntry entry, KostelContext context, WriterStore writers, CancellationToken cancel)
    {
        if (!entry.Agreed)
        {
            throw new PlainProblemException(StatusCodes.Status400BadRequest, "Confirm first that passages of your lectures may be sent there.");
        }

        var place = ServiceAddress.Entered(entry.Address, entry.Key, entry.Model, (await writers.Read(context, cancel))?.Place);
        using (var client = new WritingClient(place, Patience))
        {
            await client.Meet(cancel);
        }

        var settings = new WriterSettings(place, IsOn: true, ShowsFirst: true, WasShown: false);
        await writers.Keep(context, settings, cancel);
        return TypedResults.Ok(View(settings));
    }

    private static async Task<Ok<WriterView>> Change(WriterChange wanted, KostelContext context, WriterStore writers, CancellationToken cancel)
    {
        var settings = await writers.Read(context, cancel) ?? throw PlainProblemException.NotThere("model");
        settings = settings with { IsOn = wanted.IsOn ?? settings.IsOn, ShowsFirst = wanted.ShowsFirst ?? settings.ShowsFirst };
        await writers.Keep(context, settings, cancel);
        return TypedResults.Ok(View(settings));
    }

    private static async Task<NoContent> Forget(KostelContext context, CancellationToken cancel)
    {
        await WriterStore.Forget(context, cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Ok<IReadOnlyList<WriterInstructions>>> KeepInstructions(WriterInstructions instructions, KostelContext context, CancellationToken cancel)
    {
        var kept = new WriterInstructions(EntryRules.InstructionsName.Read(instructions.Name), EntryRules.Instructions.Read(instructions.Text));
        IReadOnlyList<WriterInstructions> all = [.. (await WriterStore.Instructions(context, cancel)).Where(i => i.Name != kept.Name), kept];
        if (all.Count > MostInstructions)
        {
            throw new NotValidException($"More than {MostInstructions} are too many to choose from. Delete one first.");
        }

        await WriterStore.Keep(context, all, cancel);
        return TypedResults.Ok(all);
    }

    private static async Task<Ok<IReadOnlyList<WriterInstructions>>> ForgetInstructions([FromQuery] string name, KostelContext context, CancellationToken cancel)
    {
        IReadOnlyList<WriterInstructions> left = (await WriterStore.Instructions(context, cancel)).Where(i => i.Name != name).ToList();
        await WriterStore.Keep(context, left, cancel);
        return TypedResults.Ok(left);
    }

    private static WriterView View(WriterSettings s) =>
        new(s.Place.Base.ToString(), s.Place.Base.Host, s.Place.Model, s.Place.Key.Length > 0, s.IsOn, s.Place.IsHere, s.Place.IsEncrypted, s.ShowsFirst);
}
