using System.Globalization;

namespace Kostel.Core.Text;

/// <summary>How often a word stands as a noun, a verb, an adjective and an adverb, in texts that were tagged by hand.</summary>
public readonly record struct WordKinds(int Noun, int Verb, int Adjective, int Adverb)
{
    /// <summary>All of them.</summary>
    public int Total => Noun + Verb + Adjective + Adverb;

    /// <summary>The share in which it is a noun; 0 for a word that is not known.</summary>
    public double NounShare => Total == 0 ? 0 : Noun / (double)Total;

    /// <summary>The share in which it is a verb.</summary>
    public double VerbShare => Total == 0 ? 0 : Verb / (double)Total;

    /// <summary>The share in which it is an adjective.</summary>
    public double AdjectiveShare => Total == 0 ? 0 : Adjective / (double)Total;
}

/// <summary>What kinds of word the words of English can be.</summary>
/// <remarks>The list is made by <c>models/lexicon.mjs</c> from WordNet. Endings are taken off as WordNet's own look-up does it.</remarks>
public sealed class Lexicon
{
    private static readonly (string Ending, string Instead)[] NounEndings = [("ies", "y"), ("ves", "f"), ("ches", "ch"), ("shes", "sh"), ("sses", "ss"), ("xes", "x"), ("zes", "z"), ("men", "man"), ("s", "")];
    private static readonly (string Ending, string Instead)[] VerbEndings = [("ies", "y"), ("es", "e"), ("es", ""), ("s", ""), ("ied", "y"), ("ed", "e"), ("ed", ""), ("ing", "e"), ("ing", "")];

    private readonly Dictionary<string, WordKinds> words;

    private Lexicon(Dictionary<string, WordKinds> words) => this.words = words;

    /// <summary>No words.</summary>
    public static Lexicon None { get; } = new([]);

    /// <summary>Words that are known.</summary>
    public int Count => words.Count;

    /// <summary>Reads a list.</summary>
    /// <exception cref="InvalidDataException">It is none.</exception>
    public static Lexicon Read(TextReader list)
    {
        var words = new Dictionary<string, WordKinds>();
        while (list.ReadLine() is { } line)
        {
            var parts = line.Split(' ');
            if (parts.Length != 5 || !parts.Skip(1).All(p => int.TryParse(p, NumberStyles.None, CultureInfo.InvariantCulture, out _)))
            {
                throw new InvalidDataException("This is no list of words and their kinds.");
            }

            var counts = parts.Skip(1).Select(p => int.Parse(p, CultureInfo.InvariantCulture)).ToArray();
            words[parts[0]] = new WordKinds(counts[0], counts[1], counts[2], counts[3]);
        }

        return new Lexicon(words);
    }

    /// <summary>The kinds of a word in small letters, in whatever form it stands.</summary>
    public WordKinds KindsOf(string word)
    {
        var own = words.GetValueOrDefault(word);
        var noun = FromEndings(word, NounEndings).Select(w => w.Noun).DefaultIfEmpty(0).Max();
        var verb = FromEndings(word, VerbEndings).Select(w => w.Verb).DefaultIfEmpty(0).Max();
        var isPlural = word.EndsWith('s') && noun > 0;
        var isForm = word.EndsWith("ed", StringComparison.Ordinal) || word.EndsWith("ing", StringComparison.Ordinal) || word.EndsWith('s');
        return new WordKinds(own.Noun + (isPlural ? noun : 0), own.Verb + (isForm ? verb : 0), own.Adjective, own.Adverb);
    }

    /// <summary>Whether a word is a verb with an ending ("swinging", "swung" not): what it is then is told by what stands around it.</summary>
    public bool IsVerbForm(string word, string ending) => word.EndsWith(ending, StringComparison.Ordinal) && FromEndings(word, VerbEndings).Any(w => w.Verb > 0);

    /// <summary>The form in which a dictionary has a verb: "turn" for "turned", "lose" for "lost"; null for a word that is none.</summary>
    public string? VerbOf(string word)
    {
        var known = IrregularForms.BaseOf(word);
        return known != word || (words.TryGetValue(word, out var own) && own.Verb > 0) ? known : Stems(word, VerbEndings).FirstOrDefault(s => words[s].Verb > 0);
    }

    private IEnumerable<WordKinds> FromEndings(string word, (string Ending, string Instead)[] endings) => Stems(word, endings).Select(s => words[s]);

    private IEnumerable<string> Stems(string word, (string Ending, string Instead)[] endings)
    {
        foreach (var (ending, instead) in endings)
        {
            if (word.Length > ending.Length + 1 && word.EndsWith(ending, StringComparison.Ordinal))
            {
                var stem = word[..^ending.Length] + instead;
                if (words.ContainsKey(stem))
                {
                    yield return stem;
                }

                // Doubled before an ending: running, stopped.
                if (instead.Length == 0 && ending is "ed" or "ing" && stem.Length > 3 && stem[^1] == stem[^2] && words.ContainsKey(stem[..^1]))
                {
                    yield return stem[..^1];
                }
            }
        }
    }
}
