using Kostel.Core.Speech;
using Kostel.Core.Transcripts;
using Kostel.Data.Rows;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Data;

/// <summary>Keeps transcripts: piece by piece while they are made, whole when they are done.</summary>
public static class TranscriptStore
{
    /// <summary>Commits one recognised utterance.</summary>
    public static async Task AddUtterance(this KostelContext context, string lectureId, Utterance utterance, CancellationToken cancel)
    {
        context.Utterances.Add(new UtteranceRow
        {
            LectureId = lectureId,
            Number = utterance.Index,
            StartSample = utterance.StartSample,
            EndSample = utterance.EndSample,
            Words = utterance.Words,
        });
        await context.SaveChangesAsync(cancel);
    }

    /// <summary>The utterances that were committed, in order.</summary>
    public static async Task<IReadOnlyList<Utterance>> Utterances(this KostelContext context, string lectureId, CancellationToken cancel) =>
        (await context.Utterances.AsNoTracking().Where(u => u.LectureId == lectureId).OrderBy(u => u.Number).ToListAsync(cancel))
            .Select(u => new Utterance(u.Number, u.StartSample, u.EndSample, u.Words))
            .ToList();

    /// <summary>Counts a lecture's text on in the database itself, so that no two texts ever have the same version, whatever this context read before.</summary>
    internal static async Task NextTextVersion(this KostelContext context, LectureRow lecture, CancellationToken cancel)
    {
        await context.Lectures.Where(l => l.Id == lecture.Id).ExecuteUpdateAsync(s => s.SetProperty(l => l.TextVersion, l => l.TextVersion + 1), cancel);
        lecture.TextVersion = await context.Lectures.Where(l => l.Id == lecture.Id).Select(l => l.TextVersion).FirstAsync(cancel);
        var version = context.Entry(lecture).Property(l => l.TextVersion);
        (version.OriginalValue, version.IsModified) = (lecture.TextVersion, false);
    }

    internal static SpeakerRow Row(string lectureId, int number, Speaker s) => new() { LectureId = lectureId, Number = number, Key = s.Id, Name = s.Name, Asks = s.Asks };

    internal static PassageRow Row(string lectureId, int number, Passage p) => new()
    {
        LectureId = lectureId,
        Number = number,
        Key = p.Id,
        SpeakerKey = p.SpeakerId,
        StartMs = p.StartMs,
        EndMs = p.EndMs,
        Words = p.Words,
    };

    internal static ChapterRow Row(string lectureId, int number, Chapter c) => new() { LectureId = lectureId, Number = number, Title = c.Title, StartMs = c.StartMs, EndMs = c.EndMs };

    /// <summary>A lecture's transcript; while it is being made, what there is of it, without chapters.</summary>
    public static async Task<Transcript> Transcript(this KostelContext context, LectureRow lecture, CancellationToken cancel)
    {
        if (context.Transcripts.Of(lecture.Id, lecture.TextVersion) is { } kept)
        {
            return kept with { Language = lecture.Language, DurationMs = lecture.DurationMs };
        }

        var passages = await context.Passages.AsNoTracking().Where(p => p.LectureId == lecture.Id).OrderBy(p => p.Number).ToListAsync(cancel);
        if (passages.Count == 0)
        {
            var speaker = Speaker.Unnamed(1);
            var words = (await context.Utterances(lecture.Id, cancel)).SelectMany(u => u.Words).ToList();
            var soFar = PassageBuilder.Build(words, speaker.Id, new HashSet<int>());
            return new Transcript(lecture.Language, lecture.DurationMs, soFar.Count == 0 ? [] : [speaker], soFar, []);
        }

        var speakers = await context.Speakers.AsNoTracking().Where(s => s.LectureId == lecture.Id).OrderBy(s => s.Number).ToListAsync(cancel);
        var chapters = await context.Chapters.AsNoTracking().Where(c => c.LectureId == lecture.Id).OrderBy(c => c.Number).ToListAsync(cancel);
        var transcript = new Transcript(
            lecture.Language,
            lecture.DurationMs,
            speakers.Select(s => new Speaker(s.Key, s.Name, s.Asks)).ToList(),
            passages.Select(p => new Passage(p.Key, p.SpeakerKey, p.StartMs, p.EndMs, p.Words)).ToList(),
            chapters.Select(c => new Chapter(c.Title, c.StartMs, c.EndMs)).ToList());

        // Inside a transaction the version may be one that is never stored.
        if (context.Database.CurrentTransaction is null)
        {
            context.Transcripts.Keep(lecture.Id, lecture.TextVersion, transcript);
        }

        return transcript;
    }
}
