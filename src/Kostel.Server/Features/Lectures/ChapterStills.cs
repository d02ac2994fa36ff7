using Kostel.Core.Transcripts;
using Kostel.Data;
using Kostel.Media;

namespace Kostel.Server.Features.Lectures;

/// <summary>A small picture for each chapter of a video, made when it is first looked at and kept beside the recording.</summary>
internal sealed class ChapterStills(LibraryFolder library) : IDisposable
{
    private const int WidthPixels = 320;

    /// <summary>The slide that belongs to a chapter may come some seconds after its first word.</summary>
    private const int AfterStartMs = 5_000;

    /// <summary>A page asks for all of them at once; one FFmpeg at a time leaves the computer to whoever else works.</summary>
    private readonly SemaphoreSlim turn = new(1);

    /// <summary>The path of the picture.</summary>
    /// <exception cref="MediaProblemException">The video has no picture then.</exception>
    public async Task<string> Of(string lectureId, Chapter chapter, CancellationToken cancel)
    {
        var path = library.Still(lectureId, chapter.StartMs);
        if (File.Exists(path))
        {
            return path;
        }

        await turn.WaitAsync(cancel);
        try
        {
            if (!File.Exists(path))
            {
                var fresh = path + ".new";
                await MovingPicture.Still(library.Original(lectureId), chapter.StartMs + Math.Min(AfterStartMs, (chapter.EndMs - chapter.StartMs) / 2), WidthPixels, fresh, cancel);
                File.Move(fresh, path, overwrite: true);
            }
        }
        finally
        {
            turn.Release();
        }

        return path;
    }

    /// <inheritdoc/>
    public void Dispose() => turn.Dispose();
}
