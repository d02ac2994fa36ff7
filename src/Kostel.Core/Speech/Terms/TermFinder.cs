namespace Kostel.Core.Speech.Terms;

/// <summary>Words <paramref name="First"/> to <paramref name="End"/> (exclusive) sound like a term.</summary>
/// <param name="Distance">Between their sounds, 0 to 1.</param>
/// <param name="Margin">How much less likely (natural logarithm) than what was written the term may be for this sound.</param>
public sealed record TermSuspicion(int First, int End, CourseTerm Term, double Distance, double Margin);

/// <summary>Finds where a text sounds like a term but says something else.</summary>
public sealed class TermFinder
{
    /// <summary>Sounds farther apart than this are not taken for one another: with a list of <see cref="FewTerms"/> or less, and less far for each ten times as many.</summary>
    private const double Farthest = 0.5, NearerForTenfold = 0.1;

    /// <summary>
    /// The margin with a list of <see cref="FewTerms"/> or less, where the sounds are the same; farther away it is smaller. Measured
    /// on two lists of rare terms and the two of the demonstration, of 198 places that it changed 186 became right; without the
    /// second number 201 of 235, with 15 in its place 173 of 180.
    /// </summary>
    private const double Margin = 11.5, LessForDistance = 10;

    /// <summary>
    /// More terms, each less likely to be the one: the margin shrinks with the logarithm of their number. Measured with 2,000
    /// words that were not said: shrinking by the logarithm itself, one word in a hundred became one of them.
    /// </summary>
    private const double FewTerms = 10, Shrinks = 1.5;

    /// <summary>For the "is" in a plural; measured on the demonstration.</summary>
    private const double ContractionMargin = 8;

    /// <summary>Two words taken for one, or one for two, are a little less likely than as many for as many.</summary>
    private const double OtherWordCount = 0.04;

    private const int MostWords = 5, ShortestKey = 3, LongTerm = 7;
    private readonly Sound[] sounds;
    private readonly double margin;
    private readonly double farthest;
    private readonly HashSet<string> written;

    /// <summary>Plurals that sound like the singular with "is" after it, and the singular.</summary>
    private readonly Dictionary<string, string> hissing;

    /// <summary>Prepares a list.</summary>
    public TermFinder(IReadOnlyList<CourseTerm> terms)
    {
        sounds = terms.SelectMany(t => WithPlural(t).Select(form => Sound.Of(form, Bare(t.Written))))
            .Where(s => s.Key.Length >= ShortestKey)
            .OrderBy(s => s.Weight)
            .ToArray();
        var times = Math.Max(FewTerms, terms.Count) / FewTerms;
        margin = Margin - (Shrinks * Math.Log(times));
        farthest = Farthest - (NearerForTenfold * Math.Log10(times));
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

    /// <summary>The terms and their plurals, as they are looked for.</summary>
    public IReadOnlyList<string> Forms => Array.ConvertAll(sounds, s => s.Term.Written);

    /// <summary>How much less likely (natural logarithm) than what was written a term may be for the sound at most; contractions apart.</summary>
    public double LargestMargin => margin;

    /// <summary>Whether there is anything to look for.</summary>
    public bool IsEmpty => sounds.Length == 0;

    /// <summary>All suspicions, the nearest first. Words that already are a term stay, but may become part of a longer one.</summary>
    /// <param name="doubtful">Whether the words from the first to the second (exclusive) may be others than was written.</param>
    /// <param name="possible">Whether the words from the first to the second may be a form, given as its number among <see cref="Forms"/>; asked before their sounds are compared.</param>
    public IReadOnlyList<TermSuspicion> Find(IReadOnlyList<string> words, Func<int, int, bool> doubtful, Func<int, int, int, bool>? possible = null)
    {
        var right = AlreadyRight(words);
        var found = new List<TermSuspicion>();
        for (var first = 0; first < words.Count; first++)
        {
            for (var end = first + 1; end <= Math.Min(words.Count, first + MostWords); end++)
            {
                if (doubtful(first, end))
                {
                    found.AddRange(Alike(words, right, first, end, possible));
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

    /// <summary>Terms that sound like these words.</summary>
    private IEnumerable<TermSuspicion> Alike(IReadOnlyList<string> words, bool[] right, int first, int end, Func<int, int, int, bool>? possible)
    {
        var key = SoundKey.Of(string.Join(' ', words.Skip(first).Take(end - first)));
        var weight = SoundKey.Weight(key);

        // Sounds that one has more than the other must all be paid for: the weights alone rule out most terms.
        for (var i = Lightest(weight * (1 - farthest)); i < sounds.Length && sounds[i].Weight * (1 - farthest) <= weight; i++)
        {
            var sound = sounds[i];

            // A long word that was not known may have become a handful of short ones.
            var more = sound.Weight >= LongTerm ? MostWords - 1 : 1;
            if (end - first < sound.Words - 1 || end - first > sound.Words + more || possible?.Invoke(first, end, i) == false)
            {
                continue;
            }

            var distance = SoundKey.Distance(key, sound.Key, farthest) + (OtherWordCount * Math.Abs(end - first - sound.Words));
            if (distance <= farthest && KeepsWhatIsRight(words, right, first, end, sound.Term, sound.Singular))
            {
                yield return new TermSuspicion(first, end, sound.Term, distance, margin - (LessForDistance * distance));
            }
        }
    }

    /// <summary>The first of the sounds that weighs this much.</summary>
    private int Lightest(double weight)
    {
        var (from, to) = (0, sounds.Length);
        while (from < to)
        {
            var middle = (from + to) / 2;
            (from, to) = sounds[middle].Weight < weight ? (middle + 1, to) : (from, middle);
        }

        return from;
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
                    yield return new TermSuspicion(first, end, new CourseTerm(term + " is"), 0, ContractionMargin);
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

    /// <param name="Singular">The term itself, where <paramref name="Term"/> is its plural; bare.</param>
    private readonly record struct Sound(CourseTerm Term, string Singular, string Key, double Weight, int Words)
    {
        public static Sound Of(CourseTerm term, string singular)
        {
            var key = SoundKey.Of(term.SoundsLike ?? term.Written);
            return new Sound(term, singular, key, SoundKey.Weight(key), term.Written.Count(c => c == ' ') + 1);
        }
    }
}
