using System.Text.RegularExpressions;
using Kostel.Core.Text;

namespace Kostel.Core.Grammar;

/// <summary>Reads the bracketed form in which parsers write what a sentence is made of: "(S (NP the anchor.n) (VP has.v (NP one fault.n)) .)".</summary>
public static partial class ConstituentTree
{
    /// <summary>The tree over the words of its sentence, or null where the brackets do not close.</summary>
    /// <param name="brackets">Words carry what they were read as behind a full stop; left-out ones stand in braces.</param>
    /// <param name="sentence">Words divided by spaces.</param>
    public static Constituent? Read(string brackets, string sentence)
    {
        var words = sentence.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        var letters = words.SelectMany((w, i) => Letters(w).Select(c => (Letter: c, Word: i))).ToArray();
        var open = new Stack<(string Label, List<Constituent> Parts)>();
        Constituent? whole = null;
        var at = 0;
        foreach (Match part in Parts().Matches(brackets))
        {
            if (part.Value[0] == '(')
            {
                open.Push((part.Value[1..], []));
                continue;
            }

            if (open.Count == 0)
            {
                return null;
            }

            if (part.Value == ")")
            {
                var (label, parts) = open.Pop();
                var own = Over(label, parts);
                if (open.Count == 0)
                {
                    whole = own;
                    break;
                }

                open.Peek().Parts.Add(own);
            }
            else
            {
                open.Peek().Parts.Add(Leaf(part.Value, letters, ref at));
            }
        }

        return whole;
    }

    private static Constituent Over(string label, List<Constituent> parts)
    {
        var held = parts.FindAll(p => p.First >= 0);
        return held.Count == 0 ? new Constituent(label, "", -1, 0, parts) : new Constituent(label, "", held.Min(p => p.First), held.Max(p => p.End) - held.Min(p => p.First), parts);
    }

    /// <summary>The next words of the sentence with the leaf's letters; what the tree left out is passed over.</summary>
    private static Constituent Leaf(string written, (char Letter, int Word)[] letters, ref int at)
    {
        var m = Word().Match(written.Trim('{', '}'));
        var own = Letters(m.Groups["word"].Value);
        for (var from = at; own.Length > 0 && from + own.Length <= letters.Length; from++)
        {
            if (letters.AsSpan(from, own.Length).SequenceEqual([.. own.Select((c, i) => (c, letters[from + i].Word))]))
            {
                at = from + own.Length;
                return new Constituent("", m.Groups["tag"].Value, letters[from].Word, letters[at - 1].Word - letters[from].Word + 1, []);
            }
        }

        return new Constituent("", m.Groups["tag"].Value, -1, 0, []);
    }

    private static string Letters(string word) => string.Concat(word.Where(char.IsLetterOrDigit)).ToLowerInvariant();

    [GeneratedRegex(@"\([A-Z]*|\)|[^\s()]+")]
    private static partial Regex Parts();

    /// <summary>"anchor.n", "pascal{!&lt;ADJ-WORDS&gt;}.a", "'s.#us", "hertz[!].p".</summary>
    [GeneratedRegex(@"^(?<word>.+?)(?:[{\[][!?~&][^}\]]*[}\]])?(?:\.(?<tag>[#a-z_][\w#-]*))?$")]
    private static partial Regex Word();
}
