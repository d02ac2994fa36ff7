using System.Collections.Concurrent;
using System.Globalization;

namespace Kostel.Core.Text;

/// <summary>How words belong together, the closest first.</summary>
public enum Kinship
{
    /// <summary>They mean the same.</summary>
    Same,

    /// <summary>The same in another kind of word ("acid", "acidity").</summary>
    Related,

    /// <summary>The other is a kind of this one.</summary>
    Narrower,

    /// <summary>This one is a kind of the other.</summary>
    Broader,

    /// <summary>Both are kinds of one thing.</summary>
    Sibling,
}

/// <summary>Which English words mean the same, and which are kinds of what.</summary>
/// <remarks>The list is made by <c>models/relations.mjs</c> from WordNet (G. Miller, 1995), of the first three meanings of each word. Words are known by their stems, so in any form.</remarks>
public sealed class WordRelations
{
    private const int MostSiblings = 60;
    private readonly string[][] words;
    private readonly int[][] broader, related, narrower;
    private readonly Dictionary<string, List<int>> meanings = [];
    private readonly ConcurrentDictionary<string, IReadOnlyDictionary<string, Kinship>> known = new();

    private WordRelations(string[][] words, int[][] broader, int[][] related)
    {
        (this.words, this.broader, this.related) = (words, broader, related);
        var kinds = new List<int>?[words.Length];
        for (var m = 0; m < words.Length; m++)
        {
            foreach (var word in words[m])
            {
                var stem = Tokens.Stem(word);
                if (!meanings.TryGetValue(stem, out var list))
                {
                    meanings[stem] = list = [];
                }

                list.Add(m);
            }

            foreach (var above in broader[m])
            {
                (kinds[above] ??= []).Add(m);
            }
        }

        narrower = kinds.Select(k => k?.ToArray() ?? []).ToArray();
    }

    /// <summary>No words.</summary>
    public static WordRelations None { get; } = new([], [], []);

    /// <summary>Reads a list.</summary>
    /// <exception cref="InvalidDataException">It is none.</exception>
    public static WordRelations Read(TextReader list)
    {
        var (words, broader, related) = (new List<string[]>(), new List<int[]>(), new List<int[]>());
        while (list.ReadLine() is { } line)
        {
            if (line.Split('|') is not [{ Length: > 0 } own, var above, var beside])
            {
                throw new InvalidDataException("This is no list of how words belong together.");
            }

            words.Add(own.Split(' '));
            broader.Add(Lines(above));
            related.Add(Lines(beside));
        }

        return broader.Concat(related).SelectMany(l => l).Any(l => l < 0 || l >= words.Count)
            ? throw new InvalidDataException("The list of how words belong together is cut off.")
            : new WordRelations([.. words], [.. broader], [.. related]);

        static int[] Lines(string text) => text.Length == 0 ? [] : text.Split(' ').Select(n => int.TryParse(n, NumberStyles.None, CultureInfo.InvariantCulture, out var line) ? line : -1).ToArray();
    }

    /// <summary>In which share of its meanings a word names a kind of something, from 0 to 1; 0 for one that is not known.</summary>
    /// <param name="word">In any form.</param>
    /// <param name="kind">The word for the kind, "person", in whatever meaning that is listed first.</param>
    public double ShareOf(string word, string kind) => meanings.TryGetValue(Tokens.Stem(kind), out var kinds) && meanings.TryGetValue(Tokens.Stem(word), out var own) ? own.Count(m => IsUnder(m, kinds[0])) / (double)own.Count : 0;

    private bool IsUnder(int meaning, int kind)
    {
        var (next, seen) = (new Queue<int>([meaning]), new HashSet<int>());
        while (next.TryDequeue(out var at))
        {
            if (at == kind)
            {
                return true;
            }

            foreach (var above in broader[at].Where(seen.Add))
            {
                next.Enqueue(above);
            }
        }

        return false;
    }

    /// <summary>The stems of the words that belong to one, with how; single words only. Itself is not among them.</summary>
    public IReadOnlyDictionary<string, Kinship> Of(string word) => known.GetOrAdd(Tokens.Stem(word), Find);

    /// <summary>Words that mean the same as one, as they are written; single words only.</summary>
    public IReadOnlyList<string> SameAs(string word) => Words(meanings.GetValueOrDefault(Tokens.Stem(word), []), word);

    /// <summary>Words for other things of the same kind as one, as they are written; single words only.</summary>
    public IReadOnlyList<string> OfOneKindWith(string word)
    {
        var own = meanings.GetValueOrDefault(Tokens.Stem(word), []);
        return Words(own.SelectMany(m => broader[m]).Where(m => narrower[m].Length <= MostSiblings).SelectMany(m => narrower[m]).Except(own), word);
    }

    private List<string> Words(IEnumerable<int> of, string but)
    {
        var stem = Tokens.Stem(but);
        return [.. of.SelectMany(m => words[m]).Where(w => !w.Contains('_', StringComparison.Ordinal) && Tokens.Stem(w) != stem).Distinct()];
    }

    private Dictionary<string, Kinship> Find(string stem)
    {
        var found = new Dictionary<string, Kinship>();
        var own = meanings.GetValueOrDefault(stem, []);
        Add(own, Kinship.Same);
        Add(own.SelectMany(m => related[m]), Kinship.Related);
        Add(own.SelectMany(m => narrower[m]), Kinship.Narrower);
        Add(own.SelectMany(m => broader[m]), Kinship.Broader);
        foreach (var above in own.SelectMany(m => broader[m]).Where(m => narrower[m].Length <= MostSiblings))
        {
            Add(narrower[above], Kinship.Sibling);
        }

        found.Remove(stem);
        return found;

        void Add(IEnumerable<int> of, Kinship how)
        {
            foreach (var word in of.SelectMany(m => words[m]).Where(w => !w.Contains('_', StringComparison.Ordinal)))
            {
                found.TryAdd(Tokens.Stem(word), how);
            }
        }
    }
}
