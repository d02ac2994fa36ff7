using System.IO.Compression;
using System.Text;
using Kostel.Core.Captions;
using Kostel.Core.Marks;
using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Quizzes;
using Kostel.Core.Study.Sheets;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Features.Lectures;
using Kostel.Server.Http;
using Kostel.Server.Shared;
using Microsoft.AspNetCore.Http.Features;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.TakeAway;

/// <summary>Everything that a lecture or a course holds, in open formats, in one archive (zip): its text, summary, sheets, cards, quiz, marks.</summary>
internal static class ArchiveEndpoints
{
    private const string Type = "application/zip";

    public static void MapArchives(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/lectures/{id}/archive", OfLecture).WithName("archiveLecture");
        app.MapGet("/api/courses/{course}/archive", OfCourse).WithName("archiveCourse");
    }

    private static async Task<PushStreamHttpResult> OfLecture(string id, HttpRequest request, KostelContext context, LibraryFolder library, Asker asker, TimeProvider time, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        return Zip(FileNames.Of(lecture.Title), [lecture], null, request, context, library, asker, time, cancel);
    }

    private static async Task<PushStreamHttpResult> OfCourse(string course, HttpRequest request, KostelContext context, LibraryFolder library, Asker asker, TimeProvider time, CancellationToken cancel)
    {
        var row = await context.FindCourse(course, cancel);
        var lectures = await context.Lectures.AsNoTracking().Include(l => l.Course).Where(l => l.CourseId == row.Id && l.DeletedAt == null).OrderBy(l => l.HeldOn).ThenBy(l => l.Title).ToListAsync(cancel);
        return Zip(FileNames.Of(course), lectures, row, request, context, library, asker, time, cancel);
    }

    private static PushStreamHttpResult Zip(string name, List<LectureRow> lectures, CourseRow? course, HttpRequest request, KostelContext context, LibraryFolder library, Asker asker, TimeProvider time, CancellationToken cancel) =>
        TypedResults.Stream(
            async output =>
            {
                // The archive's own parts write synchronously.
                request.HttpContext.Features.Get<IHttpBodyControlFeature>()!.AllowSynchronousIO = true;
                await using var zip = await ZipArchive.CreateAsync(output, ZipArchiveMode.Create, leaveOpen: true, entryNameEncoding: null, cancel);
                var taken = new HashSet<string>(StringComparer.OrdinalIgnoreCase);
                var (link, now) = ($"{request.Scheme}://{request.Host}/lecture", time.GetUtcNow().UtcDateTime);
                foreach (var file in course is null ? [] : await CourseFiles(course, link, context, library, asker, now, cancel))
                {
                    await Put(file.Name, file);
                }

                foreach (var lecture in lectures)
                {
                    var folder = lectures.Count == 1 ? "" : Free($"{FileNames.Of(lecture.Title)}", taken) + "/";
                    await foreach (var file in Files(lecture, link, context, library, asker, now, cancel))
                    {
                        await Put(folder + file.Name, file);
                    }
                }

                async Task Put(string path, OutFile file)
                {
                    await using var entry = await zip.CreateEntry(Free(path, taken)).OpenAsync(cancel);
                    await entry.WriteAsync(file.Content, cancel);
                }
            },
            Type,
            $"{name}.zip");

    /// <summary>The sheets of the course itself.</summary>
    private static async Task<IEnumerable<OutFile>> CourseFiles(CourseRow course, string lectures, KostelContext context, LibraryFolder library, Asker asker, DateTime now, CancellationToken cancel)
    {
        var sheets = await context.Sheets.AsNoTracking().Where(s => s.CourseId == course.Id && s.OwnerId == asker.PersonId && s.DeletedAt == null).OrderBy(s => s.Id).ToListAsync(cancel);
        return sheets.SelectMany(s => Papers(course.Paper(s.Name, s.Content, lectures, library), course, now));
    }

