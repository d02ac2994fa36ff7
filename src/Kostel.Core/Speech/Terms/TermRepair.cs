using System.Collections.Concurrent;
using Kostel.Core.Speech.Decoding;
using Kostel.Core.Text;

namespace Kostel.Core.Speech.Terms;

/// <summary>
/// Puts terms where a text only sounds like them, if the model agrees: for this sound the text with the term must be nearly as
/// likely as what was written. How likely each term's first token was at each place is noted while the text is searched for;
/// only the terms that remain possible are walked through further, as a prefix tree.
/// </summary>
public sealed class TermRepair
{
    /// <summary>What the model is surer of than this is not doubted.</summary>
    private const double Sure = 0.985;

    private const int MostSuspicions = 400, SpellingsKept = 50_000;

    private readonly TermFinder finder;
    private readonly Func<string, IReadOnlyList<int>> encode;
    private readonly Func<IReadOnlyList<int>, IReadOnlyList<TokenWord>> wordsOf;
    private readonly ConcurrentDictionary<string, IReadOnlyList<int>> spellings = new();
    private readonly Dictionary<int, int> places;

    /// <summary>For each form that is looked for, the places of its first token among the watched ones, small and with a capital.</summary>
    private readonly (int Small, int Capital)[] openings;

    /// <param name="encode">The tokens of a text that starts with a new word.</param>
    /// <param name="wordsOf">The words that tokens spell.</param>
    public TermRepair(TermFinder finder, Func<string, IReadOnlyList<int>> encode, Func<IReadOnlyList<int>, IReadOnlyList<TokenWord>> wordsOf)
    {
        (this.finder, this.encode, this.wordsOf) = (finder, encode, wordsOf);
        var first = finder.Forms.Select(f => (Small: encode(f)[0], Capital: encode(WordForms.Capital(f))[0])).ToList();
        Watched = first.SelectMany(f => new[] { f.Small, f.Capital }).Distinct().ToList();
        places = Watched.Select((token, place) => (token, place)).ToDictionary(w => w.token, w => w.place);
        openings = first.Select(f => (places[f.Small], places[f.Capital])).ToArray();
    }

    /// <summary>The tokens that the search has to watch.</summary>
    public IReadOnlyList<int> Watched { get; }

    /// <summary>The text with its terms put right.</summary>
    public FoundText Repair(FoundText text, ITokenModel model)
    {
        if (finder.IsEmpty)
        {
            return text;
        }

        var words = wordsOf(text.Tokens);
        var sums = Sums(text);
        var replacements = finder.Find(
                words.Select(w => w.Text).ToList(),
                (first, end) => Doubtful(text, words[first].FirstToken, words[end - 1].EndToken),
                text.Watched is null ? null : (first, end, form) => MayOpen(text, sums, words[first].FirstToken, words[end - 1].EndToken, form))
            .Take(MostSuspicions)
            .SelectMany(s => TermReplacement.Dressings(s, words).Select(d => new TermReplacement(text, words, s, Spell(d.Written), Spell(d.Heard), Opening)))
            .ToList();
        var likely = ProposalScorer.Score(model, replacements.ConvertAll(s => s.Proposal));
        var chosen = new List<TermReplacement>();
        foreach (var (replacement, _) in replacements.Zip(likely).Where(s => s.Second is not null).OrderByDescending(s => s.First.Gain(s.Second!.Value)))
        {
            if (chosen.TrueForAll(c => c.To <= replacement.From || replacement.To <= c.From))
            {
                chosen.Add(replacement);
            }
        }

        return chosen.Count == 0 ? text : Write(text, chosen.OrderBy(c => c.From).ToList(), model);
    }

    /// <summary>The logarithms of the tokens' probabilities, added up: before each token, and at the end.</summary>
    private static double[] Sums(FoundText text)
    {
        var sums = new double[text.Tokens.Count + 1];
        for (var i = 0; i < text.Tokens.Count; i++)
        {
            sums[i + 1] = sums[i] + TermReplacement.Log(text.Probabilities[i]);
        }

        return sums;
    }

    /// <summary>Whether a form's first token alone does not rule it out.</summary>
    private bool MayOpen(FoundText text, double[] sums, int from, int to, int form)
    {
        var noted = text.Watched![from];
        var (small, capital) = openings[form];
        return Math.Max(noted[small], noted[capital]) >= sums[TermReplacement.End(text, to)] - sums[from] - finder.LargestMargin;
    }

    /// <summary>The log-probability of a token in the place of another, if it was watched.</summary>
    private double? Opening(FoundText text, int from, int token) =>
        text.Watched is { } watched && places.TryGetValue(token, out var place) ? watched[from][place] : null;

    private IReadOnlyList<int> Spell(string text) => spellings.Count < SpellingsKept ? spellings.GetOrAdd(text, encode) : encode(text);

    private static bool Doubtful(FoundText text, int from, int to)
    {
        for (var i = from; i < to; i++)
        {
            if (text.Probabilities[i] <= Sure)
            {
                return true;
            }
        }

        return false;
    }

    /// <summary>What follows the first replacement now comes after other words: it is scored anew so that its times and probabilities hold.</summary>
    private static FoundText Write(FoundText text, List<TermReplacement> replacements, ITokenModel model)
    {
        var start = replacements[0].From;
        var tail = new List<int>();
        var least = new List<double>();
        var at = start;
        foreach (var replacement in replacements)
        {
            Append(text.Tokens.Skip(at).Take(replacement.From - at), 0);
            Append(replacement.Tokens, replacement.Chance);
            at = replacement.To;
        }

        Append(text.Tokens.Skip(at), 0);
        var scored = TextScorer.Score(model, replacements[0].Before(text).Beginning, replacements[0].Before(text).Token, tail);
        return text with
        {
            Tokens = [.. text.Tokens.Take(start), .. tail],
            Probabilities = [.. text.Probabilities.Take(start), .. scored.Select((s, i) => Math.Max(least[i], Math.Exp(s.LogProbability)))],
            Beginnings = [.. text.Beginnings.Take(start), .. scored.Select(s => s.Beginning)],

            // What was noted belongs to other tokens.
            Watched = null,
        };

        void Append(IEnumerable<int> tokens, double chance)
        {
            tail.AddRange(tokens);
            while (least.Count < tail.Count)
            {
                least.Add(chance);
            }
        }
    }
}
