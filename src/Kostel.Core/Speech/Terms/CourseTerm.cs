using Kostel.Core.Entries;

namespace Kostel.Core.Speech.Terms;

/// <summary>A word or phrase of a subject that a recogniser would not expect.</summary>
/// <param name="Written">As it is to be written.</param>
/// <param name="SoundsLike">Everyday words that sound like it, where the spelling misleads; otherwise null.</param>
public sealed record CourseTerm(string Written, string? SoundsLike = null)
{
    /// <summary>The line of a list that <see cref="CourseTerms.Parse"/> reads it from.</summary>
    public string Line => SoundsLike is null ? Written : $"{Written} = {SoundsLike}";
}

/// <summary>A list of terms and what could not be used of it.</summary>
/// <param name="Problems">In plain words, one a line that was passed over; the first few only.</param>
public sealed record CourseTerms(IReadOnlyList<CourseTerm> Terms, IReadOnlyList<string> Problems)
{
    /// <summary>Terms in a list at most.</summary>
    public const int Most = 2_000;

    /// <summary>Characters in a term at most.</summary>
    public const int LongestTerm = 80;

    private const int MostProblems = 5, LongestShown = 30;

    /// <summary>No terms.</summary>
    public static readonly CourseTerms None = new([], []);

    /// <summary>
    /// Reads a list, one term a line: the written form, or <c>written form = sounds like</c>. Empty lines and repeats are
    /// passed over; a line that is no term, and everything beyond <see cref="Most"/> terms, is reported.
    /// </summary>
    public static CourseTerms Parse(string text) => Parse(EntryRules.TermList.Read(text).Split('\n'));

    /// <summary>Reads the lines of a list.</summary>
    public static CourseTerms Parse(IEnumerable<string> lines)
    {
        var terms = new List<CourseTerm>();
        var problems = new List<string>();
        var seen = new HashSet<string>(StringComparer.OrdinalIgnoreCase);
        var number = 0;
        foreach (var line in lines)
        {
            number++;
            if (string.IsNullOrWhiteSpace(line))
            {
                continue;
            }

            if (terms.Count == Most)
            {
                problems.Add($"Only the first {Most} terms are used; the list goes on from line {number}.");
                break;
            }

            var parts = line.Split('=', 2, StringSplitOptions.TrimEntries);
            var written = string.Join(' ', parts[0].Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries));
            if (Problem(written) is { } problem)
            {
                if (problems.Count < MostProblems)
                {
                    problems.Add($"Line {number}, “{Shown(line)}”: {problem}");
                }
            }
            else if (seen.Add(written))
            {
                terms.Add(new CourseTerm(written, parts.Length > 1 && parts[1].Length > 0 ? parts[1] : null));
            }
        }

        return new CourseTerms(terms, problems);
    }

    private static string Shown(string line)
    {
        var clean = new string(line.Trim().Where(c => !char.IsControl(c)).ToArray());
        return clean.Length <= LongestShown ? clean : clean[..LongestShown] + "…";
    }

    private static string? Problem(string written)
    {
        if (written.Length > LongestTerm)
        {
            return $"longer than {LongestTerm} characters, which no term is.";
        }

        if (written.Any(char.IsControl) || written.Contains('\uFFFD'))
        {
            return "holds characters that are not text.";
        }

        return written.Count(char.IsLetter) < 3 ? "a term needs three letters or more." : null;
    }
}
