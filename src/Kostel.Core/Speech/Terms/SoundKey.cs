using System.Text;

namespace Kostel.Core.Speech.Terms;

/// <summary>
/// What English words sound like, roughly: one letter a consonant sound, <c>a</c> for any vowel. Good enough to see that
/// "wielding" and "wilting" are easily taken for one another.
/// </summary>
/// <remarks>Letter-to-sound rules of this kind are common practice, no source; these are our own and coarse on purpose.</remarks>
public static class SoundKey
{
    /// <summary>Spellings and their sounds, the longer first.</summary>
    private static readonly (string Spelling, string Sound)[] Rules =
    [
        ("ough", "a"), ("augh", "a"), ("eigh", "a"), ("tion", "San"), ("sion", "San"), ("cian", "San"), ("ture", "Ca"), ("sch", "sk"), ("tch", "C"),
        ("igh", "a"), ("dge", "J"), ("gue", "g"), ("que", "k"), ("sci", "sa"), ("sce", "sa"), ("cia", "Sa"), ("tia", "Sa"),
        ("ch", "C"), ("sh", "S"), ("th", "T"), ("ph", "f"), ("wh", "w"), ("ck", "k"), ("ng", "N"), ("qu", "kw"), ("gh", ""), ("kn", "n"),
        ("wr", "r"), ("mb", "m"), ("ce", "sa"), ("ci", "sa"), ("cy", "sa"), ("ge", "Ja"), ("gi", "Ja"), ("gy", "Ja"), ("x", "ks"), ("c", "k"), ("q", "k"),
        ("j", "J"), ("h", "h"),
    ];

    /// <summary>Sounds that are taken for one another; each pair costs less than an unrelated one.</summary>
    private static readonly string[] Alike = ["td", "pb", "kg", "sz", "fv", "Tf", "Tt", "Td", "Ts", "mn", "nN", "lr", "lw", "rw", "CJ", "CS", "SJ", "sS", "Ct", "Jd", "ln", "vb", "vw", "zJ"];

    private const double Unrelated = 1, Related = 0.45, Vowel = 0.35, Aspirate = 0.3;
    private const int Letters = 128;
    private static readonly double[] Costs = AllCosts();

    /// <summary>The sounds of a word or a phrase; spaces, signs and doubled sounds leave no trace.</summary>
    public static string Of(string text)
    {
        var key = new StringBuilder();
        foreach (var word in Words(text))
        {
            for (var at = 0; at < word.Length;)
            {
                var (length, sound) = Next(word, at);
                foreach (var s in sound)
                {
                    if (key.Length == 0 || key[^1] != s)
                    {
                        key.Append(s);
                    }
                }

                at += length;
            }
        }

        return key.ToString();
    }

    /// <summary>How far apart two keys are: 0 for equal ones, about 1 for unrelated ones of the same length.</summary>
    /// <param name="farthest">As soon as they are known to be farther apart, 1 is answered.</param>
    public static double Distance(string a, string b, double farthest = double.PositiveInfinity)
    {
        if (a.Length == 0 || b.Length == 0)
        {
            return 1;
        }

        Span<double> previous = stackalloc double[b.Length + 1];
        Span<double> current = stackalloc double[b.Length + 1];
        for (var j = 1; j <= b.Length; j++)
        {
            previous[j] = previous[j - 1] + Alone(b[j - 1]);
        }

        var limit = farthest * Math.Max(Weight(a), Weight(b));
        for (var i = 1; i <= a.Length; i++)
        {
            var least = current[0] = previous[0] + Alone(a[i - 1]);
            for (var j = 1; j <= b.Length; j++)
            {
                current[j] = Math.Min(
                    previous[j - 1] + Cost(a[i - 1], b[j - 1]),
                    Math.Min(previous[j] + Alone(a[i - 1]), current[j - 1] + Alone(b[j - 1])));
                least = Math.Min(least, current[j]);
            }

            if (least > limit)
            {
                return 1;
            }

            var swap = previous;
            previous = current;
            current = swap;
        }

        return previous[b.Length] / Math.Max(Weight(a), Weight(b));
    }

    /// <summary>The cost of leaving out everything: about the number of consonants.</summary>
    public static double Weight(string key)
    {
        var weight = 0.0;
        foreach (var sound in key)
        {
            weight += Alone(sound);
        }

        return weight;
    }

    private static double Alone(char sound) => sound switch
    {
        'a' => Vowel,
        'h' => Aspirate,
        _ => Unrelated,
    };

    private static double Cost(char a, char b) => a < Letters && b < Letters ? Costs[(a * Letters) + b] : a == b ? 0 : Unrelated;

    private static double[] AllCosts()
    {
        var costs = new double[Letters * Letters];
        Array.Fill(costs, Unrelated);
        foreach (var pair in Alike)
        {
            costs[(pair[0] * Letters) + pair[1]] = costs[(pair[1] * Letters) + pair[0]] = Related;
        }

        for (var sound = 0; sound < Letters; sound++)
        {
            costs[sound * (Letters + 1)] = 0;
        }

        return costs;
    }

    private static (int Length, string Sound) Next(string word, int at)
    {
        var rest = word.AsSpan(at);
        foreach (var (spelling, sound) in Rules)
        {
            if (rest.StartsWith(spelling, StringComparison.Ordinal))
            {
                return (spelling.Length, sound);
            }
        }

        var c = word[at];
        if ("aeiou".Contains(c) || (c is 'y' && at > 0))
        {
            // A silent e at the end of a longer word.
            return (1, c == 'e' && at == word.Length - 1 && word.Length > 2 ? "" : "a");
        }

        return (1, c.ToString());
    }

    private static string[] Words(string text) =>
        new string(text.ToLowerInvariant().Select(c => char.IsLetter(c) ? c : c is '\'' or '’' ? '\0' : ' ').Where(c => c != '\0').ToArray())
            .Split(' ', StringSplitOptions.RemoveEmptyEntries);
}
