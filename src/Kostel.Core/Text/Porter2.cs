using System.Text;

namespace Kostel.Core.Text;

/// <summary>The Porter2 stemmer for English: the stem that a word shares with its inflections.</summary>
/// <remarks>M. F. Porter, "The English (Porter2) stemming algorithm", snowballstem.org.</remarks>
public static class Porter2
{
    private static readonly Dictionary<string, string> Irregular = new()
    {
        ["skis"] = "ski",
        ["skies"] = "sky",
        ["dying"] = "die",
        ["lying"] = "lie",
        ["tying"] = "tie",
        ["idly"] = "idl",
        ["gently"] = "gentl",
        ["ugly"] = "ugli",
        ["early"] = "earli",
        ["only"] = "onli",
        ["singly"] = "singl",
        ["sky"] = "sky",
        ["news"] = "news",
        ["atlas"] = "atlas",
        ["cosmos"] = "cosmos",
        ["bias"] = "bias",
        ["andes"] = "andes",
    };

    private static readonly HashSet<string> KeptAfterStep1A =
        ["inning", "outing", "canning", "herring", "earring", "proceed", "exceed", "succeed"];

    private static readonly (string Suffix, string Replacement)[] Step2Suffixes =
    [
        ("ization", "ize"), ("ational", "ate"), ("fulness", "ful"), ("ousness", "ous"), ("iveness", "ive"), ("tional", "tion"),
        ("biliti", "ble"), ("lessli", "less"), ("entli", "ent"), ("ation", "ate"), ("alism", "al"), ("aliti", "al"),
        ("ousli", "ous"), ("iviti", "ive"), ("fulli", "ful"), ("enci", "ence"), ("anci", "ance"), ("abli", "able"),
        ("izer", "ize"), ("ator", "ate"), ("alli", "al"), ("bli", "ble"), ("ogi", "og"), ("li", ""),
    ];

    private static readonly (string Suffix, string Replacement)[] Step3Suffixes =
    [
        ("ational", "ate"), ("tional", "tion"), ("alize", "al"), ("icate", "ic"), ("iciti", "ic"), ("ative", ""),
        ("ical", "ic"), ("ness", ""), ("ful", ""),
    ];

    private static readonly string[] Step4Suffixes =
    [
        "ement", "ance", "ence", "able", "ible", "ment", "ant", "ent", "ism", "ate", "iti", "ous", "ive", "ize", "ion", "al", "er", "ic",
    ];

    /// <summary>The stem of a lower-case word.</summary>
    public static string Stem(string word)
    {
        if (word.Length <= 2)
        {
            return word;
        }

        if (Irregular.TryGetValue(word, out var known))
        {
            return known;
        }

        var w = new StringBuilder(word);
        if (w[0] == '\'')
        {
            w.Remove(0, 1);
        }

        for (var i = 0; i < w.Length; i++)
        {
            if (w[i] == 'y' && (i == 0 || IsVowel(w[i - 1])))
            {
                w[i] = 'Y';
            }
        }

        var r1 = Region1(w);
        var r2 = After(w, r1);
        Step0(w);
        Step1A(w);
        if (KeptAfterStep1A.Contains(w.ToString()))
        {
            return w.ToString();
        }

        Step1B(w, r1);
        Step1C(w);
        Step2(w, r1);
        Step3(w, r1, r2);
        Step4(w, r2);
        Step5(w, r1, r2);
        return w.ToString().ToLowerInvariant();
    }

    private static bool IsVowel(char c) => c is 'a' or 'e' or 'i' or 'o' or 'u' or 'y';

    private static int Region1(StringBuilder w)
    {
        var text = w.ToString();
        foreach (var start in new[] { "gener", "commun", "arsen" })
        {
            if (text.StartsWith(start, StringComparison.Ordinal))
            {
                return start.Length;
            }
        }

        return After(w, 0);
    }

    /// <summary>Behind the first consonant that follows a vowel at or after <paramref name="from"/>.</summary>
    private static int After(StringBuilder w, int from)
    {
        for (var i = from + 1; i < w.Length; i++)
        {
            if (!IsVowel(w[i]) && IsVowel(w[i - 1]))
            {
                return i + 1;
            }
        }

        return w.Length;
    }

    private static bool Ends(StringBuilder w, string suffix)
    {
        if (w.Length < suffix.Length)
        {
            return false;
        }

        for (var i = 0; i < suffix.Length; i++)
        {
            if (w[w.Length - suffix.Length + i] != suffix[i])
            {
                return false;
            }
        }

        return true;
    }

    private static void Cut(StringBuilder w, int letters) => w.Length -= letters;