    private static IEnumerable<OutFile> Papers(SheetPaper paper, SheetSubject of, DateTime now) => new[] { SheetFormat.Md, SheetFormat.Docx, SheetFormat.Pdf }.Select(f => paper.Write(f, of, now));

    private static async IAsyncEnumerable<OutFile> Files(LectureRow lecture, string lectures, KostelContext context, LibraryFolder library, Asker asker, DateTime now, [System.Runtime.CompilerServices.EnumeratorCancellation] CancellationToken cancel)
    {
        var (id, me) = (lecture.Id, asker.PersonId);
        var stem = FileNames.Of(lecture.Title);
        var transcript = await context.Transcript(lecture, cancel);
        if (transcript.Passages.Count > 0)
        {
            yield return Text($"{stem}.md", TranscriptFiles.Write(transcript, TextFormat.Md, new TextOptions(true, true, lecture.Title, $"{lectures}/{id}", lecture.Course?.Title ?? "")));
            yield return Text($"{stem}.vtt", TranscriptFiles.Write(transcript, TextFormat.Vtt, new TextOptions(true, true, lecture.Title, null, "")));
        }

        if (await context.Summaries.AsNoTracking().Where(s => s.LectureId == id).OrderByDescending(s => s.Id).FirstOrDefaultAsync(cancel) is { } summary)
        {
            foreach (var file in Documents("Summary", summary.AsSheet()))
            {
                yield return file;
            }
        }

        foreach (var sheet in await context.Sheets.AsNoTracking().Where(s => s.LectureId == id && s.OwnerId == me && s.DeletedAt == null).OrderBy(s => s.Id).ToListAsync(cancel))
        {
            foreach (var file in Documents(sheet.Name, sheet.Content))
            {
                yield return file;
            }

            if (sheet.Form == SheetForm.Tasks)
            {
                yield return lecture.Paper(sheet.Name, sheet.Content, lectures, library).Write(SheetFormat.Ics, lecture, now);
            }
        }

        var cards = (await context.Cards.AsNoTracking().Where(c => c.LectureId == id).ToListAsync(cancel)).OrderBy(c => c.Source.StartMs).ToList();
        if (cards.Count > 0)
        {
            yield return Text($"{stem} cards.csv", string.Concat(cards.Select(c => CardTable.Row(true, c.Content, c.Source) + "\r\n")));
        }

        if (await context.Quizzes.AsNoTracking().Include(q => q.Questions).Where(q => q.LectureId == id).OrderByDescending(q => q.Id).FirstOrDefaultAsync(cancel) is { } quiz)
        {
            yield return new OutFile(QuizPackage(stem, quiz), Type, $"{stem} quiz qti.zip");
        }

        var marks = await context.Marks(id, me, cancel);
        if (marks.Count > 0)
        {
            yield return Text($"{stem} marks.tsv", MarkTable.Write(marks));
        }

        IEnumerable<OutFile> Documents(string name, Sheet content) => Papers(lecture.Paper(name, content, lectures, library), lecture, now);
    }

    private static byte[] QuizPackage(string title, QuizRow quiz)
    {
        using var memory = new MemoryStream();
        using (var zip = new ZipArchive(memory, ZipArchiveMode.Create))
        {
            foreach (var file in QtiPackage.Write(title, [.. quiz.Questions.OrderBy(q => q.Number).Select(q => new QuestionDraft(q.Content, q.Source))]))
            {
                using var writer = new StreamWriter(zip.CreateEntry(file.Name).Open());
                writer.Write(file.Content);
            }
        }

        return memory.ToArray();
    }

    private static OutFile Text(string name, string text) => new(Encoding.UTF8.GetBytes(text), "text/plain", name);

    /// <summary>A name that no other file of the archive has.</summary>
    private static string Free(string name, HashSet<string> taken)
    {
        var (stem, ending) = (name[..^Path.GetExtension(name).Length], Path.GetExtension(name));
        var free = name;
        for (var n = 2; !taken.Add(free); n++)
        {
            free = $"{stem} {n}{ending}";
        }

        return free;
    }
}
