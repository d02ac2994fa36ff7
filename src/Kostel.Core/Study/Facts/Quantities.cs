using System.Text.RegularExpressions;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Facts;

/// <summary>A number with its unit that a sentence states.</summary>
/// <param name="Text">As written ("twelve hours and 25 minutes").</param>
/// <param name="Unit">The last word, stemmed ("minut").</param>
/// <param name="Value">The first number's value.</param>
/// <param name="FirstWord">Index of its first word in the sentence.</param>
/// <param name="WordCount">Number of words it takes.</param>
public sealed record Quantity(string Text, string Unit, double Value, int FirstWord, int WordCount, Sentence Sentence);

/// <summary>Finds numbers with units.</summary>
public static partial class Quantities
{
    private static readonly HashSet<string> NoUnits =
    [
        "of", "and", "or", "is", "are", "in", "on", "at", "to", "the", "a", "an", "it", "that", "this", "for", "from", "by", "with", "as",
        "but", "than", "you", "we", "they", "was", "were", "hardest", "moves", "under", "must",
    ];

    /// <summary>All quantities of a sentence, in order.</summary>
    public static IReadOnlyList<Quantity> Find(Sentence sentence)
    {
        var words = sentence.Words.Select(w => Clean(w.Text)).ToList();
        var found = new List<Quantity>();
        for (var i = 0; i < words.Count; i++)
        {
            var (value, used) = NumberWords.Read(words, i);
            if (used == 0)
            {
                continue;
            }

            if (sentence.Words[i].Text.Contains('%'))
            {
                found.Add(new Quantity(sentence.Words[i].Text.TrimEnd('.', ',', ';', ':'), "%", value, i, 1, sentence));
                continue;
            }

            // "two or three hours" is one quantity.
            if (i + used + 1 < words.Count && words[i + used] is "or" or "to" && NumberWords.Read(words, i + used + 1).Used is var more and > 0)
            {
                used += 1 + more;
            }

            var end = Extend(words, sentence, i + used);
            // "A tender one rolls": no unit is several of one.
            if (end > i + used && !(used == 1 && words[i] == "one" && words[end - 1].EndsWith('s') && !IsMeasure(words[end - 1])))
            {
                var text = string.Join(' ', sentence.Words.Skip(i).Take(end - i).Select(w => w.Text)).TrimEnd('.', ',', ';', ':');
                found.Add(new Quantity(text, Tokens.Stem(words[end - 1]), value, i, end - i, sentence));
                i = end - 1;
            }
        }

        return found;
    }

    /// <summary>Whether its unit is one of measure: hours and knots, not runners and marks.</summary>
    public static bool IsMeasured(Quantity quantity) => IsMeasure(quantity.Text.EndsWith('%') ? "%" : Clean(quantity.Text.Split(' ')[^1]));

    /// <summary>Takes the unit, and a second number with its unit after "and" ("hours and 25 minutes").</summary>
    private static int Extend(List<string> words, Sentence sentence, int at)
    {
        if (at + 1 < words.Count && words[at] is "nautical" or "cubic" or "metric" or "lunar" or "solar" or "equal" or "full" or "whole")
        {
            at++;
        }

        if (at >= words.Count || !IsUnit(words[at]) || EndsClause(sentence.Words[at - 1].Text))
        {
            return at;
        }

        var end = at + 1;
        if (end < words.Count && words[at] is "square" && IsUnit(words[end]))
        {
            end++;
        }

        if (end + 2 < words.Count + 1 && end + 1 < words.Count && words[end] == "and" && !EndsClause(sentence.Words[end - 1].Text))
        {
            var (_, used) = NumberWords.Read(words, end + 1);
            if (used > 0)
            {
                end += 1 + used;
                end += end < words.Count && IsUnit(words[end]) && !EndsClause(sentence.Words[end - 1].Text) ? 1 : 0;
            }
        }

        return end;
    }

    private static bool EndsClause(string word) => word.EndsWith(',') || word.EndsWith('.') || word.EndsWith(';');

    private static bool IsUnit(string word) => Units.NameOf(word) is not null || (word.Length > 1 && char.IsLetter(word[0]) && !NoUnits.Contains(word) && !NumberWords.IsNumber(word)
        && (IsMeasure(word) || (word.EndsWith('s') && word.Length > 3 && !WordForms.IsVerbOrAdverb(word))));

    private static bool IsMeasure(string word) =>
        WordForms.IsMeasure(word) || Units.NameOf(word) is not null || word.EndsWith('%') || word.TrimEnd('s') is "knot" or "mile" or "tonne" or "acre" or "cent" or "litre" or "liter" or "hectopascal" or "degree";

    private static string Clean(string word) => Edge().Replace(word.ToLowerInvariant(), "");

    [GeneratedRegex(@"^[^\p{L}\p{N}]+|[^\p{L}\p{N}]+$")]
    private static partial Regex Edge();
}
