namespace Kostel.Core.Text;

/// <summary>What is known of English words beside the lecture: what they mean, what kinds of word they can be, and which mean the same or a kind of it. Any may be missing.</summary>
public sealed record WordKnowledge(WordVectors Vectors, Lexicon Lexicon, WordRelations Relations)
{
    /// <summary>Nothing is known: what works with it does what it can without.</summary>
    public static WordKnowledge None { get; } = new(WordVectors.None, Lexicon.None, WordRelations.None);
}
