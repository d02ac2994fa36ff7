namespace Kostel.Core.Grammar;

/// <summary>What a sentence is made of.</summary>
/// <param name="Skipped">Words that had to be left out for the rest to be a sentence; misheard sentences have some.</param>
/// <param name="Cost">How far-fetched the reading is; 0 is plain, above 5 is doubtful.</param>
/// <param name="Root">The whole.</param>
public sealed record SentenceGrammar(int Skipped, double Cost, Constituent Root)
{
    private const double FarFetched = 7;

    /// <summary>What each place of the sentence was read as; the first part of a word that was read as two ("it's").</summary>
    public IReadOnlyDictionary<int, Constituent> ByPlace { get; } = Root.Leaves().SelectMany(l => Enumerable.Range(l.First, l.Count).Select(at => (At: at, Leaf: l))).DistinctBy(p => p.At).ToDictionary(p => p.At, p => p.Leaf);

    /// <summary>Every word has its place in it.</summary>
    public bool IsWhole => Skipped == 0 && Cost < FarFetched;
}

/// <summary>A part of a sentence, or one of its words.</summary>
/// <param name="Label">"S" a clause, "SBAR" a subordinate one, "NP" a noun phrase, "VP" a verb phrase, "PP", "ADVP", "ADJP", "QP"; empty for a word.</param>
/// <param name="Tag">Of a word, what it was read as: "v" a verb (v-d past), "n" a noun, "a" an adjective, "e" an adverb, "r" or "p" a preposition; empty where nothing was told.</param>
/// <param name="First">Its first word's place in the sentence; -1 where it holds none (a comma).</param>
/// <param name="Count">How many words of the sentence it takes.</param>
/// <param name="Parts">What it is made of; none for a word.</param>
public sealed record Constituent(string Label, string Tag, int First, int Count, IReadOnlyList<Constituent> Parts)
{
    /// <summary>The place after its last word.</summary>
    public int End => First + Count;

    /// <summary>Itself and all within it.</summary>
    public IEnumerable<Constituent> All() => Parts.SelectMany(p => p.All()).Prepend(this);

    /// <summary>Its words.</summary>
    public IEnumerable<Constituent> Leaves() => All().Where(p => p.Parts.Count == 0 && p.First >= 0);

    /// <summary>Whether a word was read as a verb that can carry a clause.</summary>
    public bool IsVerb => Tag is "v" || Tag.StartsWith("v-", StringComparison.Ordinal) || Tag.StartsWith('q');
}
