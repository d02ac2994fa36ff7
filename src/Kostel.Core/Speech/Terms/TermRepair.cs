using Kostel.Core.Speech.Decoding;
using Kostel.Core.Text;

namespace Kostel.Core.Speech.Terms;

/// <summary>A word as tokens.</summary>
/// <param name="FirstToken">Its first token's place in the text…</param>
/// <param name="EndToken">…and that of the first token after it.</param>
public sealed record TokenWord(string Text, int FirstToken, int EndToken);

/// <summary>
/// Puts terms where a text only sounds like them, if the model agrees: the text with the term must be nearly as likely for
/// this sound as what was written, the nearer in sound the less likely it may be.
/// </summary>
public sealed class TermRepair(TermFinder finder, Func<string, IReadOnlyList<int>> encode, Func<IReadOnlyList<int>, IReadOnlyList<TokenWord>> wordsOf)
{
    /// <summary>
    /// How much less likely (natural logarithm) a term may be for each of its consonants where it sounds the same; nothing
    /// where it sounds as far away as is looked for. Measured on ten rare terms said 96 times: 46 right with a margin of 2, 59
    /// with 4 (57 with the limit below), 62 with 7, but then terms appeared that nobody said.
    /// </summary>
    private const double Margin = 4;

    /// <summary>What the model holds for less likely than this beside what it wrote was not said, however long the term.</summary>
    private const double MostMargin = 10;

    /// <summary>What the model is surer of than this is not doubted.</summary>
    private const double Sure = 0.95;

    /// <summary>A judgement, not a measurement: the repairs read in three lectures were right. The model's own probability only says that it did not know the word.</summary>
    private const double RightAfterRepair = 0.6;

    private const int TokensAfter = 5, MostTries = 16;

    /// <summary>The text with its terms put right.</summary>
    public FoundText Repair(FoundText text, ITokenModel model)
    {
        if (finder.IsEmpty)
        {
            return text;
        }

        var refused = new HashSet<(int, int, string)>();
        for (var tries = 0; ;)
        {
            var words = wordsOf(text.Tokens);
            FoundText? better = null;
            foreach (var suspicion in finder.Find(words.Select(w => w.Text).ToList()))
            {
                var (from, to) = (words[suspicion.First].FirstToken, words[suspicion.End - 1].EndToken);
                if ((suspicion.Distance > 0 && text.Probabilities.Skip(from).Take(to - from).Min() > Sure) || !refused.Add((suspicion.First, suspicion.End, suspicion.Term.Written)))
                {
                    continue;
                }

                if (tries++ == MostTries)
                {
                    return text;
                }

                if ((better = Try(text, words, suspicion, model)) is not null)
                {
                    break;
                }
            }

            if (better is null)
            {
                return text;
            }

            text = better;
        }
    }

    private FoundText? Try(FoundText text, IReadOnlyList<TokenWord> words, TermSuspicion suspicion, ITokenModel model)
    {
        var (from, to) = (words[suspicion.First].FirstToken, words[suspicion.End - 1].EndToken);
        var replacement = encode(Dress(suspicion, words));
        var end = Math.Min(text.Tokens.Count, to + TokensAfter);
        var changed = replacement.Concat(text.Tokens.Skip(to).Take(end - to)).ToList();
        var (beginning, before) = from == 0 ? (-1, SearchOptions.StartToken) : (text.Beginnings[from - 1], text.Tokens[from - 1]);
        var written = text.Probabilities.Skip(from).Take(end - from).Sum(p => Math.Log(Math.Max(p, 1e-9)));
        var scored = TextScorer.Score(model, beginning, before, changed);
        if (scored.Sum(s => s.LogProbability) < written - Math.Min(MostMargin, Margin * suspicion.Weight * (1 - (suspicion.Distance / TermFinder.Farthest))))
        {
            return null;
        }

        // The rest of the utterance now comes after other words: it is scored anew so that its times and probabilities hold.
        var tail = replacement.Concat(text.Tokens.Skip(to)).ToList();
        var all = tail.Count == changed.Count ? scored : TextScorer.Score(model, beginning, before, tail);
        return text with
        {
            Tokens = [.. text.Tokens.Take(from), .. tail],
            Probabilities = [.. text.Probabilities.Take(from), .. all.Select((s, i) => i < replacement.Count ? Math.Max(RightAfterRepair, Math.Exp(s.LogProbability)) : Math.Exp(s.LogProbability))],
            Beginnings = [.. text.Beginnings.Take(from), .. all.Select(s => s.Beginning)],
        };
    }

    /// <summary>The term as it stands in the sentence: with the capital and the punctuation of what it replaces.</summary>
    private static string Dress(TermSuspicion suspicion, IReadOnlyList<TokenWord> words)
    {
        var term = suspicion.Term.Written;
        var first = words[suspicion.First].Text;
        var last = words[suspicion.End - 1].Text;
        var startsSentence = suspicion.First == 0 || words[suspicion.First - 1].Text is [.., '.' or '?' or '!'];
        if (startsSentence && char.IsUpper(first[0]))
        {
            term = WordForms.Capital(term);
        }

        var bare = last.TrimEnd('.', ',', '?', '!', ';', ':');
        return term + last[bare.Length..];
    }
}
