using System.Numerics.Tensors;

namespace Kostel.Core.Speech.Decoding;

/// <summary>How tokens are searched for.</summary>
/// <param name="Width">Beginnings kept side by side; 1 takes the best token at every step.</param>
/// <param name="LengthPower">A finished text counts its log-probability divided by its length to this power, so that longer texts stand a chance.</param>
public sealed record SearchOptions(int Width, double LengthPower = 0.5)
{
    /// <summary>What each setting means. Four beginnings found as much as eight in lectures by synthesised voices.</summary>
    public static SearchOptions For(Accuracy accuracy) => new(accuracy == Accuracy.Fast ? 1 : 4);

    /// <summary>The token every text begins with.</summary>
    public const int StartToken = 1;

    /// <summary>The token that ends a text.</summary>
    public const int EndToken = 2;
}

/// <summary>A text that was found.</summary>
/// <param name="Tokens">Without start and end.</param>
/// <param name="Probabilities">Of each token given those before it.</param>
/// <param name="Beginnings">For each token, the number under which the model keeps what came before it.</param>
/// <param name="Score">Log-probability of the whole, normalised for its length.</param>
/// <param name="Watched">For each token, the log-probabilities that the watched tokens had in its place, in their order; null when none were watched.</param>
public sealed record FoundText(
    IReadOnlyList<int> Tokens, IReadOnlyList<double> Probabilities, IReadOnlyList<int> Beginnings, double Score, IReadOnlyList<float[]>? Watched = null);

