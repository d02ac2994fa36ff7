namespace Kostel.Core.Speech.Terms;

/// <summary>Words <paramref name="First"/> to <paramref name="End"/> (exclusive) sound like a term.</summary>
/// <param name="Distance">Between their sounds, 0 to 1.</param>
/// <param name="Weight">How much there is to hear of the term, in consonants: what sounds like a long one rarely is another.</param>
public sealed record TermSuspicion(int First, int End, CourseTerm Term, double Distance, double Weight);

/// <summary>Finds where a text sounds like a term but says something else.</summary>
public sealed class TermFinder
{
    /// <summary>Sounds farther apart than this are not taken for one another.</summary>
    public const double Farthest = 0.36;

    /// <summary>Two words taken for one, or one for two, are a little less likely than as many for as many.</summary>
    private const double OtherWordCount = 0.04;

    private const int MostWords = 5, ShortestKey = 3, LongTerm = 7, Contraction = 2;
    private readonly List<(CourseTerm Term, string Singular, string Key, double Weight, int Words)> sounds;
    private readonly HashSet<string> written;

    /// <summary>Plurals that sound like the singular with "is" after it, and the singular.</summary>
    private readonly Dictionary<string, string> hissing;

    /// <summary>Prepares a list.</summary>
    public TermFinder(IReadOnlyList<CourseTerm> terms)
    {
        sounds = terms.SelectMany(t => WithPlural(t).Select(form =>
                (form, Bare(t.Written), SoundKey.Of(form.SoundsLike ?? form.Written), form.Written.Count(c => c == ' ') + 1)))
            .Where(s => s.Item3.Length >= ShortestKey)
            .Select(s => (s.form, s.Item2, s.Item3, SoundKey.Weight(s.Item3), s.Item4))
            .ToList();
        written = terms.SelectMany(WithPlural).Select(t => Bare(t.Written)).ToHashSet();
        hissing = terms.Where(t => Bare(t.Written) is [.., 's' or 'c' or 'g' or 'z' or 'h', 'e'])
            .DistinctBy(t => Bare(t.Written))
            .ToDictionary(t => Bare(t.Written) + "s", t => t.Written);
    }

    private static IEnumerable<CourseTerm> WithPlural(CourseTerm term) =>
        term.Written.EndsWith('s') || !char.IsLetter(term.Written[^1])
            ? [term]
            : [term, new CourseTerm(Plural(term.Written), term.SoundsLike is null ? null : Plural(term.SoundsLike))];

    private static string Plural(string noun) =>
        noun.EndsWith('y') && noun.Length > 1 && !"aeiou".Contains(noun[^2]) ? noun[..^1] + "ies" : noun + "s";

    /// <summary>Whether there is anything to look for.</summary>
    public bool IsEmpty => sounds.Count == 0;

    /// <summary>All suspicions, the nearest first. Words that already are a term stay, but may become part of a longer one.</summary>
    public IReadOnlyList<TermSuspicion> Find(IReadOnlyList<string> words)
    {
        var right = AlreadyRight(words);
        var found = new List<TermSuspicion>();
        for (var first = 0; first < words.Count; first++)
        {
            for (var end = first + 1; end <= Math.Min(words.Count, first + MostWords); end++)
            {
                var key = SoundKey.Of(string.Join(' ', words.Skip(first).Take(end - first)));
                foreach (var (term, singular, sound, weight, count) in sounds)
                {
                    // A long word that was not known may have become a handful of short ones.
                    var more = weight >= LongTerm ? MostWords - 1 : 1;
                    if (end - first < count - 1 || end - first > count + more || Math.Abs(sound.Length - key.Length) > 2 + (sound.Length / 4))
                    {
                        continue;
                    }

                    if (KeepsWhatIsRight(words, right, first, end, term, singular)
                        && SoundKey.Distance(key, sound) + (OtherWordCount * Math.Abs(end - first - count)) is var distance and <= Farthest)
                    {
                        found.Add(new TermSuspicion(first, end, term, distance, weight));
                    }
                }

                // A sentence ends here: no term goes across.
                if (words[end - 1].Length > 0 && ".?!:;".Contains(words[end - 1][^1]))
                {
                    break;
                }
            }
        }

        found.AddRange(Contracted(words));
        return found.OrderBy(s => s.Distance).ThenByDescending(s => s.End - s.First).ToList();
    }

    /// <summary>"A storm surges a rise": what was said is "A storm surge is a rise". The two sound alike; grammar says which.</summary>
    private IEnumerable<TermSuspicion> Contracted(IReadOnlyList<string> words)
    {
        for (var first = 0; first < words.Count; first++)
        {
            for (var end = first + 1; end < Math.Min(words.Count, first + MostWords); end++)
            {
                var text = Bare(string.Join(' ', words.Skip(first).Take(end - first)));
                if (char.IsLetter(words[end - 1][^1]) && text.EndsWith("es") && hissing.TryGetValue(text, out var term) && words[end].ToLowerInvariant() is "a" or "an" or "the")
                {
                    yield return new TermSuspicion(first, end, new CourseTerm(term + " is"), 0, Contraction);
                }
            }
        }
    }

    /// <summary>What is a term already may only become part of a longer one.</summary>
    private static bool KeepsWhatIsRight(IReadOnlyList<string> words, bool[] right, int first, int end, CourseTerm term, string singular)
    {
        if (Bare(string.Join(' ', words.Skip(first).Take(end - first))).Contains(singular))
        {
            return false;
        }

        for (var i = first; i < end; i++)
        {
            if (right[i] && (end - first == 1 || !Bare(term.Written).Contains(Bare(words[i]))))
            {
                return false;
            }
        }

        return true;
    }

    private bool[] AlreadyRight(IReadOnlyList<string> words)
    {
        var right = new bool[words.Count];
        for (var first = 0; first < words.Count; first++)
        {
            for (var end = first + 1; end <= Math.Min(words.Count, first + MostWords); end++)
            {
                var text = Bare(string.Join(' ', words.Skip(first).Take(end - first)));
                if (written.Contains(text))
                {
                    Array.Fill(right, true, first, end - first);
                }
            }
        }

        return right;
    }

    private static string Bare(string text) =>
        string.Join(' ', new string(text.ToLowerInvariant().Select(c => char.IsLetterOrDigit(c) || c == '\'' ? c : ' ').ToArray())
            .Split(' ', StringSplitOptions.RemoveEmptyEntries));
}
