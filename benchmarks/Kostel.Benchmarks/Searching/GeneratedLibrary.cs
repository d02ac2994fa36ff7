using System.Text.Json;
using Kostel.Core.Speech;
using Kostel.Core.Transcripts;
using Kostel.Data;
using Kostel.Data.Rows;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Benchmarks.Searching;

/// <summary>A library of generated lectures: words as frequent as Zipf's law has them, a tenth of each lecture from a subject of its own.</summary>
internal static class GeneratedLibrary
{
    private const int PerLecture = 7_500, PerPassage = 75, PerChapter = 10, PerSubject = 60, PerCourse = 25, MsPerWord = 400;
    private const double SubjectShare = 0.1, Flat = 2.7;

    /// <summary>The words that English has most of, in about this order (from memory).</summary>
    public static readonly string[] MostFrequent =
    [
        .. "the of and to a in is that it was for on you as with be are this at by we have not he from or but they so which an if there one what can all when will has had more no out up do your"
            .Split(' '),
    ];

    /// <summary>Makes it, and says how large its text and its index are.</summary>
    /// <param name="folder">A folder that is not there yet.</param>
    /// <param name="words">Words of English, the frequent ones first.</param>
    public static void Make(string folder, int lectures, IReadOnlyList<string> words)
    {
        using var library = new LibraryFolder(folder);
        library.Open();
        var random = new Random(20_261_127);
        var reach = words.Select((_, i) => 1 / (i + Flat)).ToArray();
        for (var i = 1; i < reach.Length; i++)
        {
            reach[i] += reach[i - 1];
        }

        long letters = 0;
        for (var n = 0; n < lectures; n++)
        {
            var subject = Enumerable.Range(0, PerSubject).Select(_ => words[random.Next(500, Math.Min(words.Count, 40_000))]).ToList();
            var passages = new List<Passage>();
            var at = 0;
            for (var p = 0; p < PerLecture / PerPassage; p++)
            {
                var said = new List<Word>(PerPassage);
                for (var w = 0; w < PerPassage; w++, at += MsPerWord)
                {
                    var word = random.NextDouble() < SubjectShare ? subject[random.Next(subject.Count)] : Frequent();
                    letters += word.Length + 1;
                    said.Add(new Word(w == 0 ? char.ToUpperInvariant(word[0]) + word[1..] : w % 15 == 14 ? word + "." : word, at, at + MsPerWord - 50, 0.9));
                }

                passages.Add(new Passage($"p{p + 1}", "v1", said[0].StartMs, said[^1].EndMs, said));
            }

            var chapters = passages.Chunk(PerChapter).Select((c, i) => new Chapter($"{subject[i]} and {subject[i + 1]}", c[0].StartMs, i == (passages.Count / PerChapter) - 1 ? at : c[^1].EndMs + 50)).ToList();
            Store(library, n, new Transcript("en", at, [Speaker.Unnamed(1)], passages, chapters), $"{subject[0]} {subject[1]}");
        }

        using var context = library.CreateDbContext();
        context.Database.ExecuteSqlRaw("PRAGMA wal_checkpoint(TRUNCATE)");
        Console.WriteLine(JsonSerializer.Serialize(new { words = lectures * PerLecture, textBytes = letters }, JsonSerializerOptions.Web));

        string Frequent()
        {
            var place = Array.BinarySearch(reach, random.NextDouble() * reach[^1]);
            return words[Math.Min(words.Count - 1, place < 0 ? ~place : place)];
        }
    }

    /// <summary>How many bytes of a library's database are the index (words, places, meanings): what it is smaller without them.</summary>
    public static void Weigh(string folder)
    {
        var (whole, without) = (Path.Combine(folder, "whole.db"), Path.Combine(folder, "without.db"));
        Run(Path.Combine(folder, "kostel.db"), $"VACUUM INTO '{whole}'");
        Run(whole, "DROP TABLE SearchWords; DROP TABLE SearchText; DROP TABLE SearchEntries; DROP TABLE SearchState; DROP TABLE Meanings");
        Run(whole, $"VACUUM INTO '{without}'");
        var index = new FileInfo(whole).Length - new FileInfo(without).Length;
        Console.WriteLine(JsonSerializer.Serialize(new { indexBytes = index }, JsonSerializerOptions.Web));
    }

    private static void Run(string database, string sql)
    {
        using var connection = new SqliteConnection(new SqliteConnectionStringBuilder { DataSource = database, Pooling = false }.ToString());
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        command.ExecuteNonQuery();
    }

    private static void Store(LibraryFolder library, int n, Transcript transcript, string title)
    {
        using var context = library.CreateDbContext();
        using var all = context.Database.BeginTransaction();
        var name = $"Course {n / PerCourse}";
        var course = context.Courses.FirstOrDefault(c => c.Title == name) ?? context.Courses.Add(new CourseRow { Title = name }).Entity;
        var lecture = new LectureRow { Id = $"generated-{n}", Title = title, SourceName = "generated.mp3", AddedAt = DateTime.UtcNow, Course = course, HeldOn = new DateOnly(2026, 1, 1).AddDays(n / 3), HasSound = false };
        context.Lectures.Add(lecture);
        context.SaveChanges();
        context.InstallTranscript(lecture, new InstalledTranscript(transcript, null, new Provenance(Accuracy.Accurate, null, DateTime.UtcNow)), default).GetAwaiter().GetResult();
        context.SaveChanges();
        all.Commit();
    }
}
