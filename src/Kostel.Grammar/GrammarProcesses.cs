using Kostel.Core.Grammar;

namespace Kostel.Grammar;

/// <summary>The grammar of English from several processes at once. A sentence always goes to the same one, which remembers it.</summary>
public sealed class GrammarProcesses : IGrammar, IDisposable
{
    private const int Most = 2;

    private readonly GrammarProcess[] processes;

    /// <summary>As many as there are processors, but two at most.</summary>
    public GrammarProcesses()
        : this([.. Enumerable.Range(0, Math.Clamp(Environment.ProcessorCount, 1, Most)).Select(_ => new GrammarProcess())])
    {
    }

    internal GrammarProcesses(GrammarProcess[] processes) => this.processes = processes;

    /// <inheritdoc/>
    public IReadOnlyList<SentenceGrammar?> Read(IReadOnlyList<string> sentences, CancellationToken cancel = default)
    {
        var read = new SentenceGrammar?[sentences.Count];
        var parts = Enumerable.Range(0, sentences.Count).ToLookup(i => (int)((uint)sentences[i].GetHashCode(StringComparison.Ordinal) % processes.Length));
        try
        {
            Parallel.For(0, processes.Length, new ParallelOptions { CancellationToken = cancel }, k =>
            {
                var own = parts[k].ToList();
                var answers = processes[k].Read(own.ConvertAll(i => sentences[i]), cancel);
                for (var n = 0; n < own.Count; n++)
                {
                    read[own[n]] = answers[n];
                }
            });
        }
        catch (AggregateException e) when (e.InnerExceptions.All(x => x is OperationCanceledException))
        {
            throw new OperationCanceledException(cancel);
        }

        return read;
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        foreach (var process in processes)
        {
            process.Dispose();
        }
    }
}
