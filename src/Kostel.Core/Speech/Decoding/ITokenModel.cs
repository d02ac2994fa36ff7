namespace Kostel.Core.Speech.Decoding;

/// <summary>A beginning to be made one token longer.</summary>
/// <param name="Beginning">What came before: the number an earlier step gave it, or −1 for nothing.</param>
/// <param name="Token">The token to append.</param>
public readonly record struct Extension(int Beginning, int Token);

/// <summary>Says, for one utterance, how well every token would go on from each of several beginnings. For one thread.</summary>
public interface ITokenModel
{
    /// <summary>The number that the next extension will get.</summary>
    int Next { get; }

    /// <summary>
    /// Extends beginnings. The first gets the returned number, the second the next, and so on, and may itself be extended by
    /// a later one of the same call; the scores can be read until the next call.
    /// </summary>
    int Extend(ReadOnlySpan<Extension> extensions);

    /// <summary>The scores (logits) of all tokens after an extension of the last step.</summary>
    ReadOnlySpan<float> Scores(int row);

    /// <summary>How much each frame of the sound was attended to when the tokens after this beginning were scored.</summary>
    ReadOnlySpan<float> Attention(int beginning);
}
