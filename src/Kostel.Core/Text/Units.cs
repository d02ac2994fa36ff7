namespace Kostel.Core.Text;

/// <summary>Units of measure and their symbols.</summary>
/// <remarks>Symbols of the International System of Units (SI brochure, 9th edition, 2019), and of units accepted for use with it; knots and miles keep their names, whose symbols few readers know.</remarks>
public static class Units
{
    private static readonly Dictionary<string, string> Symbols = new()
    {
        ["metre"] = "m",
        ["kilometre"] = "km",
        ["centimetre"] = "cm",
        ["millimetre"] = "mm",
        ["micrometre"] = "µm",
        ["nanometre"] = "nm",
        ["gram"] = "g",
        ["kilogram"] = "kg",
        ["milligram"] = "mg",
        ["litre"] = "L",
        ["millilitre"] = "mL",
        ["hectopascal"] = "hPa",
        ["kilopascal"] = "kPa",
        ["newton"] = "N",
        ["kilonewton"] = "kN",
        ["joule"] = "J",
        ["kilojoule"] = "kJ",
        ["watt"] = "W",
        ["kilowatt"] = "kW",
        ["megawatt"] = "MW",
        ["volt"] = "V",
        ["ampere"] = "A",
        ["hertz"] = "Hz",
        ["kilohertz"] = "kHz",
        ["megahertz"] = "MHz",
    };

    /// <summary>Without single capitals, which may stand for anything.</summary>
    private static readonly Dictionary<string, string> Names = Symbols.Where(s => s.Value.Length > 1 || char.IsLower(s.Value[0])).ToDictionary(s => s.Value.ToLowerInvariant(), s => s.Key);

    private static readonly HashSet<string> Counted =
    [
        "second", "minute", "hour", "day", "week", "month", "year", "knot", "mile", "degree", "time", "tonne",
    ];

    /// <summary>The name behind a lower-case symbol ("metre" for "m"); null for what is none.</summary>
    public static string? NameOf(string symbol) => Names.GetValueOrDefault(symbol.TrimEnd('²', '³'));

    /// <summary>One spelling for a unit's symbol and its American and British names; any other word as it is.</summary>
    public static string Comparable(string word) => NameOf(word) ?? (Symbols.ContainsKey(Singular(word)) ? Singular(word) : word);

    /// <summary>Whether a lower-case word counts something whose name is written out, as in "12 hours".</summary>
    public static bool IsCounted(string word) => Counted.Contains(Singular(word));

    /// <summary>The symbol for the unit that begins at a word: "metres per second", "square metre", "per cent".</summary>
    /// <param name="words">Lower case, without signs.</param>
    /// <returns>The symbol and how many words it stands for; 0 words where there is no unit.</returns>
    public static (string Symbol, int Used) At(IReadOnlyList<string> words, int at)
    {
        if (at >= words.Count)
        {
            return ("", 0);
        }

        if (words[at] is "percent")
        {
            return ("%", 1);
        }

        var next = at + 1 < words.Count ? words[at + 1] : "";
        switch (words[at])
        {
            case "per" when next is "cent":
                return ("%", 2);
            case "degree" or "degrees" when next is "celsius":
                return ("°C", 2);
            case "square" when SymbolOf(next) is [.., 'm'] and { } side:
                return (side + "²", 2);
            case "cubic" when SymbolOf(next) is [.., 'm'] and { } side:
                return (side + "³", 2);
        }

        if (SymbolOf(words[at]) is not { } symbol)
        {
            return ("", 0);
        }

        return next is "per" or "an" or "a" && at + 2 < words.Count && PerTime(words[at + 2]) is { } time ? ($"{symbol}/{time}", 3) : (symbol, 1);
    }

    private static string? PerTime(string word) => word switch
    {
        "second" => "s",
        "hour" => "h",
        _ => null,
    };

    private static string? SymbolOf(string word) => Symbols.GetValueOrDefault(Singular(word)) ?? Symbols.GetValueOrDefault(word);

    /// <summary>Without the plural's "s", and with the British ending.</summary>
    private static string Singular(string word)
    {
        var one = word.Length > 3 && word.EndsWith('s') ? word[..^1] : word;
        return one.EndsWith("meter") || one.EndsWith("liter") ? one[..^2] + "re" : one;
    }
}
