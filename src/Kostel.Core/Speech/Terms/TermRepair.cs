using System.Collections.Concurrent;
using Kostel.Core.Speech.Decoding;
using Kostel.Core.Text;

namespace Kostel.Core.Speech.Terms;

/// <summary>A word as tokens.</summary>
/// <param name="FirstToken">Its first token's place in the text…</param>
/// <param name="EndToken">…and that of the first token after it.</param>
public sealed record TokenWord(string Text, int FirstToken, int EndToken);

/// <summary>
/// Puts terms where a text only sounds like them, if the model agrees: for this sound the text with the term must be nearly as
/// likely as what was written. How likely each term's first token was at each place is noted while the text is searched for;
/// only the terms that remain possible are walked through further, as a prefix tree.
/// </summary>
public sealed class TermRepair
{
    /// <summary>What the model is surer of than this is not doubted.</summary>
    private const double Sure = 0.985;

    /// <summary>
    /// The chance that a word put in is the right one. Measured on two lists of ten rare terms: of the words put in about one
    /// in twenty was wrong. The model's own probability only says that it did not know the word.
    /// </summary>
    private const double RightAfterRepair = 0.85;

    private const int TokensAfter = 5, MostSuspicions = 400, SpellingsKept = 50_000;

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
            .SelectMany(s => Replacement.Dressings(s, words).Select(d => new Replacement(text, words, s, Spell(d.Written), Spell(d.Heard), Opening)))
            .ToList();
        var likely = ProposalScorer.Score(model, replacements.ConvertAll(s => s.Proposal));
        var chosen = new List<Replacement>();
        foreach (var (replacement, _) in replacements.Zip(likely).Where(s => s.Second is not null).OrderByDescending(s => s.First.Gain(s.Second!.Value)))
        {
            if (chosen.TrueForAll(c => c.To <= replacement.From || replacement.To <= c.From))
            {
                chosen.Add(replacement);
            }
        }

        return chosen.Count == 0 ? text : Write(text, chosen.OrderBy(c => c.From).ToList(), model);
    }

    private static int End(FoundText text, int to) => Math.Min(text.Tokens.Count, to + TokensAfter);

    /// <summary>The logarithms of the tokens' probabilities, added up: before each token, and at the end.</summary>
    private static double[] Sums(FoundText text)
    {
        var sums = new double[text.Tokens.Count + 1];
        for (var i = 0; i < text.Tokens.Count; i++)
        {
            sums[i + 1] = sums[i] + Log(text.Probabilities[i]);
        }

        return sums;
    }

    private static double Log(double probability) => Math.Log(Math.Max(probability, 1e-9));

    /// <summary>Whether a form's first token alone does not rule it out.</summary>
    private bool MayOpen(FoundText text, double[] sums, int from, int to, int form)
    {
        var noted = text.Watched![from];
        var (small, capital) = openings[form];
        return Math.Max(noted[small], noted[capital]) >= sums[End(text, to)] - sums[from] - finder.MostMargin;
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
    private static FoundText Write(FoundText text, IReadOnlyList<Replacement> replacements, ITokenModel model)
    {
        var start = replacements[0].From;
        var tail = new List<int>();
        var putIn = new List<bool>();
        var at = start;
        foreach (var replacement in replacements)
        {
            Append(text.Tokens.Skip(at).Take(replacement.From - at), false);
            Append(replacement.Tokens, true);
            at = replacement.To;
        }

        Append(text.Tokens.Skip(at), false);
        var scored = TextScorer.Score(model, replacements[0].Before(text).Beginning, replacements[0].Before(text).Token, tail);
        return text with
        {
            Tokens = [.. text.Tokens.Take(start), .. tail],
            Probabilities = [.. text.Probabilities.Take(start), .. scored.Select((s, i) => Math.Max(putIn[i] ? RightAfterRepair : 0, Math.Exp(s.LogProbability)))],
            Beginnings = [.. text.Beginnings.Take(start), .. scored.Select(s => s.Beginning)],
        };

        void Append(IEnumerable<int> tokens, bool replaced)
        {
            tail.AddRange(tokens);
            while (putIn.Count < tail.Count)
            {
                putIn.Add(replaced);
            }
        }
    }

    /// <summary>A term in the place of some words.</summary>
    private sealed record Replacement
    {
        private readonly double written;
        private readonly double opening;

        /// <param name="tokens">The term as it will be written.</param>
        /// <param name="heard">The term as the model is asked for it.</param>
        /// <param name="opens">The log-probability of a token in the place of another, if it is known.</param>
        public Replacement(
            FoundText text, IReadOnlyList<TokenWord> words, TermSuspicion suspicion, IReadOnlyList<int> tokens, IReadOnlyList<int> heard, Func<FoundText, int, int, double?> opens)
        {
            (From, To, Tokens) = (words[suspicion.First].FirstToken, words[suspicion.End - 1].EndToken, tokens);
            var end = End(text, To);
            written = text.Probabilities.Skip(From).Take(end - From).Sum(Log);

            // A term at the end must not swallow words: after it the model has to expect the end, as it did after what was written.
            int[] close = end == text.Tokens.Count ? [SearchOptions.EndToken] : [];
            int[] after = [.. text.Tokens.Skip(To).Take(end - To), .. close];
            Proposal = opens(text, From, heard[0]) is { } known
                ? new Proposal(text.Beginnings[From], heard[0], [.. heard.Skip(1), .. after], written - suspicion.Margin - (opening = known))
                : new Proposal(Before(text).Beginning, Before(text).Token, [.. heard, .. after], written - suspicion.Margin);
        }

        public int From { get; }

        public int To { get; }

        public IReadOnlyList<int> Tokens { get; }

        /// <summary>The term and a little of what follows; without the first token where its chance is known.</summary>
        public Proposal Proposal { get; }

        /// <summary>How much more likely the text is with the term.</summary>
        /// <param name="proposed">The log-probability of the proposal.</param>
        public double Gain(double proposed) => opening + proposed - written;

        /// <summary>What comes before it, and the last token of that.</summary>
        public (int Beginning, int Token) Before(FoundText text) =>
            From == 0 ? (-1, SearchOptions.StartToken) : (text.Beginnings[From - 1], text.Tokens[From - 1]);

        /// <summary>
        /// The term as it is to stand in the sentence, with the punctuation of what it replaces. The model may hold a rare word
        /// for a name, so it is asked for it with a capital too.
        /// </summary>
        public static IEnumerable<(string Written, string Heard)> Dressings(TermSuspicion suspicion, IReadOnlyList<TokenWord> words)
        {
            var term = suspicion.Term.Written;
            var last = words[suspicion.End - 1].Text;
            var signs = last[last.TrimEnd('.', ',', '?', '!', ';', ':').Length..];
            var startsSentence = suspicion.First == 0 || words[suspicion.First - 1].Text is [.., '.' or '?' or '!'];
            var capital = WordForms.Capital(term);
            var written = (startsSentence && char.IsUpper(words[suspicion.First].Text[0]) ? capital : term) + signs;
            yield return (written, written);
            if (written != capital + signs)
            {
                yield return (written, capital + signs);
            }
        }
    }
}
