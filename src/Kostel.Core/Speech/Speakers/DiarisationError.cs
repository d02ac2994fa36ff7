namespace Kostel.Core.Speech.Speakers;

/// <summary>How much of the speech was given to nobody, to somebody who is silent, or to the wrong voice, as shares of all speech.</summary>
/// <remarks>NIST, "The 2009 (RT-09) Rich Transcription Meeting Recognition Evaluation Plan" (2009), section 6: the voices of both sides are
/// paired so that most agrees; around each border of a reference turn a collar is not counted. Turns of one side must not overlap.</remarks>
public sealed record DiarisationError(double Missed, double FalseAlarm, double Confused)
{
    /// <summary>What the trade leaves out around each border.</summary>
    public const int UsualCollarMs = 250;

    /// <summary>The diarisation error rate.</summary>
    public double Rate => Missed + FalseAlarm + Confused;

    /// <summary>Compares what was found with what was said.</summary>
    /// <exception cref="ArgumentException">Nothing of the reference is left to be counted.</exception>
    public static DiarisationError Of(IReadOnlyList<Turn> reference, IReadOnlyList<Turn> found, int collarMs = UsualCollarMs)
    {
        var borders = reference.SelectMany(t => new[] { t.StartMs, t.EndMs }).Distinct().ToList();
        var cuts = reference.Concat(found).SelectMany(t => new[] { t.StartMs, t.EndMs })
            .Concat(borders.SelectMany(b => new[] { b - collarMs, b + collarMs })).Distinct().Order().ToList();
        var shared = new Dictionary<(string Said, string Found), long>();
        long speech = 0, missed = 0, alarm = 0, both = 0;
        foreach (var (start, end) in cuts.Zip(cuts.Skip(1)))
        {
            if (borders.Exists(b => start >= b - collarMs && end <= b + collarMs))
            {
                continue;
            }

            var (said, heard) = (At(reference, start), At(found, start));
            var length = end - start;
            speech += said is null ? 0 : length;
            missed += said is not null && heard is null ? length : 0;
            alarm += said is null && heard is not null ? length : 0;
            if (said is not null && heard is not null)
            {
                both += length;
                shared[(said, heard)] = shared.GetValueOrDefault((said, heard)) + length;
            }
        }

        return speech == 0
            ? throw new ArgumentException("The reference holds no speech beside its borders.", nameof(reference))
            : new DiarisationError(missed / (double)speech, alarm / (double)speech, (both - MostAgreement(shared)) / (double)speech);
    }

    private static string? At(IReadOnlyList<Turn> turns, int ms) => turns.FirstOrDefault(t => t.StartMs <= ms && ms < t.EndMs)?.Voice;

    /// <summary>The most that agrees when every voice of one side is paired with at most one of the other.</summary>
    private static long MostAgreement(Dictionary<(string Said, string Found), long> shared)
    {
        var (rows, columns) = (shared.Keys.Select(k => k.Said).Distinct().ToList(), shared.Keys.Select(k => k.Found).Distinct().ToList());
        var known = new Dictionary<(int Row, string Free), long>();
        return From(0, string.Concat(columns.Select((_, i) => (char)i)));

        long From(int row, string free)
        {
            if (row == rows.Count || free.Length == 0)
            {
                return 0;
            }

            if (!known.TryGetValue((row, free), out var best))
            {
                best = From(row + 1, free);
                foreach (var c in free)
                {
                    best = Math.Max(best, shared.GetValueOrDefault((rows[row], columns[c])) + From(row + 1, free.Replace(c.ToString(), "")));
                }

                known[(row, free)] = best;
            }

            return best;
        }
    }
}
