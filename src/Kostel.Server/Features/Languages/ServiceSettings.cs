using System.Text.Json;
using Kostel.Core.Services;
using Kostel.Data;
using Kostel.Server.Shared;
using Kostel.Speech.Service;
using Microsoft.AspNetCore.DataProtection;

namespace Kostel.Server.Features.Languages;

/// <summary>The transcription service that the person entered. Off until it was asked and answered.</summary>
/// <param name="Key">Empty for a service without one, and where it was protected on another computer and must be entered again.</param>
/// <param name="Model">What it said of the model that is asked; null when it does not know it.</param>
public sealed record ServiceSettings(string Address, string Key, string ModelName, bool IsOn, ServiceModel? Model)
{
    /// <summary>How it is called where a transcript was made by it.</summary>
    public string Signature => $"{new Uri(Address).Host}, {ModelName}";

    /// <summary>Where it is.</summary>
    public ServiceAddress Place => ServiceAddress.Parse(Address, Key, ModelName);

    /// <summary>Without the key.</summary>
    public override string ToString() => Signature;
}

/// <summary>Keeps the service; its key only protected, so that neither the database nor a copy of it gives it away.</summary>
public sealed class ServiceStore(IDataProtectionProvider protection)
{
    private const string Name = "transcription-service";
    private readonly KeptKey keys = new(protection, Name);

    /// <summary>What was entered, or null.</summary>
    public async Task<ServiceSettings?> Read(KostelContext context, CancellationToken cancel) =>
        await context.Setting(Name, cancel) is { } value && JsonSerializer.Deserialize<Kept>(value, JsonSerializerOptions.Web) is { } kept
            ? new ServiceSettings(kept.Address, kept.Protected is null ? kept.Key ?? "" : keys.Open(kept.Protected), kept.ModelName, kept.IsOn, kept.Model)
            : null;

    /// <summary>Keeps it at once.</summary>
    public Task Keep(KostelContext context, ServiceSettings settings, CancellationToken cancel) => context.KeepSetting(
        Name,
        JsonSerializer.Serialize(
            new Kept(settings.Address, null, keys.Protect(settings.Key), settings.ModelName, settings.IsOn, settings.Model),
            JsonSerializerOptions.Web),
        cancel);

    /// <summary>Forgets it and its key at once.</summary>
    public static Task Forget(KostelContext context, CancellationToken cancel) => context.ForgetSetting(Name, cancel);

    /// <summary>Protects a key that an earlier Kostel wrote down as it was.</summary>
    public async Task ProtectEarlier(KostelContext context, CancellationToken cancel)
    {
        if (await context.Setting(Name, cancel) is { } value && JsonSerializer.Deserialize<Kept>(value, JsonSerializerOptions.Web) is { Key: not null, Protected: null }
            && await Read(context, cancel) is { } settings)
        {
            await Forget(context, cancel);
            await Keep(context, settings, cancel);
        }
    }

    /// <param name="Key">Only from before keys were protected.</param>
    private sealed record Kept(string Address, string? Key, string? Protected, string ModelName, bool IsOn, ServiceModel? Model);
}
