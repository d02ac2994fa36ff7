using System.Text.RegularExpressions;

namespace Kostel.Core.Speech;

/// <summary>Substitutions, deletions and insertions against a reference of <paramref name="ReferenceWords"/> words.</summary>
public readonly record struct WordErrors(int Substitutions, int Deletions, int Insertions, int ReferenceWords)
{
    /// <summary>(S + D + I) / N, the definition of NIST's sclite; 0 for an empty reference met by nothing.</summary>
    public double Rate => ReferenceWords == 0
        ? (Insertions == 0 ? 0 : 1)
        : (double)(Substitutions + Deletions + Insertions) / ReferenceWords;

    /// <summary>S + D + I.</summary>
    public int Total => Substitutions + Deletions + Insertions;
}

/// <summary>Word error rate by Levenshtein distance on words, after lower-casing and dropping punctuation.</summary>
public static partial class WordErrorRate
{
    /// <summary>Compares what was recognised with what was said.</summary>
    public static WordErrors Compare(string reference, string hypothesis) => Compare(Normalise(reference), Normalise(hypothesis));

    /// <summary>Words in lower case without punctuation; hyphens divide words, "Mr." counts as "mister".</summary>
    public static string[] Normalise(string text) =>
        NotWord().Replace(text.ToLowerInvariant().Replace('’', '\''), " ")
            .Split(' ', StringSplitOptions.RemoveEmptyEntries)
            .Select(w => w.Trim('\''))
            .Where(w => w.Length > 0)
            .Select(w => w == "mr" ? "mister" : w)
            .ToArray();

    private static WordErrors Compare(string[] reference, string[] hypothesis)
    {
        var previous = new (int Cost, int S, int D, int I)[hypothesis.Length + 1];
        var current = new (int Cost, int S, int D, int I)[hypothesis.Length + 1];
        for (var j = 0; j <= hypothesis.Length; j++)
        {
            previous[j] = (j, 0, 0, j);
        }

        for (var i = 1; i <= reference.Length; i++)
        {
            current[0] = (i, 0, i, 0);
            for (var j = 1; j <= hypothesis.Length; j++)
            {
                var same = reference[i - 1] == hypothesis[j - 1];
                var diagonal = previous[j - 1];
                var best = diagonal;
                if (!same)
                {
                    best = (diagonal.Cost + 1, diagonal.S + 1, diagonal.D, diagonal.I);
                }

                var delete = previous[j];
                if (delete.Cost + 1 < best.Cost)
                {
                    best = (delete.Cost + 1, delete.S, delete.D + 1, delete.I);
                }

                var insert = current[j - 1];
                if (insert.Cost + 1 < best.Cost)
                {
                    best = (insert.Cost + 1, insert.S, insert.D, insert.I + 1);
                }

                current[j] = best;
            }

            (previous, current) = (current, previous);
        }

        var end = previous[hypothesis.Length];
        return new WordErrors(end.S, end.D, end.I, reference.Length);
    }

    [GeneratedRegex(@"[^\p{L}\p{N}' ]+")]
    private static partial Regex NotWord();
}
