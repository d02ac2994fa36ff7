using Kostel.Core.Speech;
using Kostel.Core.Study.Sheets;

namespace Kostel.Core.Study.Routines;

/// <summary>What is made by itself when a lecture arrives in a course.</summary>
/// <param name="Choice">How it is transcribed, where the person does not say otherwise.</param>
/// <param name="Summary">Whether a summary is made.</param>
/// <param name="Cards">Whether cards are made.</param>
/// <param name="Quiz">Whether a quiz is made.</param>
/// <param name="Sheets">Which sheets are made; null for none.</param>
public sealed record Routine(TranscriptionChoice Choice, bool Summary, bool Cards, bool Quiz, IReadOnlyList<SheetForm>? Sheets = null)
{
    /// <summary>Only the transcript, as accurate as can be.</summary>
    public static readonly Routine OnlyTranscript = new(new TranscriptionChoice(Accuracy.Accurate), false, false, false);

    /// <summary>Whether anything is made besides the transcript.</summary>
    public bool Makes => Summary || Cards || Quiz || Sheets is { Count: > 0 };
}
