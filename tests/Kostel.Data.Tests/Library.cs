using Kostel.Core.Speech;
using Kostel.Core.Transcripts;
using Kostel.Data.Rows;
using Kostel.Data.Search;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Data.Tests;

/// <summary>A library in a folder of its own.</summary>
internal sealed class Library : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("kostel-data-").FullName;
    private readonly TranscriptCache cache = new();

    /// <summary>Where the database keeps what it has not taken in yet.</summary>
    public string Log => Path.Combine(folder, "kostel.db-wal");

    public KostelContext Open() => new(
        new DbContextOptionsBuilder<KostelContext>().UseSqlite(new SqliteConnectionStringBuilder { DataSource = Path.Combine(folder, "kostel.db"), Pooling = false }.ToString()).Options,
        cache);

    /// <summary>Brings the database to the present form.</summary>
    public Library Present()
    {
        using var context = Open();
        context.Database.Migrate();
        SearchSchema.Ensure(context);
        return this;
    }

    /// <summary>A lecture without a text.</summary>
    public static LectureRow Lecture(string id = "seas") => new() { Id = id, Title = "Seas", SourceName = "seas.mp3", AddedAt = DateTime.UtcNow };

    /// <summary>A text of one passage of words of half a second.</summary>
    public static Transcript Text(string words)
    {
        var said = words.Split(' ').Select((w, i) => new Word(w, i * 500, (i * 500) + 400, 0.9)).ToList();
        var end = said[^1].EndMs;
        return new Transcript("en", end, [new Speaker("v1", "Voice 1", false)], [new Passage("p1", "v1", 0, end, said)], [new Chapter("Opening", 0, end)]);
    }

    public static InstalledTranscript Installed(string words, string? notice = null) =>
        new(Text(words), notice, new Provenance(Accuracy.Accurate, null, new DateTime(2026, 11, 2, 9, 0, 0, DateTimeKind.Utc)));

    public void Dispose() => Directory.Delete(folder, recursive: true);
}
