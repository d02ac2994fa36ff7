using Kostel.Core.Services;
using Kostel.Core.Speech;
using Kostel.Core.Speech.Terms;
using Kostel.Data;
using Kostel.Server.Features.Languages;
using Kostel.Speech.Service;

namespace Kostel.Server.Jobs.Transcription;

/// <summary>Who recognises: this computer, or the service that the person entered.</summary>
internal sealed class RecogniserChoice(LoadedEngine engine, ServiceStore services)
{
    /// <summary>Opens what was chosen.</summary>
    /// <exception cref="ServiceProblemException">The service is wanted and switched off.</exception>
    public async Task<OpenRecogniser> Open(KostelContext context, TranscriptionChoice choice, CancellationToken cancel)
    {
        if (!choice.ByService)
        {
            return new OpenRecogniser(engine, null, null, choice.Model);
        }

        return await services.Read(context, cancel) is { IsOn: true } settings
            ? new OpenRecogniser(engine, new ServiceClient(settings.Place), settings.Signature)
            : throw new ServiceProblemException("The transcription service is switched off. Switch it on under Languages, or transcribe on this computer.");
    }
}

/// <summary>Recognisers of one place.</summary>
internal sealed class OpenRecogniser(LoadedEngine engine, ServiceClient? service, string? signature, string? own = null) : IDisposable
{
    /// <summary>The service, or the weights of the person's own; null for what Kostel comes with.</summary>
    public string? Signature => signature ?? own;

    /// <summary>The recogniser for a language.</summary>
    /// <param name="terms">Words of the subject to listen for.</param>
    public IRecogniser For(string language, Accuracy accuracy, IReadOnlyList<CourseTerm> terms) =>
        service is null ? engine.Value.Recogniser(language, accuracy, terms, own) : new ServiceRecogniser(service, language);

    /// <inheritdoc/>
    public void Dispose() => service?.Dispose();
}
