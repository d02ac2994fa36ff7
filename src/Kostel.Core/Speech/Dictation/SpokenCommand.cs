using Kostel.Core.Speech.Languages;

namespace Kostel.Core.Speech.Dictation;

/// <summary>What a spoken command does.</summary>
public enum SpokenDeed
{
    /// <summary>Writes a sign behind what is there.</summary>
    Sign,

    /// <summary>Writes a sign that opens something: it stands before what comes.</summary>
    Opening,

    /// <summary>Joins what is there to what comes.</summary>
    Joining,

    /// <summary>Begins anew below.</summary>
    Break,

    /// <summary>Begins the next word with a capital.</summary>
    Capital,

    /// <summary>Takes the last word back.</summary>
    LastWord,

    /// <summary>Takes back what was said since the last rest.</summary>
    LastSaid,

    /// <summary>Takes all of it back.</summary>
    Everything,

    /// <summary>The next words are meant as words, though they are a command.</summary>
    Literal,
}

/// <summary>Words that are not written but done.</summary>
/// <param name="Spoken">What is said, in small letters; several ways of saying it.</param>
/// <param name="Written">What it writes; empty where it writes nothing.</param>
/// <param name="What">What it does, for the list that a person reads.</param>
public sealed record SpokenCommand(IReadOnlyList<string> Spoken, SpokenDeed Deed, string Written, string What)
{
    private static readonly IReadOnlyList<SpokenCommand> InEnglish =
    [
        new(["comma"], SpokenDeed.Sign, ",", ","),
        new(["full stop", "period"], SpokenDeed.Sign, ".", "."),
        new(["question mark"], SpokenDeed.Sign, "?", "?"),
        new(["exclamation mark", "exclamation point"], SpokenDeed.Sign, "!", "!"),
        new(["colon"], SpokenDeed.Sign, ":", ":"),
        new(["semicolon", "semi colon"], SpokenDeed.Sign, ";", ";"),
        new(["dash"], SpokenDeed.Sign, " –", "–"),
        new(["hyphen"], SpokenDeed.Joining, "-", "-"),
        new(["open bracket", "open parenthesis"], SpokenDeed.Opening, "(", "("),
        new(["close bracket", "close parenthesis"], SpokenDeed.Sign, ")", ")"),
        new(["open quotes", "open quote"], SpokenDeed.Opening, "“", "“"),
        new(["close quotes", "close quote"], SpokenDeed.Sign, "”", "”"),
        new(["new line"], SpokenDeed.Break, "\n", "a new line"),
        new(["new paragraph"], SpokenDeed.Break, "\n\n", "a new paragraph"),
        new(["new point"], SpokenDeed.Break, "\n- ", "a new point of a list"),
        new(["capital"], SpokenDeed.Capital, "", "the next word with a capital"),
        new(["take the last word back"], SpokenDeed.LastWord, "", "takes back one word"),
        new(["take that back"], SpokenDeed.LastSaid, "", "takes back what you said since the last rest"),
        new(["take everything back"], SpokenDeed.Everything, "", "takes back all that was dictated"),
        new(["the word", "the words"], SpokenDeed.Literal, "", "writes a command as words: the word comma"),
    ];

    private static readonly IReadOnlyList<SpokenCommand> InSpanish =
    [
        new(["coma"], SpokenDeed.Sign, ",", ","),
        new(["punto y coma"], SpokenDeed.Sign, ";", ";"),
        new(["dos puntos"], SpokenDeed.Sign, ":", ":"),
        new(["punto y aparte"], SpokenDeed.Break, ".\n\n", ". y un párrafo nuevo"),
        new(["punto"], SpokenDeed.Sign, ".", "."),
        new(["abre interrogación"], SpokenDeed.Opening, "¿", "¿"),
        new(["cierra interrogación"], SpokenDeed.Sign, "?", "?"),
        new(["abre exclamación"], SpokenDeed.Opening, "¡", "¡"),
        new(["cierra exclamación"], SpokenDeed.Sign, "!", "!"),
        new(["abre paréntesis"], SpokenDeed.Opening, "(", "("),
        new(["cierra paréntesis"], SpokenDeed.Sign, ")", ")"),
        new(["línea nueva", "nueva línea"], SpokenDeed.Break, "\n", "una línea nueva"),
        new(["párrafo nuevo", "nuevo párrafo"], SpokenDeed.Break, "\n\n", "un párrafo nuevo"),
        new(["mayúscula"], SpokenDeed.Capital, "", "la palabra siguiente con mayúscula"),
        new(["quita la última palabra"], SpokenDeed.LastWord, "", "quita una palabra"),
        new(["quita eso"], SpokenDeed.LastSaid, "", "quita lo dicho desde la última pausa"),
        new(["quita todo"], SpokenDeed.Everything, "", "quita todo lo dictado"),
        new(["la palabra", "las palabras"], SpokenDeed.Literal, "", "escribe una orden como palabras: la palabra coma"),
    ];

    /// <summary>The commands of a language; none where Kostel has none for it.</summary>
    public static IReadOnlyList<SpokenCommand> Of(string language) => language switch
    {
        SpokenLanguages.English => InEnglish,
        SpokenLanguages.Spanish => InSpanish,
        _ => [],
    };
}
