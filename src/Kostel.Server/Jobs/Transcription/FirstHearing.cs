using Kostel.Core.Speech.Languages;
using Kostel.Media;

namespace Kostel.Server.Jobs.Transcription;

/// <summary>Finds out the language of a recording while it is already being written down: the first words do not wait for it.</summary>
/// <param name="among">Codes that can be recognised here, the one that is being written first.</param>
internal sealed class FirstHearing(LoadedEngine engine, string path, IReadOnlyList<string> among, CancellationToken cancel) : IDisposable
{
    private readonly CancellationTokenSource stop = CancellationTokenSource.CreateLinkedTokenSource(cancel);
    private Task<LanguageGuess>? hearing;

    /// <summary>What came out; null as long as nothing has.</summary>
    public LanguageGuess? SoFar => hearing is { IsCompletedSuccessfully: true } done ? done.Result : null;

    /// <summary>Begins, if it has not.</summary>
    public Task<LanguageGuess> Begin() =>
        hearing ??= Task.Run(() => engine.Value.OpenLanguageFinder().Find(() => Recording.Decode(path, stop.Token), among, stop.Token), stop.Token);

    /// <inheritdoc/>
    public void Dispose()
    {
        stop.Cancel();

        // Nobody waits for what is not wanted any more.
        hearing?.ContinueWith(t => t.Exception, TaskScheduler.Default);
        stop.Dispose();
    }
}
