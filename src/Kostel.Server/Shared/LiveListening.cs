using Kostel.Core.Speech;
using Kostel.Core.Speech.Languages;
using Kostel.Core.Speech.Terms;
using Kostel.Data;
using Kostel.Server.Jobs.Transcription;

namespace Kostel.Server.Shared;

/// <summary>Opens the recogniser for those who speak to Kostel now: in the fast way, with the terms of their subject.</summary>
internal sealed class LiveListening(LibraryFolder library, RecogniserChoice recognisers, LoadedEngine engine, TimeProvider time)
{
    /// <summary>Lets a hearing begin.</summary>
    /// <param name="language">What is spoken; English where that is not said.</param>
    public void Begin(LiveHearing hearing, string? language, IReadOnlyList<CourseTerm> terms)
    {
        var spoken = language ?? SpokenLanguages.English;
        hearing.Begin(
            async () =>
            {
                await using var fresh = library.CreateDbContext();
                var recogniser = (await recognisers.Open(fresh, new TranscriptionChoice(Accuracy.Fast, spoken), CancellationToken.None)).For(spoken, Accuracy.Fast, terms);
                return (recogniser, engine.Value.ListenForVoice());
            },
            time);
    }
}
