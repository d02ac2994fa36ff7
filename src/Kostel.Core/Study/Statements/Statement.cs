using Kostel.Core.Grammar;
using Kostel.Core.Study.Facts;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Statements;

/// <summary>One thing that a lecture states, in a run of its own words.</summary>
/// <param name="Part">The words, with a capital and a full stop.</param>
/// <param name="Before">The sentences without which it is not understood; none where it stands alone.</param>
/// <param name="Grammar">What it is made of; null where that cannot be told.</param>
/// <param name="Sentence">The place of its sentence in the lecture.</param>
/// <param name="Worth">How likely it is worth knowing, from 0 to 1.</param>
/// <param name="IsIllFormed">The grammar has no place for some of its words: it was misheard, or broken off.</param>
/// <param name="Source">Where it is said with what it leans on, every word between them too.</param>
public sealed record Statement(Sentence Part, IReadOnlyList<Sentence> Before, SentenceGrammar? Grammar, int Sentence, double Worth, bool IsIllFormed, Evidence Source)
{
    /// <summary>How many words it takes, with what it needs.</summary>
    public int WordCount => Part.Words.Count + Before.Sum(b => b.Words.Count);

    /// <summary>Where its own words are said, without what it leans on.</summary>
    public Evidence Own => Source with { PassageId = Part.PassageId, StartMs = Part.StartMs, EndMs = Part.EndMs, Quote = Part.Text };

    /// <summary>What to read before it, with a space behind it; empty where it stands alone.</summary>
    public string Context => string.Concat(Before.Select(b => QuotableSentence.Untied(b.Text) + " "));

    /// <summary>Whether it points to what was said before.</summary>
    public static bool Leans(Sentence sentence)
    {
        var words = Tokens.Of(sentence.Text);
        return (Enumerable.Range(0, Math.Min(2, words.Count)).Any(i => Pointing.Contains(words[i]) && !IsSaidBehind(words, i)) && !CountsOne(words)) || words.Take(5).Any(w => w is "it" or "they" or "them" or "it's" or "they're") || words is [_, "call", "that", ..] || IsOneOfMany(words)
            || words.Zip(words.Skip(1)).Any(p => p is ("that", "reason" or "way" or "case")) || Enumerable.Range(0, words.Count).Any(i => words[i] is "this" or "these" or "those" && !IsSaidBehind(words, i) && !IsSaidBefore(words, i)) || Unsaid.IsIn(words);
    }

    /// <summary>"Those who owe money", "there's a muscle in the ear": who or what is said behind.</summary>
    private static bool IsSaidBehind(IReadOnlyList<string> words, int at) => at + 1 < words.Count && words[at] switch
    {
        "those" => words[at + 1] is "who" or "who've" or "who're" or "whose" or "which" or "that" or "of" or "with" or "without",
        "there's" => words[at + 1] is "a" or "an" or "no" or "always" or "never" || NumberWords.IsNumber(words[at + 1]),
        _ => false,
    };

    /// <summary>"… to keep a book, and from these books it makes a basket": the same thing was named in the sentence.</summary>
    private static bool IsSaidBefore(IReadOnlyList<string> words, int at) =>
        at + 1 < words.Count && Tokens.Stem(words[at + 1]) is var named && words[at + 1].Length > 2 && !StopWords.Contains(words[at + 1]) && words.Take(at).Any(w => Tokens.Stem(w) == named);

    /// <summary>"The second trouble begins …": which the others are was said before; "the second law of motion" has its name.</summary>
    private static bool IsOneOfMany(IReadOnlyList<string> words) => words is ["the", "second" or "third" or "fourth" or "fifth" or "latter" or "former", ..] && !words.Skip(3).Take(2).Contains("of");

    /// <summary>"One reader in twelve", "one metre": a number, and nothing that was said before.</summary>
    private static bool CountsOne(IReadOnlyList<string> words) => words is ["one", var counted, ..] && !Pointing.Contains(counted) && !StopWords.Contains(counted) && !WordForms.IsVerbOrAdverb(counted);

    private static readonly HashSet<string> Pointing =
    [
        "it", "this", "these", "they", "that", "those", "such", "he", "she", "it's", "that's", "them", "its", "their", "both", "either", "neither", "another", "others", "other", "one", "here", "there's", "they're", "same", "instead", "otherwise",
    ];
}
