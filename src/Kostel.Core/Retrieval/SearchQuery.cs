using System.Text;
using Kostel.Core.Text;

namespace Kostel.Core.Retrieval;

/// <summary>A part of what is looked for.</summary>
/// <param name="Words">One word, or the words of a phrase in their order; as <see cref="FoldedWord"/> has them.</param>
/// <param name="IsExact">Stood in quotation marks: no other form, no other spelling.</param>
/// <param name="IsBeginning">Words that begin so are meant too: an asterisk stands after it, or it is still being typed.</param>
public sealed record SearchTerm(IReadOnlyList<string> Words, bool IsExact, bool IsBeginning);

/// <summary>What a person looks for, taken apart: words, phrases in quotation marks, beginnings of words (<c>estu*</c>).</summary>
public sealed record SearchQuery(IReadOnlyList<SearchTerm> Terms)
{
    /// <summary>More say nothing more.</summary>
    private const int MostTerms = 24, ShortestBeginning = 2;

    private static readonly char[] Quotes = ['"', '“', '”', '„', '«', '»'];

    /// <summary>Whether there is nothing to look for.</summary>
    public bool IsEmpty => Terms.Count == 0;

    /// <summary>All words, for looking by meaning.</summary>
    public string Plain => string.Join(' ', Terms.SelectMany(t => t.Words));

    /// <summary>Reads what was entered. Any text is a query; what has no letter or digit is an empty one.</summary>
    /// <param name="isTyping">Whether the last word may not be whole yet.</param>
    public static SearchQuery Read(string text, bool isTyping = false)
    {
        var terms = new List<SearchTerm>();
        var isQuoted = false;
        foreach (var part in Parts(text))
        {
            if (part.Length == 1 && Quotes.Contains(part[0]))
            {
                isQuoted = !isQuoted;
                continue;
            }

            terms.AddRange(isQuoted ? Phrase(part) : Single(part));
        }

        if (isTyping && !isQuoted && terms is [.., { IsExact: false } last] && char.IsLetterOrDigit(text[^1]))
        {
            terms[^1] = last with { IsBeginning = last.Words[^1].Length >= ShortestBeginning };
        }

        var telling = terms.Where(t => t.IsExact || t.IsBeginning || !t.Words.All(StopWords.Contains)).ToList();
        return new SearchQuery((telling.Count > 0 ? telling : terms).DistinctBy(t => (string.Join(' ', t.Words), t.IsExact)).Take(MostTerms).ToList());
    }

    /// <summary>The text between quotation marks, and each of these.</summary>
    private static IEnumerable<string> Parts(string text)
    {
        var part = new StringBuilder();
        foreach (var c in text)
        {
            if (!Quotes.Contains(c))
            {
                part.Append(c);
                continue;
            }

            yield return part.ToString();
            part.Clear();
            yield return c.ToString();
        }

        yield return part.ToString();
    }

    private static IEnumerable<SearchTerm> Phrase(string text) =>
        FoldedWord.Of(text) is { Count: > 0 } words ? [new SearchTerm(words.Select(w => w.Text).ToList(), IsExact: true, IsBeginning: false)] : [];

    /// <summary>Words of their own; those that no space divides ("spring-tide", "3.5") belong together.</summary>
    private static IEnumerable<SearchTerm> Single(string text) => text
        .Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries)
        .Select(w => (Words: FoldedWord.Of(w).Select(f => f.Text).ToList(), IsBeginning: w.EndsWith('*')))
        .Where(w => w.Words.Count > 0)
        .Select(w => new SearchTerm(w.Words, IsExact: false, w.IsBeginning));
}
