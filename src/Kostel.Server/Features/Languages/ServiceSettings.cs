using System.Text.Json;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Speech.Service;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Languages;

/// <summary>The transcription service that the person entered. Off until it was asked and answered.</summary>
/// <param name="Model">What it said of the model that is asked; null when it does not know it.</param>
public sealed record ServiceSettings(string Address, string Key, string ModelName, bool IsOn, ServiceModel? Model)
{
    private const string Name = "transcription-service";

    /// <summary>How it is called where a transcript was made by it.</summary>
    public string Signature => $"{new Uri(Address).Host}, {ModelName}";

    /// <summary>Where it is.</summary>
    public ServiceAddress Place => ServiceAddress.Parse(Address, Key, ModelName);

    /// <summary>What was entered, or null.</summary>
    public static async Task<ServiceSettings?> Read(KostelContext context, CancellationToken cancel) =>
        await context.Settings.AsNoTracking().FirstOrDefaultAsync(s => s.Name == Name, cancel) is { } row
            ? JsonSerializer.Deserialize<ServiceSettings>(row.Value, JsonSerializerOptions.Web)
            : null;

    /// <summary>Keeps it, at the next save.</summary>
    public async Task Keep(KostelContext context, CancellationToken cancel)
    {
        var value = JsonSerializer.Serialize(this, JsonSerializerOptions.Web);
        if (await context.Settings.FirstOrDefaultAsync(s => s.Name == Name, cancel) is { } row)
        {
            row.Value = value;
        }
        else
        {
            context.Settings.Add(new SettingRow { Name = Name, Value = value });
        }
    }

    /// <summary>Forgets it and its key at once.</summary>
    public static Task Forget(KostelContext context, CancellationToken cancel) =>
        context.Settings.Where(s => s.Name == Name).ExecuteDeleteAsync(cancel);

    /// <summary>Without the key.</summary>
    public override string ToString() => Signature;
}
