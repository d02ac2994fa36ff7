namespace Kostel.Core.Speech.Languages;

/// <summary>What to say when a recording is given as one language and sounds like another.</summary>
public static class LanguageNotice
{
    /// <summary>The words; null when nothing clearly speaks against what was given.</summary>
    /// <param name="given">The code that was chosen.</param>
    public static string? For(string given, LanguageGuess guess) =>
        guess.IsClear && guess.Language != given
            ? $"This was given as {SpokenLanguages.NameOf(given)}, but it sounds like {SpokenLanguages.NameOf(guess.Language)}. Transcribe it again and choose {SpokenLanguages.NameOf(guess.Language)}."
            : null;

    /// <summary>The words for what hardly looks like speech in the language it was taken for; null when it does.</summary>
    public static string? ForNone(LanguageGuess guess) => guess.FitsNone ? HardlySpoken(guess.Language) : null;

    /// <summary>For what is hardly speech in a language.</summary>
    public static string HardlySpoken(string language) =>
        $"This hardly looks like spoken {SpokenLanguages.NameOf(language)}: most of what is written here is guesswork. It may be another language, music or noise. You can still play it.";
}
