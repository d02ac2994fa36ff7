using System.Globalization;
using Kostel.Core.Text;

namespace Kostel.Core.Answers.Written;

/// <summary>A number as it is said, with what it counts.</summary>
/// <param name="Value">In the unit that was said.</param>
/// <param name="Measure">What kind of unit it has ("time"); null where it counts things or nothing is said.</param>
/// <param name="InBase">The value in the smallest unit of its kind.</param>
internal sealed record Amount(double Value, string? Measure, double InBase)
{
    private const double Exactly = 1e-6, Rounding = 0.02;

    /// <summary>Whether both say the same, in whatever units.</summary>
    public bool IsSame(Amount other) => Measure == other.Measure ? Near(InBase, other.InBase) : (Measure is null || other.Measure is null) && Near(Value, other.Value);

    /// <summary>Whether they are the same number of other things.</summary>
    public bool IsOtherUnit(Amount other) => Measure is not null && other.Measure is not null && !IsSame(other) && Near(Value, other.Value);

    private bool Near(double a, double b) => Math.Abs(a - b) <= (Measure == "share" ? Rounding : Exactly) * Math.Max(Math.Abs(a), Math.Abs(b));
}

/// <summary>Reads the numbers of a text, in figures or in words, with their units, so that "half an hour" is thirty minutes.</summary>
internal static class Amounts
{
    /// <summary>So many words may stand between a number and its unit: "three or four full metres".</summary>
    private const int Between = 3;

    private static readonly Dictionary<string, (string Measure, double InBase)> Units = new()
    {
        ["second"] = ("time", 1),
        ["minute"] = ("time", 60),
        ["hour"] = ("time", 3_600),
        ["day"] = ("time", 86_400),
        ["week"] = ("time", 604_800),
        ["fortnight"] = ("time", 1_209_600),
        ["month"] = ("months", 1),
        ["year"] = ("months", 12),
        ["decade"] = ("months", 120),
        ["century"] = ("months", 1_200),
        ["millimetre"] = ("length", 0.001),
        ["centimetre"] = ("length", 0.01),
        ["metre"] = ("length", 1),
        ["kilometre"] = ("length", 1_000),
        ["inch"] = ("feet", 1),
        ["foot"] = ("feet", 12),
        ["yard"] = ("feet", 36),
        ["mile"] = ("miles", 1),
        ["milligram"] = ("mass", 0.001),
        ["gram"] = ("mass", 1),
        ["kilogram"] = ("mass", 1_000),
        ["kilo"] = ("mass", 1_000),
        ["tonne"] = ("mass", 1_000_000),
        ["ton"] = ("mass", 1_000_000),
        ["pound"] = ("pounds", 1),
        ["millilitre"] = ("volume", 0.001),
        ["litre"] = ("volume", 1),
        ["percent"] = ("share", 0.01),
        ["degree"] = ("degrees", 1),
        ["knot"] = ("knots", 1),
        ["bar"] = ("pressure", 1),
        ["volt"] = ("volts", 1),
        ["watt"] = ("watts", 1),
        ["kilowatt"] = ("watts", 1_000),
        ["hertz"] = ("hertz", 1),
    };

    private static readonly Dictionary<string, double> Fractions = new() { ["half"] = 0.5, ["halves"] = 0.5, ["quarter"] = 0.25, ["quarters"] = 0.25, ["third"] = 1.0 / 3, ["thirds"] = 1.0 / 3, ["fifth"] = 0.2, ["fifths"] = 0.2, ["sixth"] = 1.0 / 6, ["eighth"] = 0.125, ["tenth"] = 0.1, ["tenths"] = 0.1 };

    private static readonly Dictionary<string, double> Times = new() { ["twice"] = 2, ["double"] = 2, ["doubles"] = 2, ["doubled"] = 2, ["thrice"] = 3, ["triple"] = 3, ["dozen"] = 12, ["pair"] = 2, ["both"] = 2 };

    /// <summary>All that are said; one alone is no number that anything hangs on.</summary>
    public static IReadOnlyList<Amount> Of(string text) => All(text).Where(a => a.Value != 1 || a.Measure is "share").ToList();

    /// <summary>All that are said, one of a unit too: "a day".</summary>
    public static IReadOnlyList<Amount> All(string text)
    {
        var words = NumberWords.ToDigits(Tokens.Of(text.Replace("%", " percent ", StringComparison.Ordinal).Replace("per cent", "percent", StringComparison.OrdinalIgnoreCase)));
        var found = new List<Amount>();
        for (var i = 0; i < words.Count; i++)
        {
            if (Read(words, i) is var (value, used, isShare))
            {
                found.Add(WithUnit(words, i + used, value, isShare));
                i += Math.Max(0, used - 1);
            }
        }

        return found;
    }

