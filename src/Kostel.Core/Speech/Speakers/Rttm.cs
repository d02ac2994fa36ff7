using System.Globalization;

namespace Kostel.Core.Speech.Speakers;

/// <summary>Who speaks when, as a file.</summary>
/// <remarks>Rich Transcription Time Marked: NIST, "The 2009 (RT-09) Rich Transcription Meeting Recognition Evaluation Plan" (2009), appendix A.
/// One line a turn; a name may hold no spaces.</remarks>
public static class Rttm
{
    private const int Fields = 9, StartField = 3, LengthField = 4, NameField = 7;

    /// <summary>Writes turns.</summary>
    /// <param name="recording">Its name.</param>
    public static string Write(string recording, IEnumerable<Turn> turns) => string.Concat(turns.Select(t => string.Create(
        CultureInfo.InvariantCulture,
        $"SPEAKER {OneWord(recording)} 1 {t.StartMs / 1000m:0.000} {(t.EndMs - t.StartMs) / 1000m:0.000} <NA> <NA> {OneWord(t.Voice)} <NA> <NA>\n")));

    /// <summary>Reads turns; lines of other kinds are passed over.</summary>
    /// <exception cref="FormatException">A line is not as it should be; the message names it.</exception>
    public static IReadOnlyList<Turn> Read(string text)
    {
        var turns = new List<Turn>();
        foreach (var (number, line) in text.Split('\n').Index())
        {
            var fields = line.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries);
            if (fields.Length == 0 || fields[0] != "SPEAKER")
            {
                continue;
            }

            if (fields.Length < Fields || Ms(fields[StartField]) is not { } start || Ms(fields[LengthField]) is not { } length)
            {
                throw new FormatException($"Line {number + 1}: expected SPEAKER, a name, a channel, a start and a length in seconds, and a speaker in field {NameField + 1}.");
            }

            turns.Add(new Turn(start, start + length, fields[NameField]));
        }

        return turns;
    }

    private static int? Ms(string seconds) =>
        decimal.TryParse(seconds, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var s) && s < int.MaxValue / 2000 ? (int)Math.Round(s * 1000) : null;

    private static string OneWord(string name) => name.Trim() is { Length: > 0 } some ? string.Join('_', some.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries)) : "<NA>";
}
