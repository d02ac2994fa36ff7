using System.Globalization;

namespace Kostel.Core.Text;

/// <summary>Numbers as they are spoken: "three point six", "twenty four", "one hundred and seventy two".</summary>
public static class NumberWords
{
    private static readonly Dictionary<string, int> Small = new()
    {
        ["zero"] = 0,
        ["one"] = 1,
        ["two"] = 2,
        ["three"] = 3,
        ["four"] = 4,
        ["five"] = 5,
        ["six"] = 6,
        ["seven"] = 7,
        ["eight"] = 8,
        ["nine"] = 9,
        ["ten"] = 10,
        ["eleven"] = 11,
        ["twelve"] = 12,
        ["thirteen"] = 13,
        ["fourteen"] = 14,
        ["fifteen"] = 15,
        ["sixteen"] = 16,
        ["seventeen"] = 17,
        ["eighteen"] = 18,
        ["nineteen"] = 19,
        ["twenty"] = 20,
        ["thirty"] = 30,
        ["forty"] = 40,
        ["fifty"] = 50,
        ["sixty"] = 60,
        ["seventy"] = 70,
        ["eighty"] = 80,
        ["ninety"] = 90,
    };

    private static readonly Dictionary<string, int> Scales = new() { ["hundred"] = 100, ["thousand"] = 1000, ["million"] = 1_000_000 };

    /// <summary>Whether a lower-case word is a number or part of one.</summary>
    public static bool IsNumber(string word) =>
        IsSmall(word, out _) || Scales.ContainsKey(word) || (word.Length > 0 && char.IsDigit(word[0]));

    /// <summary>The same words with every spoken number as digits: "three point six metres" becomes "3.6 metres".</summary>
    public static IReadOnlyList<string> ToDigits(IReadOnlyList<string> words)
    {
        var result = new List<string>(words.Count);
        for (var i = 0; i < words.Count;)
        {
            var (value, used) = Read(words, i);
            result.Add(used == 0 ? words[i] : value.ToString("0.######", CultureInfo.InvariantCulture));
            i += Math.Max(1, used);
        }

        return result;
    }

    /// <summary>Reads the number that begins at a word.</summary>
    /// <returns>Its value and how many words it takes; 0 words when there is none.</returns>
    public static (double Value, int Used) Read(IReadOnlyList<string> words, int at)
    {
        if (double.TryParse(words[at], NumberStyles.AllowDecimalPoint | NumberStyles.AllowThousands, CultureInfo.InvariantCulture, out var digits))
        {
            return at + 1 < words.Count && Scales.TryGetValue(words[at + 1], out var scaled) ? (digits * scaled, 2) : (digits, 1);
        }

        // "A hundred and eighty" begins with its article.
        var isOneOf = words[at] is "a" && at + 1 < words.Count && Scales.ContainsKey(words[at + 1]);
        if (!isOneOf && !IsSmall(words[at], out _))
        {
            return (0, 0);
        }

        double total = 0, group = isOneOf ? 1 : 0;
        int i = isOneOf ? at + 1 : at, lastSmall = int.MaxValue;
        for (; i < words.Count; i++)
        {
            if (IsSmall(words[i], out var small))
            {
                var follows = lastSmall == int.MaxValue || (lastSmall >= 20 && lastSmall % 10 == 0 && lastSmall < 100 && small is > 0 and < 10) || lastSmall >= 100;
                if (!follows)
                {
                    break;
                }

                group += small;
                lastSmall = small;
            }
            else if (Scales.TryGetValue(words[i], out var scale) && group > 0)
            {
                (total, group) = scale == 100 ? (total, group * 100) : (total + (group * scale), 0);
                lastSmall = 100;
            }
            else if (!(words[i] == "and" && lastSmall == 100 && i + 1 < words.Count && Small.ContainsKey(words[i + 1])))
            {
                break;
            }
        }

        var value = total + group;
        if (i + 1 < words.Count && words[i] == "point" && Small.TryGetValue(words[i + 1], out _))
        {
            var fraction = 0.1;
            for (i++; i < words.Count && Small.TryGetValue(words[i], out var digit) && digit < 10; i++, fraction /= 10)
            {
                value += digit * fraction;
            }

            value = Math.Round(value, 6);
        }

        return (value, i - at);
    }

    /// <summary>A number below one hundred, "twenty-five" with its hyphen too.</summary>
    private static bool IsSmall(string word, out int value)
    {
        if (Small.TryGetValue(word, out value))
        {
            return true;
        }

        var hyphen = word.IndexOf('-', StringComparison.Ordinal);
        if (hyphen <= 0 || !Small.TryGetValue(word[..hyphen], out var tens) || !Small.TryGetValue(word[(hyphen + 1)..], out var ones))
        {
            return false;
        }

        value = tens + ones;
        return tens >= 20 && ones is > 0 and < 10;
    }
}