    /// <summary>Numbers that are said as places in an order: "the ninth of July".</summary>
    public static IEnumerable<Amount> Places(string text) =>
        Tokens.Of(text).Select(w => Array.IndexOf(Ordinals, w) is var n and >= 0 ? n + 1 : w.Length > 2 && w[^2..] is "st" or "nd" or "rd" or "th" && int.TryParse(w[..^2], CultureInfo.InvariantCulture, out var day) ? day : 0).Where(n => n > 1).Select(n => new Amount(n, null, n));

    private static readonly string[] Ordinals = ["first", "second", "third", "fourth", "fifth", "sixth", "seventh", "eighth", "ninth", "tenth", "eleventh", "twelfth", "thirteenth", "fourteenth", "fifteenth", "sixteenth", "seventeenth", "eighteenth", "nineteenth", "twentieth"];

    /// <summary>The units that a text names, by one spelling, with what they measure.</summary>
    public static IEnumerable<(string Name, string Measure)> UnitsIn(string text) =>
        Tokens.Of(text.Replace("%", " percent ", StringComparison.Ordinal)).Where(w => w is not ("second" or "bar" or "foot" or "pound" or "degree")).Select(w => (Word: w, Unit: Unit(w))).Where(u => u.Unit is not null).Select(u => (Tokens.Stem(u.Word), u.Unit!.Value.Measure));

    private static (double Value, int Used, bool IsShare)? Read(IReadOnlyList<string> words, int i)
    {
        var next = i + 1 < words.Count ? words[i + 1] : "";
        if (double.TryParse(words[i], NumberStyles.Float, CultureInfo.InvariantCulture, out var number))
        {
            // "Nine in ten", "nine out of ten".
            var behind = next == "in" ? i + 2 : next == "out" && i + 2 < words.Count && words[i + 2] == "of" ? i + 3 : words.Count;
            if (behind < words.Count && double.TryParse(words[behind], NumberStyles.Float, CultureInfo.InvariantCulture, out var whole) && whole > number && whole <= 100 && (behind + 1 >= words.Count || Unit(words[behind + 1]) is null))
            {
                return (number / whole, behind + 1 - i, true);
            }

            // "Two thirds", "three quarters".
            return Fractions.TryGetValue(next, out var part) && (next.EndsWith('s') || number == 1) ? (number * part, 2, true)
                : next == "half" || (next == "and" && i + 3 < words.Count && words[i + 2] == "a" && words[i + 3] == "half") ? (number + 0.5, next == "half" ? 2 : 4, false)
                : (number, 1, false);
        }

        if (words[i] is "a" or "an" or "single" && Unit(next) is not null || (words[i] is "a" or "an" && next is "full" or "whole" or "single" && i + 2 < words.Count && Unit(words[i + 2]) is not null))
        {
            return (1, 1, false);
        }

        if (words[i] == "fortnight")
        {
            return (1, 0, false);
        }

        if (Times.TryGetValue(words[i], out var times))
        {
            return (times, 1, false);
        }

        var before = i > 0 ? words[i - 1] : "";
        return Fractions.TryGetValue(words[i], out var fraction) && (words[i] is "half" || before is "a" or "one" or "by" || next is "of") ? (fraction, 1, true) : null;
    }

    private static Amount WithUnit(IReadOnlyList<string> words, int at, double value, bool isShare)
    {
        for (var i = at; i < Math.Min(words.Count, at + Between + 1); i++)
        {
            if (Unit(words[i]) is var (measure, inBase) && !(i > at && i > 0 && words[i - 1] is "a" or "per" or "each" or "every"))
            {
                var sized = i > 0 && words[i - 1] is "square" or "cubic" ? $"{words[i - 1]} {measure}" : measure;
                return new Amount(value, sized, sized == measure ? value * inBase : value);
            }

            if (words[i] is not ("to" or "or" or "and" or "a" or "an" or "of" or "more" or "full" or "whole" or "nautical" or "square" or "cubic" or "the" or "about") && !char.IsDigit(words[i][0]))
            {
                break;
            }
        }

        return isShare ? new Amount(value, "share", value) : new Amount(value, null, value);
    }

    private static (string Measure, double InBase)? Unit(string word)
    {
        var name = Text.Units.NameOf(word) ?? word;
        name = name switch
        {
            "feet" => "foot",
            "inches" => "inch",
            "centuries" => "century",
            "meter" or "meters" => "metre",
            _ => name.EndsWith("meter", StringComparison.Ordinal) || name.EndsWith("meters", StringComparison.Ordinal) ? name.Replace("meters", "metre", StringComparison.Ordinal).Replace("meter", "metre", StringComparison.Ordinal) : name,
        };
        return Units.TryGetValue(name, out var unit) || (name.EndsWith('s') && Units.TryGetValue(name[..^1], out unit)) ? unit : null;
    }
}
