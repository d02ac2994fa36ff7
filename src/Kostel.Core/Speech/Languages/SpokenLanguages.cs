namespace Kostel.Core.Speech.Languages;

/// <summary>Languages by their codes (ISO 639-1), and how they are called in English.</summary>
public static class SpokenLanguages
{
    /// <summary>What is there from the start.</summary>
    public const string English = "en";

    /// <summary>What can be added.</summary>
    public const string Spanish = "es";

    private static readonly Dictionary<string, string> Names = new(StringComparer.OrdinalIgnoreCase)
    {
        ["ar"] = "Arabic",
        ["bg"] = "Bulgarian",
        ["ca"] = "Catalan",
        ["cs"] = "Czech",
        ["da"] = "Danish",
        ["de"] = "German",
        ["el"] = "Greek",
        [English] = "English",
        [Spanish] = "Spanish",
        ["et"] = "Estonian",
        ["eu"] = "Basque",
        ["fa"] = "Persian",
        ["fi"] = "Finnish",
        ["fr"] = "French",
        ["gl"] = "Galician",
        ["he"] = "Hebrew",
        ["hi"] = "Hindi",
        ["hr"] = "Croatian",
        ["hu"] = "Hungarian",
        ["id"] = "Indonesian",
        ["is"] = "Icelandic",
        ["it"] = "Italian",
        ["ja"] = "Japanese",
        ["ko"] = "Korean",
        ["lt"] = "Lithuanian",
        ["lv"] = "Latvian",
        ["nl"] = "Dutch",
        ["no"] = "Norwegian",
        ["pl"] = "Polish",
        ["pt"] = "Portuguese",
        ["ro"] = "Romanian",
        ["ru"] = "Russian",
        ["sk"] = "Slovak",
        ["sl"] = "Slovenian",
        ["sr"] = "Serbian",
        ["sv"] = "Swedish",
        ["sw"] = "Swahili",
        ["th"] = "Thai",
        ["tr"] = "Turkish",
        ["uk"] = "Ukrainian",
        ["ur"] = "Urdu",
        ["vi"] = "Vietnamese",
        ["zh"] = "Chinese",
    };

    /// <summary>A language's name; the code itself for one that has none here.</summary>
    public static string NameOf(string code) => Names.GetValueOrDefault(code, code);

    /// <summary>Codes of three letters (ISO 639-2, both forms) that files use.</summary>
    private static readonly Dictionary<string, string> LongCodes = """
        ara ar bul bg cat ca ces cs cze cs dan da deu de ger de ell el gre el eng en spa es est et eus eu baq eu fas fa per fa fin fi fra fr fre fr glg gl heb he hin hi
        hrv hr hun hu ind id isl is ice is ita it jpn ja kor ko lit lt lav lv nld nl dut nl nor no pol pl por pt ron ro rum ro rus ru slk sk slo sk slv sl srp sr swe sv
        swa sw tha th tur tr ukr uk urd ur vie vi zho zh chi zh
        """.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries).Chunk(2).ToDictionary(p => p[0], p => p[1], StringComparer.OrdinalIgnoreCase);

    /// <summary>The code of two letters for what a file or a page says: "eng", "en-GB" and "en" are English; null where it says none that has a name here.</summary>
    public static string? CodeOf(string? said)
    {
        var first = (said ?? "").Split('-', '_')[0].Trim().ToLowerInvariant();
        return Names.ContainsKey(first) ? first : LongCodes.GetValueOrDefault(first);
    }

    /// <summary>Whether a text could be a code: two or three letters.</summary>
    public static bool IsCode(string text) => text.Length is 2 or 3 && text.All(char.IsAsciiLetterLower);
}
