using System.Runtime.CompilerServices;
using Kostel.Core.Grammar;
using Kostel.Core.Study.Sheets;
using Kostel.Core.Study.Sheets.Courses;
using Kostel.Core.Study.Statements;
using Kostel.Core.Transcripts;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Shared;
using Kostel.Speech;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Sheets;

/// <summary>Makes sheets of courses, and any sheet again.</summary>
internal sealed class SheetMaking(KostelContext context, StudyMaking study, IGrammar grammar, WordKnowledgeFiles words)
{
    /// <summary>What was read of a transcript stays as long as the transcript is held.</summary>
    private static readonly ConditionalWeakTable<Transcript, LectureReading> Readings = [];

    /// <summary>The lectures of a course that have a text, in the order in which they were held.</summary>
    /// <param name="chosen">Which of them; null for all.</param>
    public Task<List<LectureRow>> LecturesOf(int course, IReadOnlyList<string>? chosen, CancellationToken cancel) => context.Lectures.AsNoTracking()
        .Where(l => l.CourseId == course && (chosen == null || chosen.Contains(l.Id)) && l.DeletedAt == null && context.Passages.Any(p => p.LectureId == l.Id)).OrderBy(l => l.HeldOn ?? DateOnly.MaxValue).ThenBy(l => l.AddedAt).ToListAsync(cancel);

    /// <summary>The sheet of a course as it is made today.</summary>
    /// <param name="lectures">In the order in which they were held.</param>
    /// <param name="chosen">The wish that these are of; null for all lectures.</param>
    /// <param name="read">Is told how many lectures were read.</param>
    public async Task<Sheet> OfCourse(IReadOnlyList<LectureRow> lectures, IReadOnlyList<string>? chosen, Func<int, Task> read, CancellationToken cancel)
    {
        var readings = new List<LectureReading>();
        foreach (var lecture in lectures)
        {
            cancel.ThrowIfCancellationRequested();
            await read(readings.Count);
            readings.Add(await Read(lecture, cancel));
        }

        return CourseSheets.Of(readings) with { Lectures = chosen };
    }

    /// <summary>Today's sheet with the person's changes.</summary>
    public async Task<RemadeSheet> Again(SheetRow row, CancellationToken cancel)
    {
        if (row.Form == SheetForm.Own)
        {
            return new RemadeSheet(row.Content, []);
        }

        var made = row.CourseId is { } course
            ? await OfCourse(await LecturesOf(course, row.Content.Lectures, cancel), row.Content.Lectures, _ => Task.CompletedTask, cancel)
            : await study.Sheet(await context.FindLecture(row.LectureId!, cancel), row.Form, new StudyStretch(row.Chapter, row.OfMarks, row.Subject), row.OwnerId, cancel, row.Content.Compared);
        return SheetRemaking.Of(row.Content, made);
    }

    private async Task<LectureReading> Read(LectureRow lecture, CancellationToken cancel)
    {
        var transcript = await context.Transcript(lecture, cancel);
        if (Readings.TryGetValue(transcript, out var known) && known.LectureId == lecture.Id && known.Title == lecture.Title)
        {
            return known;
        }

        var reading = await Task.Run(() => LectureReading.Of(lecture.Id, lecture.Title, new StudyGround(transcript, grammar, words: words.Value)), cancel);
        Readings.AddOrUpdate(transcript, reading);
        return reading;
    }
}
