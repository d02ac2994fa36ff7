namespace Kostel.Core.Text;

/// <summary>Guesses at what a word does, from its form alone.</summary>
public static class WordForms
{
    private static readonly HashSet<string> CommonVerbs = [.. """
        ask asked asks add adds believe bring brings brought call called calls carry carries change changes choose chosen count
        decide decides draw enter explain explains fall falls feel fill fills follow forget forms gain gained grow grows
        happens hear hold holds imagine increase increases learn learned leave leaves lies loses matter matters measure measured
        meet move moves notice occurs pass picture points press pull pulled pulls raise raised raises reach reached reaches
        rise rises run runs sit sits spoke stand stands start started starts stop stops sum sums test tests wait walk
        wants works write written different difficult easy good hard higher highest larger largest lower lowest long longer
        nearer small smaller strong stronger strongly whole quickly slowly
        """.Split([' ', '\n', '\r'], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)];

    /// <summary>Whether a lower-case word is more likely a verb, adverb or bare adjective than a name for something.</summary>
    public static bool IsVerbOrAdverb(string word) =>
        CommonVerbs.Contains(word) || (word.Length > 4 && word.EndsWith("ly", StringComparison.Ordinal));

    private static readonly HashSet<string> Measures = [.. """
        metre metres meter meters centimetre centimetres centimeter centimeters millimetre millimetres millimeters kilometre kilometres
        minute minutes hour hours day days week weeks month months second seconds o'clock percent degree degrees gram grams kilogram
        kilograms kilometer litre litres liter liters number numbers line lines time times line side middle half usual equal square
        """.Split([' ', '\n', '\r'], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)];

    /// <summary>Whether a lower-case word is a unit or another word that counts or measures rather than names.</summary>
    public static bool IsMeasure(string word) => Measures.Contains(word);

    /// <summary>Whether a lower-case word is "is" in another number or time.</summary>
    public static bool IsBeing(string word) => word is "is" or "are" or "was" or "were";

    /// <summary>The phrase with a capital first letter.</summary>
    public static string Capital(string phrase) => phrase.Length == 0 ? phrase : char.ToUpperInvariant(phrase[0]) + phrase[1..];

    /// <summary>The phrase with a small first letter, unless its first word is all capitals or the word "I".</summary>
    public static string Small(string phrase)
    {
        var first = phrase.Split(' ')[0];
        var isName = first.Length > 1 && first[1..].Any(char.IsUpper);
        return phrase.Length == 0 || isName || first == "I" ? phrase : char.ToLowerInvariant(phrase[0]) + phrase[1..];
    }
}
