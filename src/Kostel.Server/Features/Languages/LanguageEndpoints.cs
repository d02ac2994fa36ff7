using Kostel.Core.Speech.Languages;
using Kostel.Core.Text;
using Kostel.Data;
using Kostel.Server.Http;
using Kostel.Speech;
using Kostel.Speech.Own;
using Kostel.Speech.Service;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Kostel.Server.Features.Languages;

/// <summary>A language by its code.</summary>
public sealed record LanguageView(string Code, string Name)
{
    internal static LanguageView Of(string code) => new(code, SpokenLanguages.NameOf(code));
}

/// <summary>A language that can be added on this computer.</summary>
/// <param name="Command">What to type for it; the licence is shown then.</param>
public sealed record PackView(string Code, string Name, string Licence, string Command);

/// <summary>A recogniser of the person's own.</summary>
/// <param name="Language">What it hears.</param>
/// <param name="Layers">Of its decoder.</param>
/// <param name="Licence">The first line of its licence.</param>
/// <param name="LicenceText">All of it; null where none was found.</param>
public sealed record OwnModelView(string Name, LanguageView Language, long Bytes, int Layers, int Width, string Licence, string? LicenceText, double SpeedFactor)
{
    internal static OwnModelView Of(OwnModel model) => new(
        model.Name, LanguageView.Of(model.Language), model.Bytes, model.Layers, model.Width, OneLine.Of(model.LicenceLine, 160), model.Licence, model.SpeedFactor);
}

/// <summary>The transcription service, without its key.</summary>
/// <param name="Host">Where the sound would go.</param>
/// <param name="Languages">What it says it understands; null when it does not say.</param>
/// <param name="Translates">Whether it says that it also translates; null when it does not say.</param>
/// <param name="IsEncrypted">Whether the way there is.</param>
public sealed record ServiceView(
    string Address, string Host, string Model, bool HasKey, bool IsOn, IReadOnlyList<LanguageView>? Languages, bool? Translates, bool IsEncrypted);

/// <summary>Which languages can be transcribed, and with what.</summary>
/// <param name="Here">On this computer.</param>
/// <param name="Own">Recognisers of the person's own.</param>
/// <param name="Spelling">How English is spelled in what is transcribed from now on.</param>
public sealed record LanguagesView(IReadOnlyList<LanguageView> Here, IReadOnlyList<PackView> Packs, IReadOnlyList<OwnModelView> Own, ServiceView? Service, Spelling Spelling);

/// <summary>The spelling of English from now on.</summary>
public sealed record SpellingChoice(Spelling Spelling);

/// <summary>What was entered about a service.</summary>
/// <param name="Key">Null keeps the one that is there.</param>
/// <param name="Agreed">The person has read that sound leaves this computer.</param>
public sealed record ServiceEntry(string Address, string? Key, string Model, bool Agreed);

/// <summary>A switch.</summary>
public sealed record ServiceSwitch(bool IsOn);

internal static class LanguageEndpoints
{
    public static void MapLanguages(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/languages", Get).WithName("getLanguages");
        app.MapPut("/api/spelling", Spell).WithName("chooseSpelling");
        app.MapPut("/api/service", Enter).WithName("enterService");
        app.MapPost("/api/service/switch", Switch).WithName("switchService");
        app.MapDelete("/api/service", Forget).WithName("forgetService");
    }

    private static async Task<Ok<LanguagesView>> Get(KostelContext context, ModelFolder models, ServiceStore services, CancellationToken cancel)
    {
        var here = SpeechEngine.Languages(models);
        return TypedResults.Ok(new LanguagesView(
            here.Select(LanguageView.Of).ToList(),
            models.Packs.Where(p => !here.Contains(p.Code)).Select(p => new PackView(p.Code, p.Name, p.Summary, $"./kostel models add {p.Code}")).ToList(),
            models.Own.All().Select(OwnModelView.Of).ToList(),
            await services.Read(context, cancel) is { } service ? View(service) : null,
            await SpellingSetting.Read(context, cancel)));
    }

    private static async Task<NoContent> Spell(SpellingChoice choice, KostelContext context, CancellationToken cancel)
    {
        await SpellingSetting.Keep(context, choice.Spelling, cancel);
        return TypedResults.NoContent();
    }

    /// <summary>Asks the service for its models with what was entered; only when it answers is anything kept, and the service on.</summary>
    private static async Task<Ok<ServiceView>> Enter(ServiceEntry entry, KostelContext context, ServiceStore services, CancellationToken cancel)
    {
        if (!entry.Agreed)
        {
            throw new PlainProblemException(StatusCodes.Status400BadRequest, "Confirm first that the sound of these lectures may leave this computer.");
        }

        var before = await services.Read(context, cancel);
        var (address, model) = await ServiceIntroduction.Meet(entry.Address, entry.Key, entry.Model, before?.Place, cancel);
        var settings = new ServiceSettings(address.Base.ToString(), address.Key, address.Model, IsOn: true, model);
        await services.Keep(context, settings, cancel);
        return TypedResults.Ok(View(settings));
    }

    private static async Task<Ok<ServiceView>> Switch(ServiceSwitch wanted, KostelContext context, ServiceStore services, CancellationToken cancel)
    {
        var settings = (await services.Read(context, cancel) ?? throw PlainProblemException.NotThere("service")) with { IsOn = wanted.IsOn };
        await services.Keep(context, settings, cancel);
        return TypedResults.Ok(View(settings));
    }

    private static async Task<NoContent> Forget(KostelContext context, CancellationToken cancel)
    {
        await ServiceStore.Forget(context, cancel);
        return TypedResults.NoContent();
    }

    private static ServiceView View(ServiceSettings service)
    {
        var place = service.Place;
        return new ServiceView(
            service.Address, place.Base.Host, service.ModelName, service.Key.Length > 0, service.IsOn,
            service.Model?.Languages?.Select(LanguageView.Of).OrderBy(l => l.Name, StringComparer.Ordinal).ToList(), service.Model?.Translates,
            place.IsEncrypted);
    }
}
