using System.Collections.Concurrent;
using Kostel.Core.Grammar;

namespace Kostel.Grammar;

/// <summary>The grammar of English from several processes at once: each takes the next sentence when it has read its last, and what one has read none reads again.</summary>
public sealed class GrammarProcesses : IGrammar, IDisposable
{
    private const int Most = 2;

    private readonly GrammarProcess[] processes;

    /// <summary>As many as there are processors, but two at most.</summary>
    public GrammarProcesses()
        : this(new ConcurrentDictionary<string, SentenceGrammar?>(StringComparer.Ordinal))
    {
    }

    private GrammarProcesses(ConcurrentDictionary<string, SentenceGrammar?> remembered)
        : this([.. Enumerable.Range(0, Math.Clamp(Environment.ProcessorCount, 1, Most)).Select(_ => new GrammarProcess(remembered))])
    {
    }

    internal GrammarProcesses(GrammarProcess[] processes) => this.processes = processes;

    /// <inheritdoc/>
    public IReadOnlyList<SentenceGrammar?> Read(IReadOnlyList<string> sentences, CancellationToken cancel = default)
    {
        var (read, last) = (new SentenceGrammar?[sentences.Count], -1);
        try
        {
            Parallel.For(0, processes.Length, new ParallelOptions { CancellationToken = cancel }, k => processes[k].Read(sentences, () => Interlocked.Increment(ref last), read, cancel));
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
