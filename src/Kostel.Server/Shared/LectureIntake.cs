using Kostel.Core.Captions;
using Kostel.Core.Chapters;
using Kostel.Core.Lectures;
using Kostel.Core.Speech.Languages;
using Kostel.Core.Text;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Features.Uploads;
using Kostel.Server.Http;
using Kostel.Server.Jobs;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Shared;

/// <summary>Makes a lecture of a file that has arrived: a recording is put in the queue, a text is read at once.</summary>
internal sealed class LectureIntake(LibraryFolder library, LectureArrival arrival, ChapterFinder chapters, JobQueue queue, TimeProvider time)
{
    /// <summary>
    /// Takes in the file that lies in the lecture's folder. The upload becomes the lecture in one transaction; where it has become one
    /// already nothing is done. A recording that the library has already stays an upload and says so, until somebody decides.
    /// </summary>
    /// <param name="evenIfSame">A recording that is there already is taken in once more.</param>
    /// <exception cref="PlainProblemException">It is a text that cannot be read.</exception>
    public async Task Take(UploadRow upload, bool evenIfSame, CancellationToken cancel)
    {
        var original = library.Original(upload.Id);
        var isText = TextFiles.IsText(upload.FileName);

        // Known while it waits; what cannot be read is said to be so by its job.
        var arrived = isText ? null : await LectureArrival.Examine(original, cancel);
        var (text, things) = isText ? await ReadText(upload.FileName, original, cancel) : (null, null);
        var pictures = await KeepPictures(upload.Id, things?.Marks?.Select(m => m.Picture), cancel);
        var cardPictures = await KeepPictures(upload.Id, things?.Cards?.Select(c => c.Picture), cancel);
        var sheetPictures = await KeepSheetPictures(upload.Id, things?.Sheets ?? [], cancel);
        await using var context = library.CreateDbContext();
        await using var all = await context.Database.BeginTransactionAsync(cancel);
        if (!evenIfSame && arrived is not null && await LectureArrival.SameAs(context, arrived, upload.Id, cancel) is { } same)
        {
            await context.Uploads.Where(u => u.Id == upload.Id).ExecuteUpdateAsync(s => s.SetProperty(u => u.SameAs, same.Id), cancel);
            await all.CommitAsync(cancel);
            return;
        }

        if (await context.Uploads.Where(u => u.Id == upload.Id).ExecuteDeleteAsync(cancel) == 0)
        {
            return;
        }

        var lecture = new LectureRow
        {
            Id = upload.Id,
            Title = upload.Title,
            HeldOn = upload.HeldOn,
            Course = await context.Course(upload.Course, cancel),
            SourceName = upload.FileName,
            SourceBytes = upload.Length,
            Language = upload.Language ?? SpokenLanguages.English,
            AddedAt = time.GetUtcNow().UtcDateTime,
        };
        context.Lectures.Add(lecture);
        if (arrived is not null)
        {
            LectureArrival.Note(lecture, arrived, upload.Title == TusProtocol.TitleFrom(upload.FileName), upload.HeldOn is null || upload.HeldOnIsGuessed);
            await context.SaveChangesAsync(cancel);
            await arrival.Enqueue(context, lecture, arrived, upload.Choice, cancel);
            await context.SaveChangesAsync(cancel);
        }
        else if (text is not null)
        {
            lecture.HasSound = false;
            await context.SaveChangesAsync(cancel);
            var transcript = text.Transcript with { Language = upload.Language ?? text.Transcript.Language };
            var provenance = new Provenance(lecture.MadeWith, upload.FileName, lecture.AddedAt);
            await context.InstallTranscript(lecture, new InstalledTranscript(transcript, TextFiles.Notice(text, isAligned: false), provenance), cancel);
            if (things is not null)
            {
                await AddThings(context, lecture, upload, things, pictures, cardPictures, sheetPictures, cancel);
            }

            await arrival.EnqueueRest(context, lecture, things is null ? lecture.Course?.Routine : null, after: null, cancel);
            await context.SaveChangesAsync(cancel);
        }

        await all.CommitAsync(cancel);
        queue.Wake();
    }

    /// <summary>What a whole lecture's file says besides its words. What the person said of it when they brought it in counts more.</summary>
    private static async Task AddThings(KostelContext context, LectureRow lecture, UploadRow upload, KeptThings things, IReadOnlyList<string?> pictures, IReadOnlyList<string?> cardPictures, IReadOnlyDictionary<string, string> sheetPictures, CancellationToken cancel)
    {
        var facts = things.Lecture;
        lecture.Title = upload.Title == TusProtocol.TitleFrom(upload.FileName) ? OneLine.Of(facts.Title, 200) : upload.Title;
        lecture.HeldOn ??= facts.HeldOn;
        lecture.Course ??= await context.Course(facts.Course is null ? null : OneLine.Of(facts.Course, 100), cancel);
        lecture.Notice ??= facts.Notice;
        (lecture.MadeWith, lecture.MadeBy, lecture.MadeAt) = (facts.MadeWith, facts.MadeBy, facts.MadeAt ?? lecture.MadeAt);
        await context.AddThings(lecture.Id, things, pictures, cardPictures, sheetPictures, cancel);
    }

    /// <summary>Writes pictures to files; before the transaction, because that is slow work of another program.</summary>
    /// <returns>For each the name of its file; null where there is none or it cannot be read.</returns>
    private async Task<IReadOnlyList<string?>> KeepPictures(string lectureId, IEnumerable<byte[]?>? pictures, CancellationToken cancel)
    {
        var names = new List<string?>();
        foreach (var kept in pictures ?? [])
        {
            names.Add(kept is { } picture ? await KeepPicture(lectureId, picture, cancel) : null);
        }

        return names;
    }

    private async Task<IReadOnlyDictionary<string, string>> KeepSheetPictures(string lectureId, IReadOnlyList<KeptSheet> sheets, CancellationToken cancel)
    {
        var names = new Dictionary<string, string>();
        foreach (var (name, bytes) in sheets.SelectMany(s => s.Pictures ?? new Dictionary<string, byte[]?>()))
        {
            if (bytes is not null && !names.ContainsKey(name) && await KeepPicture(lectureId, bytes, cancel) is { } kept)
            {
                names[name] = kept;
            }
        }

        return names;
    }

    private async Task<string?> KeepPicture(string lectureId, byte[] picture, CancellationToken cancel)
    {
        try
        {
            using var bytes = new MemoryStream(picture);
            return await PictureFiles.Keep(library, lectureId, bytes, cancel);
        }
        catch (PlainProblemException)
        {
            return null;
        }
    }

    private async Task<(BroughtText? Text, KeptThings? Things)> ReadText(string fileName, string path, CancellationToken cancel)
    {
        await using var file = File.OpenRead(path);
        var text = await TextFiles.ReadAll(file, cancel);
        return (TextFiles.Read(fileName, text, chapters), TextFiles.ReadThings(fileName, text));
    }
}
