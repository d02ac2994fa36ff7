using Kostel.Core.Audio;
using Kostel.Core.Transcripts;
using Kostel.Data;

namespace Kostel.Server.Shared;

/// <summary>What can be passed over in a lecture: pauses in its text in which its sound is quiet too.</summary>
internal static class LectureSilences
{
    /// <summary>The silences, in order; none as long as its sound was not drawn.</summary>
    public static async Task<IReadOnlyList<Silence>> Of(LibraryFolder library, string lectureId, Transcript transcript, CancellationToken cancel)
    {
        var peaks = File.Exists(library.Peaks(lectureId)) ? await File.ReadAllBytesAsync(library.Peaks(lectureId), cancel) : [];
        return Silences.Find(transcript.Passages.SelectMany(p => p.Words), peaks, transcript.DurationMs);
    }
}
