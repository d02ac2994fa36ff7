using Kostel.Core.Text;
using Kostel.Core.Transcripts.Reading;

namespace Kostel.Core.Study;

/// <summary>A phrase and what was written in its place.</summary>
public sealed record Correction(string Phrase, string Replacement);

/// <summary>Finds out what a person corrected, so that the same can be corrected elsewhere.</summary>
public static class SourceCorrection
{
    private const int LongestPhrase = 4;

    /// <summary>The corrections that lead from one text to another. Capitals and punctuation alone are none, and neither is a passage written anew.</summary>
    public static IReadOnlyList<Correction> Between(string before, string after)
    {
        var (old, now) = (Words(before), Words(after));
        return WordDiff.Between(old, now)
            .Where(c => c.OldCount is > 0 and <= LongestPhrase && c.NewCount is > 0 and <= LongestPhrase)
            .Select(c => new Correction(Bare(old.Skip(c.OldStart).Take(c.OldCount)), Bare(now.Skip(c.NewStart).Take(c.NewCount))))
            .Where(c => c.Phrase.Length > 0 && c.Replacement.Length > 0)
            .ToList();
    }

    /// <summary>A text that was made from a source, with the source's corrections made in it too.</summary>
    public static string Apply(string text, IEnumerable<Correction> corrections) =>
        corrections.Aggregate(text, (t, c) => PhraseSearch.Replace(t, c.Phrase, c.Replacement));

    private static string[] Words(string text) => text.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries);

    /// <summary>Without the punctuation around it.</summary>
    private static string Bare(IEnumerable<string> words) => string.Join(' ', words).Trim([.. ".,;:!?\u201C\u201D\"'()[]\u2026"]);
}
