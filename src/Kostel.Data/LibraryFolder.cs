using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;

namespace Kostel.Data;

/// <summary>A library on disk: the database and a folder for each lecture.</summary>
public sealed class LibraryFolder : IDbContextFactory<KostelContext>
{
    private readonly DbContextOptions<KostelContext> options;
    private readonly TranscriptCache transcripts = new();

    /// <param name="folder">Made when it is not there.</param>
    public LibraryFolder(string folder)
    {
        Folder = folder;
        Directory.CreateDirectory(MediaFolder);
        Directory.CreateDirectory(UploadFolder);
        options = Options(Path.Combine(folder, "kostel.db"));
    }

    /// <summary>Everything of this library lies in here.</summary>
    public string Folder { get; }

    /// <summary>Files on their way in.</summary>
    public string UploadFolder => Path.Combine(Folder, "uploads");

    private string MediaFolder => Path.Combine(Folder, "lectures");

    /// <summary>Brings the database to the present form and turns on write-ahead logging.</summary>
    public void Prepare()
    {
        using var context = CreateDbContext();
        context.Database.Migrate();
        context.Database.ExecuteSqlRaw("PRAGMA journal_mode=WAL");
    }

    /// <inheritdoc/>
    public KostelContext CreateDbContext() => new(options, transcripts);

    /// <summary>The recording as it was brought in.</summary>
    public string Original(string lectureId) => Path.Combine(LectureFolder(lectureId), "original");

    /// <summary>The drawing of its sound, made when first needed.</summary>
    public string Peaks(string lectureId) => Path.Combine(LectureFolder(lectureId), "peaks");

    /// <summary>The lecture's folder, made when it is not there.</summary>
    /// <exception cref="ArgumentException">The identifier could lead out of the library.</exception>
    public string LectureFolder(string lectureId)
    {
        if (lectureId.Length is 0 or > 64 || lectureId.Any(c => !char.IsAsciiLetterOrDigit(c) && c != '-'))
        {
            throw new ArgumentException("A lecture's identifier has only letters, digits and hyphens.", nameof(lectureId));
        }

        var folder = Path.Combine(MediaFolder, lectureId);
        Directory.CreateDirectory(folder);
        return folder;
    }

    /// <summary>A new identifier that cannot be guessed.</summary>
    public static string NewId() => Convert.ToHexStringLower(System.Security.Cryptography.RandomNumberGenerator.GetBytes(6));

    private static DbContextOptions<KostelContext> Options(string file) =>
        new DbContextOptionsBuilder<KostelContext>()
            .UseSqlite(new SqliteConnectionStringBuilder { DataSource = file, ForeignKeys = true, DefaultTimeout = 30 }.ToString())
            .Options;

    /// <summary>Used by the tool that writes migrations.</summary>
    private sealed class DesignTime : IDesignTimeDbContextFactory<KostelContext>
    {
        public KostelContext CreateDbContext(string[] args) => new(Options("design.db"), new TranscriptCache());
    }
}
