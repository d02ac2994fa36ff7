using System.Globalization;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Speech.Numbers;

/// <summary>
/// Writes numbers, measures, dates and times of day as people write them: "four point seven metres" becomes "4.7 m". What could
/// be meant in two ways stays in words, and so does a small number without a measure and one that a sentence begins with.
/// </summary>
/// <remarks>Words up to twelve, figures above and before units, is common practice among style guides, no source.</remarks>
public static class WrittenNumbers
{
    private const int FirstInFigures = 13, FirstCountedInFigures = 10, FirstWithSeparator = 1_000, Hours = 12, HoursAt = 24, Minutes = 60;

    private static readonly HashSet<string> BeforeTime = ["at", "until", "till", "by", "from", "to", "before", "after", "between", "shows"];
    private static readonly HashSet<string> BeforeYear = ["in", "since", "of", "until", "year", "from", "to", "before", "after", "by"];

    private static readonly string[] Ordinals =
    [
        "first", "second", "third", "fourth", "fifth", "sixth", "seventh", "eighth", "ninth", "tenth", "eleventh", "twelfth", "thirteenth", "fourteenth", "fifteenth",
        "sixteenth", "seventeenth", "eighteenth", "nineteenth", "twentieth",
    ];

    /// <summary>What may follow "one metre and eighty", which else might be eighty of something.</summary>
    private static readonly HashSet<string> AfterMeasure = ["is", "was", "at", "in", "and", "or", "of", "above", "below", "over", "under", "for", "to", "by", "from", "deep", "high", "long", "wide", "before", "after", "then"];

    /// <summary>The same words with numbers in figures. Words that become one take its time, and the least of their confidence.</summary>
    public static IReadOnlyList<Word> Of(IReadOnlyList<Word> words)
    {
        var spoken = SpokenWord.Divide(words);
        var result = new List<Word>(words.Count);
        for (var at = 0; at < spoken.Count;)
        {
            var (pieces, used) = Piece(spoken, at);
            if (used == 0 || !spoken[at + used - 1].ClosesWord || (at > 0 && !spoken[at - 1].ClosesWord))
            {
                if (spoken[at].ClosesWord)
                {
                    result.Add(words[spoken[at].Of]);
                }

                at++;
                continue;
            }

            foreach (var piece in pieces)
            {
                var (first, last) = (words[spoken[at].Of], words[spoken[at + piece.Used - 1].Of]);
                var confidence = spoken.Skip(at).Take(piece.Used).Min(s => words[s.Of].Confidence);
                at += piece.Used;
                result.Add(new Word(piece.Text + spoken[at - 1].Signs, first.StartMs, last.EndMs, confidence));
            }
        }

        return result;
    }

    private static (Figure[] Pieces, int Used) Piece(List<SpokenWord> spoken, int at)
    {
        var before = at == 0 || spoken[at - 1].Stops ? "" : spoken[at - 1].Bare;
        var isWord = !char.IsDigit(spoken[at].Bare.FirstOrDefault());
        if ((isWord && (at == 0 || spoken[at - 1].EndsSentence)) || NumberWords.IsNumber(before))
        {
            return ([], 0);
        }

        // Nothing that is read reaches beyond a comma.
        var end = at;
        while (end < spoken.Count - 1 && !spoken[end].Stops)
        {
            end++;
        }

        var words = spoken.GetRange(at, end - at + 1).ConvertAll(s => s.Bare);
        var pieces = Date(words) ?? Pair(words, before) ?? Amount(words, before) ?? [];
        return (pieces, pieces.Sum(p => p.Used));
    }

    /// <summary>"The fifth of March".</summary>
    private static Figure[]? Date(List<string> words)
    {
        var at = words[0] is "the" ? 1 : 0;
        var (day, used) = Ordinal(words, at);
        return day > 0 && at + used + 1 < words.Count && words[at + used] is "of" && Array.IndexOf(CalendarWords.Months, words[at + used + 1]) >= 0
            ? [new Figure(day.ToString(CultureInfo.InvariantCulture), at + used + 1), new Figure(WordForms.Capital(words[at + used + 1]), 1)]
            : null;
    }

    private static (int Day, int Used) Ordinal(List<string> words, int at)
    {
        if (at >= words.Count)
        {
            return (0, 0);
        }

        var parts = words[at].Split('-').Concat(words.Skip(at + 1).Take(1)).ToArray();
        if (parts[0] is "twenty" or "thirty" && Array.IndexOf(Ordinals, parts[1 % parts.Length]) is >= 0 and < 9 and var one)
        {
            return ((parts[0] is "twenty" ? 21 : 31) + one, words[at].Contains('-') ? 1 : 2);
        }

        return words[at] is "thirtieth" ? (30, 1) : (Array.IndexOf(Ordinals, words[at]) + 1, 1);
    }

