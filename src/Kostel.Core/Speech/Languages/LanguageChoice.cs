namespace Kostel.Core.Speech.Languages;

/// <summary>The language that a recording is transcribed in.</summary>
/// <param name="IsGuessed">Nobody said so, and there was more than one to choose from.</param>
/// <param name="Guess">What a first hearing made of it; null where there was none.</param>
public sealed record LanguageChoice(string Language, bool IsGuessed, LanguageGuess? Guess)
{
    /// <summary>Asks the recording where nobody said, and compares where somebody did.</summary>
    /// <param name="asked">The code that somebody chose; null to find out.</param>
    /// <param name="here">Codes that can be recognised on this computer.</param>
    /// <param name="hear">Guesses among languages, the expected one first.</param>
    public static async Task<LanguageChoice> Make(string? asked, IReadOnlyList<string> here, Func<IReadOnlyList<string>, Task<LanguageGuess>> hear)
    {
        var expected = asked ?? SpokenLanguages.English;
        if (!here.Contains(expected))
        {
            // It cannot be heard here: a service is to do it, or the recogniser says which file is missing.
            return new LanguageChoice(expected, IsGuessed: false, null);
        }

        return Of(asked, here, await hear([expected, .. here.Where(l => l != expected)]));
    }

    /// <summary>What a first hearing means for what somebody chose, or did not choose.</summary>
    public static LanguageChoice Of(string? asked, IReadOnlyList<string> here, LanguageGuess guess) =>
        asked is null ? new LanguageChoice(guess.Language, here.Count > 1, guess) : new LanguageChoice(asked, IsGuessed: false, guess);

    /// <summary>What to say while the recording is still being written; null for nothing.</summary>
    public string? Mismatch => Guess is null ? null : LanguageNotice.For(Language, Guess);

    /// <summary>What to say when there is nothing more important; null for nothing.</summary>
    public string? Doubt => Guess is null ? null : LanguageNotice.ForNone(Guess);
}
