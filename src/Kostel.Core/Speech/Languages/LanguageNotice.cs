namespace Kostel.Core.Speech.Languages;

/// <summary>What to say when a recording is given as one language and sounds like another.</summary>
public static class LanguageNotice
{
    /// <summary>The words; null when nothing clearly speaks against what was given.</summary>
    /// <param name="given">The code that was chosen.</param>
    public static string? For(string given, LanguageGuess guess) => guess.IsClear && guess.Language != given
        ? $"This was given as {SpokenLanguages.NameOf(given)}, but it sounds like {SpokenLanguages.NameOf(guess.Language)}. Transcribe it again and choose {SpokenLanguages.NameOf(guess.Language)}."
        : null;
}
