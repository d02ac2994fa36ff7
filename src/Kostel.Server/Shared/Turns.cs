namespace Kostel.Server.Shared;

/// <summary>One after the other.</summary>
internal static class Turns
{
    /// <summary>Waits for one's turn, which lasts until it is disposed of.</summary>
    public static async Task<IDisposable> Turn(this SemaphoreSlim gate, CancellationToken cancel)
    {
        await gate.WaitAsync(cancel);
        return new Held(gate);
    }

    private sealed class Held(SemaphoreSlim gate) : IDisposable
    {
        public void Dispose() => gate.Release();
    }
}