    private static void Replace(StringBuilder w, string suffix, string by)
    {
        w.Length -= suffix.Length;
        w.Append(by);
    }

    private static bool HasVowel(StringBuilder w, int length)
    {
        for (var i = 0; i < length; i++)
        {
            if (IsVowel(w[i]))
            {
                return true;
            }
        }

        return false;
    }

    private static void Step0(StringBuilder w)
    {
        foreach (var suffix in new[] { "'s'", "'s", "'" })
        {
            if (Ends(w, suffix))
            {
                Cut(w, suffix.Length);
                return;
            }
        }
    }

    private static void Step1A(StringBuilder w)
    {
        if (Ends(w, "sses"))
        {
            Cut(w, 2);
        }
        else if (Ends(w, "ied") || Ends(w, "ies"))
        {
            Cut(w, w.Length > 4 ? 2 : 1);
        }
        else if (Ends(w, "us") || Ends(w, "ss"))
        {
        }
        else if (Ends(w, "s") && w.Length > 2 && HasVowel(w, w.Length - 2))
        {
            Cut(w, 1);
        }
    }

    private static void Step1B(StringBuilder w, int r1)
    {
        foreach (var suffix in new[] { "eedly", "eed" })
        {
            if (Ends(w, suffix))
            {
                if (w.Length - suffix.Length >= r1)
                {
                    Replace(w, suffix, "ee");
                }

                return;
            }
        }

        foreach (var suffix in new[] { "ingly", "edly", "ing", "ed" })
        {
            if (!Ends(w, suffix))
            {
                continue;
            }

            if (!HasVowel(w, w.Length - suffix.Length))
            {
                return;
            }

            Cut(w, suffix.Length);
            if (Ends(w, "at") || Ends(w, "bl") || Ends(w, "iz"))
            {
                w.Append('e');
            }
            else if (EndsInDouble(w))
            {
                Cut(w, 1);
            }
            else if (r1 >= w.Length && EndsInShortSyllable(w, w.Length))
            {
                w.Append('e');
            }

            return;
        }
    }

    private static bool EndsInDouble(StringBuilder w) =>
        w.Length >= 2 && w[^1] == w[^2] && (w[^1] is 'b' or 'd' or 'f' or 'g' or 'm' or 'n' or 'p' or 'r' or 't');

    private static bool EndsInShortSyllable(StringBuilder w, int length)
    {
        if (length == 2)
        {
            return IsVowel(w[0]) && !IsVowel(w[1]);
        }

        return length > 2 && !IsVowel(w[length - 3]) && IsVowel(w[length - 2])
            && !IsVowel(w[length - 1]) && w[length - 1] is not ('w' or 'x' or 'Y');
    }

    private static void Step1C(StringBuilder w)
    {
        if (w.Length > 2 && w[^1] is 'y' or 'Y' && w.Length > 2 && !IsVowel(w[^2]))
        {
            w[^1] = 'i';
        }
    }

    private static void Step2(StringBuilder w, int r1)
    {
        foreach (var (suffix, by) in Step2Suffixes)
        {
            if (!Ends(w, suffix))
            {
                continue;
            }

            var start = w.Length - suffix.Length;
            var fits = suffix switch
            {
                "ogi" => start > 0 && w[start - 1] == 'l',
                "li" => start > 0 && w[start - 1] is 'c' or 'd' or 'e' or 'g' or 'h' or 'k' or 'm' or 'n' or 'r' or 't',
                _ => true,
            };
            if (start >= r1 && fits)
            {
                Replace(w, suffix, by);
            }

            return;
        }
    }

    private static void Step3(StringBuilder w, int r1, int r2)
    {
        foreach (var (suffix, by) in Step3Suffixes)
        {
            if (Ends(w, suffix))
            {
                if (w.Length - suffix.Length >= (suffix == "ative" ? r2 : r1))
                {
                    Replace(w, suffix, by);
                }

                return;
            }
        }
    }

    private static void Step4(StringBuilder w, int r2)
    {
        foreach (var suffix in Step4Suffixes)
        {
            if (!Ends(w, suffix))
            {
                continue;
            }

            var start = w.Length - suffix.Length;
            if (start >= r2 && (suffix != "ion" || (start > 0 && w[start - 1] is 's' or 't')))
            {
                Cut(w, suffix.Length);
            }

            return;
        }
    }

    private static void Step5(StringBuilder w, int r1, int r2)
    {
        var last = w.Length - 1;
        if (w[last] == 'e' && (last >= r2 || (last >= r1 && !EndsInShortSyllable(w, last))))
        {
            Cut(w, 1);
        }
        else if (w[last] == 'l' && last >= r2 && last > 0 && w[last - 1] == 'l')
        {
            Cut(w, 1);
        }
    }
}
