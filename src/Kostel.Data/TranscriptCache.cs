using System.Collections.Concurrent;
using Kostel.Core.Transcripts;

namespace Kostel.Data;

/// <summary>The transcripts that were read last, by version: a long one takes a quarter of a second to read, and is asked for with every edit.
/// What stands here is never older than what its version says, because every change of a transcript has a version of its own.</summary>
public sealed class TranscriptCache
{
    private const int Most = 6;
    private readonly ConcurrentDictionary<string, (int Version, Transcript Transcript, long Used)> kept = new();
    private long clock;

    /// <summary>The transcript of a version, if it is here.</summary>
    public Transcript? Of(string lectureId, int version)
    {
        if (!kept.TryGetValue(lectureId, out var found) || found.Version != version)
        {
            return null;
        }

        kept[lectureId] = found with { Used = Interlocked.Increment(ref clock) };
        return found.Transcript;
    }

    /// <summary>Keeps a transcript that is stored for good under this version.</summary>
    public void Keep(string lectureId, int version, Transcript transcript)
    {
        kept[lectureId] = (version, transcript, Interlocked.Increment(ref clock));
        while (kept.Count > Most && kept.MinBy(k => k.Value.Used) is { Key: { } oldest })
        {
            kept.TryRemove(oldest, out _);
        }
    }
}
