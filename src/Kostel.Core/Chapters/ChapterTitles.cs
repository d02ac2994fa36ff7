using Kostel.Core.Study.Facts;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Chapters;

/// <summary>Names chapters after what they speak of and the others do not: terms they define, and phrases they repeat.</summary>
public static class ChapterTitles
{
    private const int LongestPhrase = 3;

    /// <summary>A title for each chapter, no two the same.</summary>
    public static IReadOnlyList<string> For(IReadOnlyList<IReadOnlyList<Sentence>> chapters)
    {
        var phrases = chapters.Select(CountPhrases).ToList();
        var titles = new List<string>();
        for (var c = 0; c < chapters.Count; c++)
        {
            var ranked = phrases[c]
                .Select(p => (Phrase: p.Key, Score: Score(p.Key, p.Value, c, phrases)))
                .Where(p => p.Score > 0)
                .OrderByDescending(p => p.Score).ThenBy(p => p.Phrase, StringComparer.Ordinal)
                .ToList();
            titles.Add(Unused(Compose(ranked), titles, c));
        }

        return titles;
    }

    private static string Compose(List<(string Phrase, double Score)> ranked)
    {
        if (ranked.Count == 0)
        {
            return "";
        }

        var first = ranked[0];
        var second = ranked.Skip(1).FirstOrDefault(p => !SharesWord(p.Phrase, first.Phrase));
        var title = second.Phrase is not null && second.Score > first.Score * 0.55 ? $"{first.Phrase} and {second.Phrase}" : first.Phrase;
        return char.ToUpperInvariant(title[0]) + title[1..];
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

    private static Dictionary<string, PhraseUse> CountPhrases(IReadOnlyList<Sentence> sentences)
    {
        var counts = new Dictionary<string, PhraseUse>();
        foreach (var sentence in sentences)
        {
            var words = sentence.Words.SelectMany(w => w.Confidence < Standing.SureEnough ? [""] : Tokens.Of(w.Text)).ToList();
            for (var i = 0; i < words.Count; i++)
            {
                for (var n = 1; n <= LongestPhrase && i + n <= words.Count; n++)
                {
                    if (IsNaming(words, i, n))
                    {
                        Add(string.Join(' ', words.Skip(i).Take(n)), false);
                    }
                }
            }

            if (Standing.IsHeardWell(sentence) && Definitions.Find(sentence) is { } definition)
            {
                Add(definition.Term.ToLowerInvariant(), true);
            }
        }

        return counts;

        void Add(string phrase, bool defines)
        {
            var use = counts.GetValueOrDefault(phrase);
            counts[phrase] = new PhraseUse((use?.Count ?? 0) + (defines ? 0 : 1), defines || use?.IsDefined == true);
        }
    }

    private static bool IsNaming(IReadOnlyList<string> words, int from, int count)
    {
        for (var i = from; i < from + count; i++)
        {
            if (StopWords.Contains(words[i]) || NumberWords.IsNumber(words[i]) || words[i].Length < 3 || WordForms.IsVerbOrAdverb(words[i]) || WordForms.IsMeasure(words[i]))
            {
                return false;
            }
        }

        return true;
    }

    private static bool SharesWord(string a, string b) =>
        a.Split(' ').Select(Tokens.Stem).Intersect(b.Split(' ').Select(Tokens.Stem)).Any();

    private sealed record PhraseUse(int Count, bool IsDefined);
}
