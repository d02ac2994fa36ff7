using Kostel.Core.Speech.Languages;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Speech;

/// <summary>What a reader of a new transcript must know of its recording before relying on it.</summary>
public static class RecordingNotice
{
    /// <summary>More than this share of samples at the limit does harm.</summary>
    public const double MuchClipped = 0.05;

    private const int ToleranceMs = 2_000;

    /// <summary>The one thing that matters most, in plain words; null when all is well.</summary>
    /// <param name="words">Of the whole recording.</param>
    /// <param name="language">What it was taken for.</param>
    /// <param name="expectedMs">How long the file says it is.</param>
    /// <param name="heardMs">How much of it could be read.</param>
    /// <param name="clipped">The share of samples that were cut off (<see cref="Audio.ClippingMeter"/>).</param>
    public static string? For(IReadOnlyCollection<Word> words, string language, int expectedMs, int heardMs, double clipped)
    {
        if (words.Count == 0)
        {
            return "No speech was heard in this recording. You can still play it.";
        }

        if (clipped > MuchClipped)
        {
            return "This was recorded too loud: the sound is cut off at its peaks, and more words than usual will be wrong. A recording with the microphone turned down would help.";
        }

        if (WordConfidence.Mean(words) < WordConfidence.NonsenseBelow)
        {
            return LanguageNotice.HardlySpoken(language);
        }

        return expectedMs > heardMs + ToleranceMs
            ? $"The file ends early: {Clock(heardMs)} of {Clock(expectedMs)} could be read. That part is here; bring in a complete copy for the rest."
            : null;
    }

    private static string Clock(int ms) => $"{ms / 60_000}:{ms / 1000 % 60:00}";
}