/// <summary>
/// Searches for the likeliest text of one utterance, several beginnings side by side, step by step, so that several searches
/// can share each pass over a model.
/// </summary>
/// <remarks>
/// Beam search with length normalisation: Wu et al. (2016), section 7, without coverage. Ends held back, here to where they are the
/// likeliest: Hannun et al., "Sequence-to-sequence speech recognition with time-depth separable convolutions" (2019), section 2.4.
/// </remarks>
/// <param name="most">Tokens at most.</param>
/// <param name="watched">Tokens whose chance is noted at every step, whether they are chosen or not.</param>
/// <param name="reluctant">Tokens that are taken after others only when hardly anything else is possible.</param>
public sealed class BeamSearch(
    SearchOptions options, int most, IReadOnlyList<int>? watched = null, IReadOnlySet<(int Before, int Token)>? reluctant = null)
{
    /// <summary>In log-probability: what is reluctantly taken must have a chance of 98 in a hundred to be taken for certain.</summary>
    private const double Reluctance = 4;

    private const int LoopCheckEvery = 16;

    private readonly List<FoundText> finished = [];
    private List<Path> active = [new Path(null, SearchOptions.StartToken, -1, 0, 1, 0, [])];
    private int step;

    /// <summary>What the model has to score next; empty when the search is over.</summary>
    public IReadOnlyList<Extension> Wanted => active.ConvertAll(p => new Extension(p.Beginning, p.Token));

    /// <summary>Whether nothing is left to be scored.</summary>
    public bool IsOver => active.Count == 0;

    /// <summary>The best text, once the search is over.</summary>
    public FoundText Best => finished.MaxBy(f => f.Score)!;

    /// <summary>Searches with a model of one's own.</summary>
    public static FoundText Find(ITokenModel model, SearchOptions options, int most, CancellationToken cancel)
    {
        var search = new BeamSearch(options, most);
        while (!search.IsOver)
        {
            cancel.ThrowIfCancellationRequested();
            search.Take(model, model.Extend(search.Wanted.ToArray()));
        }

        return search.Best;
    }

    /// <summary>Goes one step further.</summary>
    /// <param name="model">Has scored what was wanted.</param>
    /// <param name="first">The number of the first extension.</param>
    public void Take(ITokenModel model, int first)
    {
        if (step++ == most)
        {
            finished.AddRange(active.Select(p => Finish(p, p.LogProbability)));
            active = [];
            return;
        }

        var candidates = new List<Path>();
        for (var r = 0; r < active.Count; r++)
        {
            Propose(model.Scores(r), active[r], first + r, candidates);
        }

        candidates.Sort((a, b) => b.LogProbability.CompareTo(a.LogProbability));
        active = [];
        foreach (var candidate in candidates.Take(options.Width * 2))
        {
            if (candidate.Token == SearchOptions.EndToken)
            {
                // An end counts when it would have been kept.
                if (active.Count < options.Width)
                {
                    finished.Add(Finish(candidate.Before!, candidate.LogProbability));
                }
            }
            else if (active.Count < options.Width)
            {
                Keep(candidate);
            }
        }

        if (finished.Count > 0 && !CanImprove())
        {
            active = [];
        }
    }

    /// <summary>Goes on with a candidate, unless it has begun to say the same again and again: then it ends where that began.</summary>
    private void Keep(Path candidate)
    {
        if (candidate.Length % LoopCheckEvery == 0)
        {
            var text = Finish(candidate, candidate.LogProbability);
            var keep = LoopGuard.Keep(text.Tokens);
            if (keep < text.Tokens.Count)
            {
                finished.Add(new FoundText(
                    text.Tokens.Take(keep).ToList(), text.Probabilities.Take(keep).ToList(), text.Beginnings.Take(keep).ToList(), text.Score - 1, text.Watched?.Take(keep).ToList()));
                return;
            }
        }

        active.Add(candidate);
    }

    /// <summary>With a width of 1 the first end is the end; otherwise until no beginning can overtake the best finished text.</summary>
    private bool CanImprove()
    {
        if (options.Width == 1 || finished.Count >= options.Width * 2)
        {
            return false;
        }

        var best = finished.Max(f => f.Score);
        return active.Any(p => p.LogProbability / Math.Pow(most, options.LengthPower) > best);
    }

    private void Propose(ReadOnlySpan<float> scores, Path from, int beginning, List<Path> candidates)
    {
        var total = LogTotal(scores);
        Span<int> best = stackalloc int[options.Width + 1];
        var found = 0;
        for (var token = 0; token < scores.Length; token++)
        {
            if (found == best.Length && scores[token] <= scores[best[^1]])
            {
                continue;
            }

            var at = Math.Min(found, best.Length - 1);
            for (; at > 0 && scores[best[at - 1]] < scores[token]; at--)
            {
                best[at] = best[at - 1];
            }

            best[at] = token;
            found = Math.Min(found + 1, best.Length);
        }

        var noted = Note(scores, total);
        foreach (var token in best[..found])
        {
            if (token == SearchOptions.EndToken && token != best[0])
            {
                // Where nothing is heard well, saying nothing is likelier than any whole text: an end must be the likeliest step.
                continue;
            }

            var log = scores[token] - total;
            var counted = reluctant?.Contains((from.Token, token)) == true ? log - Reluctance : log;
            candidates.Add(new Path(from, token, beginning, from.LogProbability + counted, Math.Exp(log), from.Length + 1, noted));
        }
    }

    private float[] Note(ReadOnlySpan<float> scores, double total)
    {
        if (watched is null)
        {
            return [];
        }

        var noted = new float[watched.Count];
        for (var i = 0; i < noted.Length; i++)
        {
            noted[i] = (float)(scores[watched[i]] - total);
        }

        return noted;
    }

    /// <summary>The logarithm of the sum of the exponentials: what is taken off a score to make it a log-probability.</summary>
    internal static double LogTotal(ReadOnlySpan<float> scores)
    {
        var top = TensorPrimitives.Max(scores);
        double sum = 0;
        foreach (var s in scores)
        {
            if (s > top - 20)
            {
                sum += Math.Exp(s - top);
            }
        }

        return top + Math.Log(sum);
    }

    private FoundText Finish(Path last, double logProbability)
    {
        var path = new List<Path>();
        for (var p = last; p.Before is not null; p = p.Before)
        {
            path.Add(p);
        }

        path.Reverse();
        return new FoundText(
            path.Select(p => p.Token).ToList(),
            path.Select(p => p.Probability).ToList(),
            path.Select(p => p.Beginning).ToList(),
            logProbability / Math.Pow(path.Count + 1, options.LengthPower),
            watched is null ? null : path.Select(p => p.Watched).ToList());
    }

    /// <param name="Beginning">The model's number for what comes before <paramref name="Token"/>.</param>
    /// <param name="Watched">The log-probabilities of the watched tokens in the place of <paramref name="Token"/>.</param>
    private sealed record Path(Path? Before, int Token, int Beginning, double LogProbability, double Probability, int Length, float[] Watched);
}
