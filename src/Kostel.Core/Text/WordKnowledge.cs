namespace Kostel.Core.Text;

/// <summary>What is known of English words beside the lecture: what they mean, what kinds of word they can be, and which mean the same or a kind of it. Any may be missing.</summary>
public sealed record WordKnowledge(WordVectors Vectors, Lexicon Lexicon, WordRelations Relations)
{
    /// <summary>Nothing is known: what works with it does what it can without.</summary>
    public static WordKnowledge None { get; } = new(WordVectors.None, Lexicon.None, WordRelations.None);

    /// <summary>The vectors were learned from what people typed: what comes behind so many words in them may be a slip itself.</summary>
    private const int CommonPlaces = 30_000;

    /// <summary>Whether a word in small letters, in whatever form it stands, is in a dictionary or common.</summary>
    public bool Knows(string word) => Lexicon.KindsOf(word).Total > 0 || (word.EndsWith("men", StringComparison.Ordinal) && Lexicon.KindsOf(word[..^3] + "man").Total > 0) || StopWords.Contains(word) || (uint)Vectors.PlaceOf(word) < CommonPlaces;
}
