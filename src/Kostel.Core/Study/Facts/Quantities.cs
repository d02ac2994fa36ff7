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
    private const double Half = 0.5, Twice = 2;

    private static readonly HashSet<string> Roughly = ["about", "roughly", "nearly", "almost", "around", "approximately", "under", "within"];

    private static readonly HashSet<string> NoUnits =
    [
        "of", "and", "or", "is", "are", "in", "on", "at", "to", "the", "a", "an", "it", "that", "this", "for", "from", "by", "with",
        "but", "than", "you", "we", "they", "were", "hardest", "moves", "under", "must", "needs", "takes", "gives", "gets", "makes", "goes", "comes", "has", "does", "means", "uses", "keeps", "says", "costs", "weighs", "runs", "this", "always", "less", "plus", "minus", "was", "its", "as", "perhaps", "sometimes",
    ];

    /// <summary>All quantities of a sentence, in order.</summary>
    public static IReadOnlyList<Quantity> Find(Sentence sentence)
    {
        var words = sentence.Words.Select(w => Clean(w.Text)).ToList();
        var found = new List<Quantity>();
        for (var i = 0; i < words.Count; i++)
        {
            if (i + 2 < words.Count && words[i] is "half" && words[i + 1] is "a" or "an" && IsUnit(words[i + 2]))
            {
                found.Add(new Quantity(string.Join(' ', sentence.Words.Skip(i).Take(3).Select(w => w.Text)).TrimEnd('.', ',', ';', ':'), Tokens.Stem(words[i + 2]), Half, i, 3, sentence));
                i += 2;
                continue;
            }

            if (i > 0 && i + 1 < words.Count && words[i] is "a" or "an" && Roughly.Contains(words[i - 1]) && IsMeasure(words[i + 1]))
            {
                // "About a kilometre".
                found.Add(new Quantity($"{sentence.Words[i].Text} {sentence.Words[i + 1].Text}".TrimEnd('.', ',', ';', ':'), Tokens.Stem(words[i + 1]), 1, i, 2, sentence));
                i++;
                continue;
            }

            if (words[i] == "twice" && i > 0)
            {
                found.Add(new Quantity(sentence.Words[i].Text.TrimEnd('.', ',', ';', ':'), "time", Twice, i, 1, sentence));
                continue;
            }

            if (Fraction(words, sentence, i) is { } fraction)
            {
                found.Add(fraction);
                i += fraction.WordCount - 1;
                continue;
            }

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
    public static bool IsMeasured(Quantity quantity) => quantity is { Unit: "time", WordCount: 1 } || IsMeasure(quantity.Text.EndsWith('%') ? "%" : Clean(quantity.Text.Split(' ')[^1]));

    /// <summary>"A fifth of", "two thirds of": a share; null where none begins.</summary>
    private static Quantity? Fraction(List<string> words, Sentence sentence, int at)
    {
        var (count, used) = words[at] is "a" or "an" ? (1, 1) : NumberWords.Read(words, at);
        var end = at + used + 1;
        // "A fifth of the blood", "shrinks by a tenth".
        var isOf = end < words.Count && words[end] == "of" && !EndsClause(sentence.Words[end - 1].Text);
        var isBy = at > 0 && words[at - 1] == "by" && (end == words.Count || (end < words.Count && EndsClause(sentence.Words[end - 1].Text)));
        return used > 0 && (isOf || isBy) && Shares.TryGetValue(words[end - 1].TrimEnd('s'), out var parts)
            ? new Quantity(string.Join(' ', sentence.Words.Skip(at).Take(used + 1).Select(w => w.Text)).TrimEnd('.', ',', ';', ':'), Tokens.Stem(words[end - 1]), count / parts, at, used + 1, sentence)
            : null;
    }

    private static readonly Dictionary<string, double> Shares = new()
    {
        ["third"] = 3,
        ["quarter"] = 4,
        ["fifth"] = 5,
        ["sixth"] = 6,
        ["seventh"] = 7,
        ["eighth"] = 8,
        ["ninth"] = 9,
        ["tenth"] = 10,
        ["twentieth"] = 20,
        ["hundredth"] = 100,
        ["thousandth"] = 1000,
    };

    /// <summary>Takes the unit, and a second number with its unit after "and" ("hours and 25 minutes").</summary>
    private static int Extend(List<string> words, Sentence sentence, int at)
    {
        if (at + 1 < words.Count && words[at] is "nautical" or "sea" or "light" or "cubic" or "metric" or "lunar" or "solar" or "equal" or "full" or "whole")
        {
            at++;
        }

        if (at + 1 < words.Count && words[at] == "per" && words[at + 1] == "cent")
        {
            return at + 2;
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

    /// <summary>Whether a word is a measure: "metre", "cent", "tenth".</summary>
    internal static bool IsMeasure(string word) =>
        Shares.ContainsKey(word.TrimEnd('s')) || WordForms.IsMeasure(word) || Units.NameOf(word) is not null || word.EndsWith('%') || word.TrimEnd('s') is "knot" or "mile" or "tonne" or "acre" or "cent" or "litre" or "liter" or "hectopascal" or "degree" or "bar" or "byte" or "decibel" or "calorie" or "euro" or "dollar" or "pound" or "inch" or "feet" or "foot" or "ton" or "hectare" or "kelvin" or "celsius" or "lux";

    private static string Clean(string word) => Edge().Replace(word.ToLowerInvariant(), "");

    [GeneratedRegex(@"^[^\p{L}\p{N}]+|[^\p{L}\p{N}]+$")]
    private static partial Regex Edge();
}
