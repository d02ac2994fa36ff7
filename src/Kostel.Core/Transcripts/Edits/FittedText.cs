using Kostel.Core.Captions;
using Kostel.Core.Chapters;
using Kostel.Core.Problems;

namespace Kostel.Core.Transcripts.Edits;

/// <summary>A text that a person brings to a recording, made to fit it.</summary>
public static class FittedText
{
    /// <summary>How long after a recording's end a text of it may go on: players and captions round, and sound is cut (a judgement).</summary>
    private const int ToleranceMs = 10_000;

    /// <summary>A text without times, with those of what was heard.</summary>
    /// <exception cref="TextUnfitException">Nothing was heard yet, or the text is of another recording.</exception>
    public static Transcript Aligned(Transcript text, Transcript heard) =>
        heard.Passages.Count == 0
            ? throw new TextUnfitException(
                ProblemCodes.NotPossible, "This text has no times, and there are no heard words yet to take them from. Transcribe the recording first, then bring the text again.")
        : TextAlignment.Shared(text, heard) < TextAlignment.LeastShared
            ? throw new TextUnfitException(
                ProblemCodes.OtherRecording, "Hardly any words of this text are said in this recording, so it seems to belong to another one. Nothing was changed.")
        : TextAlignment.Align(text, heard);

    /// <summary>A text with times of its own, as long as its recording.</summary>
    /// <param name="durationMs">The recording's length; 0 if it is not known.</param>
    /// <exception cref="TextUnfitException">It goes on after the recording has ended.</exception>
    public static Transcript Timed(Transcript text, int durationMs)
    {
        if (durationMs > 0 && text.DurationMs > durationMs + ToleranceMs)
        {
            throw new TextUnfitException(
                ProblemCodes.OtherRecording,
                $"This text goes on for {Math.Max(1, (text.DurationMs - durationMs) / 60_000)} min after the recording has ended, so it seems to belong to another one. Nothing was changed.");
        }

        var length = Math.Max(text.DurationMs, durationMs);
        return text with { DurationMs = length, Chapters = text.Chapters.Select((c, i) => i == text.Chapters.Count - 1 ? c with { EndMs = length } : c).ToList() };
    }

    /// <summary>A lecture with the chapters of a file, made to tile it: those that overlap or stand in another order are put in theirs, those past its end left out.</summary>
    /// <param name="finder">Names what came without a title.</param>
    /// <exception cref="FormatException">The file is not what it should be, or all of them begin when the lecture is over.</exception>
    public static Transcript WithChapters(Transcript transcript, string file, ChapterFinder finder)
    {
        var read = ChapterFiles.Read(file);
        return read.Any(c => c.StartMs < transcript.DurationMs)
            ? BroughtChapters.Into(transcript, read, finder)
            : throw new FormatException("All of its chapters begin when this lecture is over, so it seems to belong to another one.");
    }
}

/// <summary>A text does not fit the recording that it was brought to.</summary>
public sealed class TextUnfitException(string code, string message) : KnownProblemException(code, message);
