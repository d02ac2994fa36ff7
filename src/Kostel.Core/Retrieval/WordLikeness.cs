using Kostel.Core.Text;

namespace Kostel.Core.Retrieval;

/// <summary>How well one word stands for another: the same word in any form, one that means the same or is a kind of it, one that is used alike.</summary>
public sealed class WordLikeness(WordKnowledge known)
{
    /// <summary>Words less alike than this have nothing to do with each other; and what the likest other word is worth.</summary>
    private const double Unlike = 0.35, OtherWord = 0.8;

    /// <summary>What a word is worth that belongs to the one looked for.</summary>
    private static readonly Dictionary<Kinship, double> Kin = new() { [Kinship.Same] = 0.9, [Kinship.Related] = 0.9, [Kinship.Narrower] = 0.75, [Kinship.Broader] = 0.3 };

    /// <summary>How like other words are to one, from 0 to 1, remembered. Given a word and its stem.</summary>
    public Func<string, string, double> To(string word)
    {
        var seen = new Dictionary<string, double>();
        var (own, kin) = (Tokens.Stem(word), known.Relations.Of(word));
        return (other, stem) =>
        {
            if (!seen.TryGetValue(other, out var like))
            {
                var used = Math.Max(0, known.Vectors.Similarity(word, other) - Unlike) / (1 - Unlike) * OtherWord;
                like = seen[other] = stem == own ? 1 : Math.Max(used, kin.TryGetValue(stem, out var how) ? Kin.GetValueOrDefault(how) : 0);
            }

            return like;
        };
    }
}
