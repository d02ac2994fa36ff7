using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Facts;

/// <summary>How a phrase is used.</summary>
/// <param name="Count">How often it is said.</param>
/// <param name="IsDefined">A sentence says what it is.</param>
public sealed record PhraseUse(int Count, bool IsDefined);

/// <summary>Finds the phrases by which sentences name things, from the form of their words alone.</summary>
public static class KeyPhrases
{
    private const int LongestPhrase = 3;

    /// <summary>How often each phrase of up to three naming words is said, and whether a sentence defines it. Doubtful words are passed over.</summary>
    public static Dictionary<string, PhraseUse> Count(IReadOnlyList<Sentence> sentences)
    {
        var counts = new Dictionary<string, PhraseUse>();
        foreach (var sentence in sentences)
        {
            var words = sentence.Words.SelectMany(w => w.Confidence < QuotableSentence.SureEnough ? [""] : Tokens.Of(w.Text)).ToList();
            for (var i = 0; i < words.Count; i++)
            {
                for (var n = 1; n <= LongestPhrase && i + n <= words.Count; n++)
                {
                    if (IsNaming(words, i, n))
                    {
                        Add(string.Join(' ', words.Skip(i).Take(n)), false);
                    }
                }
            }

            foreach (var term in Clauses.Of(sentence).Prepend(sentence).Where(QuotableSentence.IsHeardWell).Select(Definitions.Find).OfType<Definition>().Select(d => d.Term.ToLowerInvariant()).Distinct())
            {
                Add(term, true);
            }
        }

        return counts;

        void Add(string phrase, bool defines)
        {
            var use = counts.GetValueOrDefault(phrase);
            counts[phrase] = new PhraseUse((use?.Count ?? 0) + (defines ? 0 : 1), defines || use?.IsDefined == true);
        }
    }

    private static bool IsNaming(List<string> words, int from, int count)
    {
        for (var i = from; i < from + count; i++)
        {
            if (StopWords.Contains(words[i]) || NumberWords.IsNumber(words[i]) || words[i].Length < 3 || WordForms.IsVerbOrAdverb(words[i]) || WordForms.IsMeasure(words[i]))
            {
                return false;
            }
        }

        return true;
    }
}