    /// <summary>Two numbers side by side: a time of day ("at ten twenty-five"), a year ("in nineteen eighty-four"), or nothing that is safe to write in figures.</summary>
    private static Figure[]? Pair(List<string> words, string before)
    {
        var (first, used) = NumberWords.Read(words, 0);
        if (used == 0 || used >= words.Count || NumberWords.Read(words, used) is not { Used: > 0 } second)
        {
            return null;
        }

        var both = used + second.Used;
        var alone = both >= words.Count || (Units.At(words, both).Used == 0 && !Units.IsCounted(words[both]) && NumberWords.Read(words, both).Used == 0);
        var minutes = second.Value.ToString("00", CultureInfo.InvariantCulture);
        if (alone && used == 1 && first > 0 && first <= (before is "at" ? HoursAt : Hours) && second.Value is >= 10 and < Minutes && BeforeTime.Contains(before))
        {
            return [new Figure($"{first.ToString(CultureInfo.InvariantCulture)}:{minutes}", both)];
        }

        if (alone && first is >= 11 and <= 20 && second.Value is >= 10 and < 100 && BeforeYear.Contains(before))
        {
            return [new Figure(first.ToString(CultureInfo.InvariantCulture) + minutes, both)];
        }

        return [];
    }

    private static Figure[]? Amount(List<string> words, string before)
    {
        if (words is ["half", "a" or "an", ..] && Units.At(words, 2) is { Used: > 0 } halved)
        {
            return Measure("0.5", 2, halved);
        }

        var (value, used) = NumberWords.Read(words, 0);
        if (used == 0)
        {
            return null;
        }

        var (part, more) = Part(words, used);
        (value, used) = (value + part, used + more);
        var unit = Units.At(words, used);
        if (unit.Used > 0)
        {
            return Compound(words, value, used, unit) ?? Measure(Figures(value, before, true), used, unit);
        }

        var figured = char.IsDigit(words[0][0])
            ? more > 0
            : value >= FirstInFigures || value != Math.Floor(value) || (value >= FirstCountedInFigures && used < words.Count && Units.IsCounted(words[used])) || OpensRange(words, used);
        return figured ? [new Figure(Figures(value, before, used < words.Count && words[used] is [_, _, _, .., 's']), used)] : null;
    }

    /// <summary>"Two to three metres", "zero to fourteen": the first is written as the second is.</summary>
    private static bool OpensRange(List<string> words, int at)
    {
        if (at + 1 >= words.Count || words[at] is not ("to" or "or"))
        {
            return false;
        }

        var (value, used) = NumberWords.Read(words, at + 1);
        return used > 0 && (value >= FirstInFigures || Units.At(words, at + 1 + used).Used > 0);
    }

    /// <summary>"One metre and eighty".</summary>
    private static Figure[]? Compound(List<string> words, double metres, int used, (string Symbol, int Used) unit)
    {
        var at = used + unit.Used;
        if (unit.Symbol is not "m" || metres != Math.Floor(metres) || at + 1 >= words.Count || words[at] is not "and")
        {
            return null;
        }

        var (cents, count) = NumberWords.Read(words, at + 1);
        var next = at + 1 + count;
        var closed = next >= words.Count || AfterMeasure.Contains(words[next]);
        return count > 0 && cents is >= 10 and < 100 && closed
            ? [new Figure(metres.ToString(CultureInfo.InvariantCulture) + "." + cents.ToString("00", CultureInfo.InvariantCulture), used), new Figure("m", next - used)]
            : null;
    }

    private static Figure[] Measure(string figures, int used, (string Symbol, int Used) unit) =>
        unit.Symbol is "%" ? [new Figure(figures + "%", used + unit.Used)] : [new Figure(figures, used), new Figure(unit.Symbol, unit.Used)];

    /// <summary>"And a half" after a number.</summary>
    private static (double Part, int Used) Part(List<string> words, int at) => words.Skip(at).Take(3).ToArray() switch
    {
        ["and", "a", "half"] => (0.5, 3),
        ["and", "a", "quarter"] => (0.25, 3),
        ["and", "three", "quarters"] => (0.75, 3),
        _ => (0, 0),
    };

    /// <param name="counts">Whether a unit or another word that is counted follows at once; a year stands alone.</param>
    private static string Figures(double value, string before, bool counts)
    {
        var year = !counts && value is >= 1900 and < 2100 && BeforeYear.Contains(before);
        return value.ToString(value >= FirstWithSeparator && !year ? "#,0.######" : "0.######", CultureInfo.InvariantCulture);
    }

    /// <param name="Used">The spoken words it stands for.</param>
    private readonly record struct Figure(string Text, int Used);
}
