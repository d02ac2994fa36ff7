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

    /// <summary>Whether a text could be a code: two or three letters.</summary>
    public static bool IsCode(string text) => text.Length is 2 or 3 && text.All(char.IsAsciiLetterLower);
}
