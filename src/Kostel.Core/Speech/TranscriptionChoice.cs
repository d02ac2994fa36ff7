using Kostel.Core.Entries;
using Kostel.Core.Problems;
using Kostel.Core.Speech.Languages;
using Kostel.Core.Speech.Speakers;

namespace Kostel.Core.Speech;

/// <summary>How a recording is to be transcribed.</summary>
/// <param name="Language">The code of what is spoken; null to find out from the first half minute.</param>
/// <param name="ByService">By a service on the network, so that the sound leaves this computer; else here.</param>
/// <param name="Voices">How many people speak; null to find out.</param>
/// <param name="Model">The name of a recogniser of the person's own, which then decides the language; null for what Kostel comes with.</param>
public sealed record TranscriptionChoice(Accuracy Accuracy, string? Language = null, bool ByService = false, int? Voices = null, string? Model = null)
{
    /// <summary>Sees to it that everything that was chosen makes sense.</summary>
    /// <exception cref="NotValidException">It does not.</exception>
    public TranscriptionChoice Required()
    {
        if (Language is not null && !SpokenLanguages.IsCode(Language))
        {
            throw new NotValidException("A language has a code of two or three letters.");
        }

        if (Model is not null)
        {
            return ByService
                ? throw new NotValidException("A recogniser of your own works on this computer, not by a service.")
                : (this with { Model = EntryRules.ModelName.Read(Model) }).WithVoices();
        }

        return WithVoices();
    }

    private TranscriptionChoice WithVoices() =>
        Voices is null or (>= 1 and <= Diarisation.MostVoices) ? this : throw new NotValidException($"There can be 1 to {Diarisation.MostVoices} voices.");
}
