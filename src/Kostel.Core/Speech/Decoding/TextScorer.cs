namespace Kostel.Core.Speech.Decoding;

/// <summary>Asks a model how likely a given text is.</summary>
public static class TextScorer
{
    /// <summary>Rows of scores that are held at once: enough for one sentence, little for the memory.</summary>
    private const int RowsAtOnce = 32;

    /// <summary>The log-probability of each token of <paramref name="tokens"/>, one after the other, after a beginning.</summary>
    /// <param name="before">The last token before them, not yet appended to <paramref name="beginning"/>.</param>
    /// <returns>For each token its log-probability and the number of what comes before it.</returns>
    public static IReadOnlyList<(double LogProbability, int Beginning)> Score(
        ITokenModel model, int beginning, int before, IReadOnlyList<int> tokens)
    {
        var result = new List<(double, int)>(tokens.Count);
        for (var at = 0; at < tokens.Count; at += RowsAtOnce)
        {
            var count = Math.Min(RowsAtOnce, tokens.Count - at);
            var first = model.Next;
            var chain = new Extension[count];
            for (var i = 0; i < count; i++)
            {
                chain[i] = new Extension(i == 0 ? beginning : first + i - 1, at + i == 0 ? before : tokens[at + i - 1]);
            }

            model.Extend(chain);
            for (var i = 0; i < count; i++)
            {
                var scores = model.Scores(i);
                result.Add((scores[tokens[at + i]] - BeamSearch.LogTotal(scores), first + i));
            }

            beginning = first + count - 1;
        }

        return result;
    }
}
