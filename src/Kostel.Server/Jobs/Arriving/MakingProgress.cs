using Kostel.Core.Grammar;

namespace Kostel.Server.Jobs.Arriving;

/// <summary>Tells how far the making of study material is: reading the sentences takes most of it, what is made of them the rest.</summary>
/// <param name="steps">How many things are made.</param>
internal sealed class MakingProgress(JobTurn turn, TimeProvider time, int steps)
{
    /// <summary>What reading takes of the whole: measured, two thirds to three quarters of an hour's lecture.</summary>
    private const double Reading = 0.7;

    /// <summary>Nothing is said of the time left before so much has passed.</summary>
    private static readonly TimeSpan Soonest = TimeSpan.FromSeconds(1.5);

    private readonly long began = time.GetTimestamp();
    private int made;

    /// <summary>Something more was made.</summary>
    public Task Made() => Report(Reading + ((1 - Reading) * ++made / Math.Max(1, steps)));

    /// <summary>A grammar that tells how far it is in its reading, and stops when the job does.</summary>
    public IGrammar Watched(IGrammar grammar, CancellationToken cancel) => new Telling(grammar, read => Report(Reading * read), cancel);

    private Task Report(double fraction)
    {
        var passed = time.GetElapsedTime(began);
        return turn.Report(fraction, passed < Soonest ? null : (int)Math.Ceiling(passed.TotalSeconds * (1 - fraction) / fraction));
    }

    private sealed class Telling(IGrammar grammar, Func<double, Task> tell, CancellationToken stop) : IGrammar
    {
        private const int AtOnce = 100;

        public IReadOnlyList<SentenceGrammar?> Read(IReadOnlyList<string> sentences, CancellationToken cancel = default)
        {
            using var both = CancellationTokenSource.CreateLinkedTokenSource(cancel, stop);
            var read = new List<SentenceGrammar?>(sentences.Count);
            foreach (var some in sentences.Chunk(AtOnce))
            {
                read.AddRange(grammar.Read(some, both.Token));
                tell(read.Count / (double)sentences.Count).GetAwaiter().GetResult();
            }

            return read;
        }
    }
}
