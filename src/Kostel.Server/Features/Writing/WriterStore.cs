using System.Text.Json;
using Kostel.Core.Services;
using Kostel.Data;
using Kostel.Server.Shared;
using Microsoft.AspNetCore.DataProtection;

namespace Kostel.Server.Features.Writing;

/// <summary>Instructions of the person's own on how to write, by name.</summary>
public sealed record WriterInstructions(string Name, string Text);

/// <summary>The model that the person entered. Off until it was asked and answered.</summary>
/// <param name="ShowsFirst">Whether the person sees each time what is sent, before it is.</param>
/// <param name="WasShown">Whether they saw it once.</param>
public sealed record WriterSettings(ServiceAddress Place, bool IsOn, bool ShowsFirst, bool WasShown)
{
    /// <summary>Whether the person must see what is sent before it is: the first time, and elsewhere than on this computer each time unless they said otherwise.</summary>
    public bool MustShow => !WasShown || (ShowsFirst && !Place.IsHere);
}

/// <summary>Keeps the model of the person's own, its key only protected, and their instructions.</summary>
public sealed class WriterStore(IDataProtectionProvider protection)
{
    private const string Name = "writing-service", InstructionsName = "writing-instructions";
    private readonly KeptKey keys = new(protection, Name);

    /// <summary>What was entered, or null.</summary>
    public async Task<WriterSettings?> Read(KostelContext context, CancellationToken cancel) =>
        await context.Setting(Name, cancel) is { } value && JsonSerializer.Deserialize<Kept>(value, JsonSerializerOptions.Web) is { } kept
            ? new WriterSettings(ServiceAddress.Parse(kept.Address, keys.Open(kept.Protected), kept.Model), kept.IsOn, kept.ShowsFirst, kept.WasShown)
            : null;

    /// <summary>Keeps it at once.</summary>
    public Task Keep(KostelContext context, WriterSettings settings, CancellationToken cancel) => context.KeepSetting(
        Name,
        JsonSerializer.Serialize(new Kept(settings.Place.Base.ToString(), keys.Protect(settings.Place.Key), settings.Place.Model, settings.IsOn, settings.ShowsFirst, settings.WasShown), JsonSerializerOptions.Web),
        cancel);

    /// <summary>Forgets it and its key at once.</summary>
    public static Task Forget(KostelContext context, CancellationToken cancel) => context.ForgetSetting(Name, cancel);

    /// <summary>The instructions, by name.</summary>
    public static async Task<IReadOnlyList<WriterInstructions>> Instructions(KostelContext context, CancellationToken cancel) =>
        await context.Setting(InstructionsName, cancel) is { } value ? JsonSerializer.Deserialize<List<WriterInstructions>>(value, JsonSerializerOptions.Web) ?? [] : [];

    /// <summary>Keeps all of them at once.</summary>
    public static Task Keep(KostelContext context, IReadOnlyList<WriterInstructions> instructions, CancellationToken cancel) =>
        context.KeepSetting(InstructionsName, JsonSerializer.Serialize(instructions, JsonSerializerOptions.Web), cancel);

    private sealed record Kept(string Address, string? Protected, string Model, bool IsOn, bool ShowsFirst, bool WasShown);
}
