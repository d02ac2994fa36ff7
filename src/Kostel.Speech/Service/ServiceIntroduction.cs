using Kostel.Core.Services;

namespace Kostel.Speech.Service;

/// <summary>Asks a service that a person enters for its models, before anything is kept.</summary>
public static class ServiceIntroduction
{
    private const int ModelsNamed = 8;
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(15);

    /// <summary>The service with the model that was named.</summary>
    /// <param name="address">As typed.</param>
    /// <param name="key">Null for the one that is known.</param>
    /// <param name="model">As typed.</param>
    /// <param name="known">The service as it was entered before, if any.</param>
    /// <exception cref="ServiceProblemException">It does not answer, or has no such model.</exception>
    /// <exception cref="Core.Problems.NotValidException">Something is too long.</exception>
    public static async Task<(ServiceAddress Address, ServiceModel Model)> Meet(string address, string? key, string model, ServiceAddress? known, CancellationToken cancel)
    {
        var place = ServiceAddress.Entered(address, key, model, known);
        using var client = new ServiceClient(place, patience: Patience);
        var models = await client.Models(cancel);
        if (models.FirstOrDefault(m => m.Id == place.Model) is { } found)
        {
            return (place, found);
        }

        var some = string.Join(", ", models.Select(m => m.Id).Take(ModelsNamed));
        throw new ServiceProblemException(models.Count == 0
            ? $"{place.Base.Host} answers, but offers no models."
            : $"{place.Base.Host} has no model '{place.Model}'. It has: {some}{(models.Count > ModelsNamed ? ", …" : "")}.");
    }
}
