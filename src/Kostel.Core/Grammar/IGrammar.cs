namespace Kostel.Core.Grammar;

/// <summary>Reads the grammar of sentences.</summary>
public interface IGrammar
{
    /// <summary>What each sentence is made of; null where that cannot be told: too long, in another language, no grammar there.</summary>
    /// <param name="sentences">English, words divided by single spaces.</param>
    /// <param name="cancel">Stops between two sentences.</param>
    IReadOnlyList<SentenceGrammar?> Read(IReadOnlyList<string> sentences, CancellationToken cancel = default);
}

/// <summary>Where no grammar is installed.</summary>
public sealed class NoGrammar : IGrammar
{
    /// <summary>The one there needs to be.</summary>
    public static readonly NoGrammar Instance = new();

    private NoGrammar()
    {
    }

    /// <inheritdoc/>
    public IReadOnlyList<SentenceGrammar?> Read(IReadOnlyList<string> sentences, CancellationToken cancel = default) => new SentenceGrammar?[sentences.Count];
}
