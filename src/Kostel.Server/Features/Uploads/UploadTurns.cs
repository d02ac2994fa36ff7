using System.Collections.Concurrent;

namespace Kostel.Server.Features.Uploads;

/// <summary>One request at a time writes an upload. A second one is told so at once, unless the first has stalled: then that is let go.</summary>
internal sealed class UploadTurns(TimeProvider time)
{
    /// <summary>A request that has sent nothing for so long is let go.</summary>
    public static readonly TimeSpan Stalled = TimeSpan.FromSeconds(5);

    private static readonly TimeSpan ToLetGo = TimeSpan.FromSeconds(3);
    private readonly ConcurrentDictionary<string, UploadTurn> open = new();

    /// <summary>The turn of a request; null if another one is writing, or is making a lecture of it.</summary>
    /// <param name="uploadId">The upload.</param>
    /// <param name="stalledFor">Another one is let go if it has sent nothing for so long; at once for who ends the upload.</param>
    /// <param name="cancel">Ends the turn.</param>
    public async Task<UploadTurn?> Take(string uploadId, TimeSpan stalledFor, CancellationToken cancel)
    {
        var mine = new UploadTurn(time, t => open.TryRemove(new(uploadId, t)), cancel);
        var until = time.GetTimestamp();
        while (!open.TryAdd(uploadId, mine))
        {
            if (open.TryGetValue(uploadId, out var other) && !other.LetGo(stalledFor))
            {
                mine.Dispose();
                return null;
            }

            if (time.GetElapsedTime(until) > ToLetGo)
            {
                mine.Dispose();
                return null;
            }

            await Task.Delay(20, cancel);
        }

        return mine;
    }
}

/// <summary>A request's turn to write an upload.</summary>
internal sealed class UploadTurn : IDisposable
{
    private readonly CancellationTokenSource source;
    private readonly TimeProvider time;
    private readonly Action<UploadTurn> end;
    private long lastByte;

    public UploadTurn(TimeProvider time, Action<UploadTurn> end, CancellationToken request)
    {
        (this.time, this.end) = (time, end);
        source = CancellationTokenSource.CreateLinkedTokenSource(request);
        lastByte = time.GetTimestamp();
    }

    /// <summary>Ends with the request, or when the turn is taken away.</summary>
    public CancellationToken Cancel => source.Token;

    /// <summary>Whether its bytes are all there and it is being made a lecture: that is not taken away.</summary>
    public bool IsFinishing { get; set; }

    /// <summary>Notes that bytes came.</summary>
    public void Moves() => Volatile.Write(ref lastByte, time.GetTimestamp());

    /// <summary>Ends it if nothing came for so long.</summary>
    /// <returns>Whether it is ending.</returns>
    public bool LetGo(TimeSpan stalledFor)
    {
        if (IsFinishing || time.GetElapsedTime(Volatile.Read(ref lastByte)) < stalledFor)
        {
            return false;
        }

        try
        {
            source.Cancel();
        }
        catch (ObjectDisposedException)
        {
            // It ended by itself.
        }

        return true;
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        end(this);
        source.Dispose();
    }
}
