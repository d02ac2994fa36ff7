using Kostel.Core.Study.Facts;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Chapters;

/// <summary>Names chapters after what they speak of and the others do not: terms they define, and phrases they repeat.</summary>
public static class ChapterTitles
{
    private const double NearlyAsGood = 0.55;

    private static readonly HashSet<string> BeforeThings =
        ["the", "a", "an", "of", "this", "that", "each", "every", "no", "its", "your", "our", "their", "in", "with", "from", "by", "for"];

    /// <summary>A title for each chapter, no two the same.</summary>
    public static IReadOnlyList<string> For(IReadOnlyList<IReadOnlyList<Sentence>> chapters)
    {
        var phrases = chapters.Select(KeyPhrases.Count).ToList();
        var titles = new List<string>();
        for (var c = 0; c < chapters.Count; c++)
        {
            var ranked = phrases[c]
                .Select(p => (Phrase: p.Key, Score: Score(p.Key, p.Value, c, phrases), p.Value.IsDefined))
                .Where(p => p.Score > 0 && (p.IsDefined || IsThing(p.Phrase, chapters[c])))
                .OrderByDescending(p => p.Score).ThenBy(p => p.Phrase, StringComparer.Ordinal)
                .ToList();
            titles.Add(Unused(Compose(ranked), titles, c));
        }

        return titles;
    }

    private static string Compose(List<(string Phrase, double Score, bool IsDefined)> ranked)
    {
        if (ranked.Count == 0)
        {
            return "";
        }

        // What a chapter defines is what it is about; of the rest, only a phrase of several words says more than the first alone.
        var first = ranked.Find(p => p.IsDefined) is { Phrase: not null } defined ? defined : ranked[0];
        var second = ranked.Find(p => (p.IsDefined || p.Phrase.Contains(' ')) && !SharesWord(p.Phrase, first.Phrase));
        var title = second.Phrase is not null && second.Score > first.Score * NearlyAsGood ? $"{first.Phrase} and {second.Phrase}" : first.Phrase;
        return char.ToUpperInvariant(title[0]) + title[1..];
    }

    /// <summary>Whether the phrase is used as the name of a thing: after an article or the like, and before a word that ends a name.</summary>
    private static bool IsThing(string phrase, IReadOnlyList<Sentence> sentences)
    {
        var parts = phrase.Split(' ');
        foreach (var sentence in sentences)
        {
            var words = sentence.Words.Select(w => string.Join(' ', Tokens.Of(w.Text))).ToList();
            for (var i = 1; i + parts.Length <= words.Count; i++)
            {
                var last = i + parts.Length - 1;
                var ends = last + 1 == words.Count || !char.IsLetterOrDigit(sentence.Words[last].Text[^1]) || StopWords.Contains(words[last + 1]);
                if (ends && BeforeThings.Contains(words[i - 1]) && words.Skip(i).Take(parts.Length).SequenceEqual(parts))
                {
                    return true;
                }
            }
        }

        return false;
    }

    private static string Unused(string title, List<string> taken, int number)
    {
        var wanted = title.Length == 0 ? (number == 0 ? "Opening" : $"Part {number + 1}") : title;
        return taken.Contains(wanted) ? $"More on {char.ToLowerInvariant(wanted[0])}{wanted[1..]}" : wanted;
    }

    /// <summary>Occurrences here, less what the other chapters' rate would lead one to expect, more for a phrase of several words and for a defined term.</summary>
    private static double Score(string phrase, PhraseUse use, int chapter, List<Dictionary<string, PhraseUse>> all)
    {
        var elsewhere = all.Where((_, i) => i != chapter).Sum(p => p.TryGetValue(phrase, out var u) ? u.Count : 0) / (double)Math.Max(1, all.Count - 1);
        if (use.Count < 2 && !use.IsDefined)
        {
            return 0;
        }

        var length = 1 + (0.45 * (phrase.Split(' ').Length - 1));
        return (use.Count - elsewhere + (use.IsDefined ? 2 : 0)) * length * use.Count / (use.Count + elsewhere);
    }

    private static bool SharesWord(string a, string b) =>
        a.Split(' ').Select(Tokens.Stem).Intersect(b.Split(' ').Select(Tokens.Stem)).Any();
}
