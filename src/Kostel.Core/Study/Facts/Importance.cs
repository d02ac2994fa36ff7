using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Facts;

/// <summary>How much each sentence of a lecture says of what the lecture is about.</summary>
public sealed class Importance
{
    // Against the mean weight of a sentence's words, which lies between 0 and about 3 (tuned by hand on the texts of the tests).
    private const double Defines = 1.2, TermInUse = 0.4, Measures = 0.4, Reasons = 0.3;

    /// <summary>Words that every sentence is taken to have besides its own, so that short ones do not win by their shortness.</summary>
    private const int LengthPrior = 4;

    private readonly Dictionary<string, int> sentencesWith = [];
    private readonly Dictionary<Sentence, IReadOnlyList<string>> stems = new(ReferenceEqualityComparer.Instance);

    /// <summary>Counts the words of a lecture.</summary>
    public Importance(IReadOnlyList<Sentence> sentences)
    {
        foreach (var s in sentences)
        {
            stems[s] = Tokens.ContentStems(s.Text);
            foreach (var w in stems[s].Distinct())
            {
                sentencesWith[w] = sentencesWith.GetValueOrDefault(w) + 1;
            }
        }
    }

    /// <summary>
    /// The mean weight of a sentence's content words: a word counts for the number of sentences that speak of it, on a
    /// logarithmic scale, and nothing when it occurs once. Sentences that say what something is, or how much, count more.
    /// </summary>
    public double Of(Sentence sentence)
    {
        var words = (stems.GetValueOrDefault(sentence) ?? Tokens.ContentStems(sentence.Text)).Distinct().ToList();
        if (words.Count == 0)
        {
            return 0;
        }

        var topical = words.Sum(w => Math.Log2(Math.Max(1, sentencesWith.GetValueOrDefault(w)))) / Math.Sqrt(words.Count + LengthPrior);
        var definition = Definitions.Find(sentence);
        var bonus = definition is null ? 0 : Defines + (TermInUse * Math.Log2(1 + Uses(definition.Term)));
        return topical + bonus + (Quantities.Find(sentence).Count is 1 or 2 ? Measures : 0) + (IsReason(sentence) ? Reasons : 0);
    }

    /// <summary>In how many sentences the rarest content word of a phrase occurs.</summary>
    public int Uses(string phrase) =>
        Tokens.ContentStems(phrase).Select(w => sentencesWith.GetValueOrDefault(w)).DefaultIfEmpty(0).Min();

    private static bool IsReason(Sentence sentence) =>
        sentence.Words.Any(w => w.Text.TrimEnd(',') is "because" or "causes" or "caused" or "therefore");
}
