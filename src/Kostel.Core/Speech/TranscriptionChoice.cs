using Kostel.Core.Speech.Languages;
using Kostel.Core.Speech.Speakers;

namespace Kostel.Core.Speech;

/// <summary>How a recording is to be transcribed.</summary>
/// <param name="Language">The code of what is spoken; null to find out from the first half minute.</param>
/// <param name="ByService">By a service on the network, so that the sound leaves this computer; else here.</param>
/// <param name="Voices">How many people speak; null to find out.</param>
public sealed record TranscriptionChoice(Accuracy Accuracy, string? Language = null, bool ByService = false, int? Voices = null)
{
    /// <summary>Whether everything that was chosen makes sense.</summary>
    public bool IsSound => (Language is null || SpokenLanguages.IsCode(Language)) && Voices is null or (>= 1 and <= Diarisation.MostVoices);
}
