using Kostel.Data.Folder;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;

namespace Kostel.Data;

/// <summary>A library on disk: the database, a folder for each lecture, and files on their way in.</summary>
public sealed class LibraryFolder : IDbContextFactory<KostelContext>, IDisposable
{
    /// <summary>The folder for what is only there for a moment.</summary>
    internal const string Passing = "passing";

    private const string StillPrefix = "still-";

    private readonly TranscriptCache transcripts = new();
    private DbContextOptions<KostelContext> options;
    private LibraryLock? owner;
    private string? copy;

    /// <summary>Names a library; nothing is made or opened yet.</summary>
    public LibraryFolder(string folder)
    {
        Folder = folder;
        options = Options(Database);
    }

    /// <summary>Everything of this library lies in here.</summary>
    public string Folder { get; }

    /// <summary>Why the library is open for reading only, in plain words; null if it is not.</summary>
    public string? OnlyForReading { get; private set; }

    /// <summary>The database.</summary>
    public string Database => Path.Combine(Folder, "kostel.db");

    /// <summary>The database that is open: a copy where nothing can be written.</summary>
    public string OpenDatabase => copy is null ? Database : Path.Combine(copy, "kostel.db");

    /// <summary>Files on their way in.</summary>
    public string UploadFolder => Path.Combine(Folder, "uploads");

    /// <summary>The folders of lectures.</summary>
    public string MediaFolder => Path.Combine(Folder, "lectures");

    /// <summary>For what is only there for a moment, and is cleared away if that was cut short.</summary>
    public string PassingFolder => Path.Combine(Folder, Passing);

    /// <summary>What only the owner may read: the key of the door, and what protects secrets.</summary>
    public string KeyFolder => Path.Combine(Folder, "keys");

    /// <summary>Takes the library for this process, closes it to other people on the computer, and brings the database to the present form.
    /// Where nothing can be written, it is opened for reading.</summary>
    /// <exception cref="LibraryProblemException">Another process has it, or it cannot be opened at all.</exception>
    public void Open()
    {
        OwnerOnly.FromNowOn();
        try
        {
            Directory.CreateDirectory(Folder);
            owner = LibraryLock.Take(Folder);
            foreach (var folder in new[] { MediaFolder, UploadFolder, PassingFolder, KeyFolder })
            {
                Directory.CreateDirectory(folder);
            }

            OwnerOnly.Close(Folder);
            LibrarySchema.Prepare(Database, file => new KostelContext(Options(file), transcripts));
            TryWrite();
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException or SqliteException)
        {
            OpenForReading(e);
        }
    }

    /// <inheritdoc/>
    public KostelContext CreateDbContext() => new(options, transcripts);

    /// <summary>The recording as it was brought in.</summary>
    public string Original(string lectureId) => Path.Combine(LectureFolder(lectureId), "original");

    /// <summary>A copy for playing, where browsers do not play the recording itself.</summary>
    public string Copy(string lectureId) => Path.Combine(LectureFolder(lectureId), "copy");

    /// <summary>The drawing of its sound, made when first needed.</summary>
    public string Peaks(string lectureId) => Path.Combine(LectureFolder(lectureId), "peaks");

    /// <summary>The picture of the chapter that begins at a time.</summary>
    public string Still(string lectureId, int startMs) => Path.Combine(LectureFolder(lectureId), $"{StillPrefix}{startMs}.jpg");

    /// <summary>Whether a file of this name is such a picture.</summary>
    public static bool IsStill(string name) => name.StartsWith(StillPrefix, StringComparison.Ordinal);

    /// <summary>Where an upload's bytes are gathered.</summary>
    public string Upload(string uploadId) => Path.Combine(UploadFolder, Sound(uploadId));

    /// <summary>The lecture's folder, which need not be there.</summary>
    /// <exception cref="ArgumentException">The identifier could lead out of the library.</exception>
    public string LectureFolder(string lectureId) => Path.Combine(MediaFolder, Sound(lectureId));

    /// <summary>The lecture's folder, made when it is not there.</summary>
    public string MakeLectureFolder(string lectureId) => Directory.CreateDirectory(LectureFolder(lectureId)).FullName;

    /// <summary>A new identifier that cannot be guessed.</summary>
    public static string NewId() => Convert.ToHexStringLower(System.Security.Cryptography.RandomNumberGenerator.GetBytes(6));

    /// <inheritdoc/>
    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        owner?.Dispose();
        owner = null;
        if (copy is not null)
        {
            Directory.Delete(copy, recursive: true);
            copy = null;
        }
    }

    private static string Sound(string id) => id.Length is 0 or > 64 || id.Any(c => !char.IsAsciiLetterOrDigit(c) && c != '-')
        ? throw new ArgumentException("This is no identifier.", nameof(id))
        : id;

    /// <summary>A full disk lets a database be opened, and fails at the first write; better to know at once.</summary>
    private void TryWrite()
    {
        const int SomeBytes = 1 << 16;
        var probe = Path.Combine(Folder, "kostel.room");
        try
        {
            File.WriteAllBytes(probe, new byte[SomeBytes]);
        }
        finally
        {
            File.Delete(probe);
        }
    }

    /// <summary>Reads from a copy of the database in the computer's folder for passing files: the original cannot even be looked into where its log cannot be written.</summary>
    private void OpenForReading(Exception reason)
    {
        SqliteConnection.ClearAllPools();
        var why = Reason(reason);
        if (!File.Exists(Database))
        {
            throw new LibraryProblemException($"No library can be made in {Folder}. {why}");
        }

        try
        {
            copy = Directory.CreateTempSubdirectory("kostel-reading-").FullName;
            var file = Path.Combine(copy, "kostel.db");
            File.Copy(Database, file);
            if (File.Exists(Database + "-wal"))
            {
                File.Copy(Database + "-wal", file + "-wal");
            }

            options = Options(file);
            LibrarySchema.Prepare(file, f => new KostelContext(Options(f), transcripts));
            OnlyForReading = $"{why} Your library is open for reading: nothing can be changed or brought in until Kostel is started again with room to write.";
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException or SqliteException)
        {
            throw new LibraryProblemException($"The library in {Folder} cannot be opened. {why}");
        }
    }

    private string Reason(Exception e)
    {
        const int NoSpace = 28, ReadOnlyFileSystem = 30;
        const long TooLittle = 1 << 20;
        return (e.HResult & 0xFFFF, e) switch
        {
            (NoSpace, _) or (_, SqliteException { SqliteErrorCode: 13 }) => "The disk is full.",
            (_, SqliteException { SqliteErrorCode: 10 or 14 }) when FreeSpace.At(Folder) < TooLittle => "The disk is full.",
            (ReadOnlyFileSystem, _) or (_, UnauthorizedAccessException) or (_, SqliteException { SqliteErrorCode: 8 }) => "Its folder cannot be written to.",
            (_, SqliteException { SqliteErrorCode: 11 or 26 }) => "Its database is damaged; ./kostel restore brings a backup back.",
            _ => e.Message,
        };
    }

    private static DbContextOptions<KostelContext> Options(string file) =>
        new DbContextOptionsBuilder<KostelContext>()
            .UseSqlite(new SqliteConnectionStringBuilder { DataSource = file, ForeignKeys = true, DefaultTimeout = 30 }.ToString())
            .AddInterceptors(new SecureDelete())
            .Options;

    /// <summary>Used by the tool that writes migrations.</summary>
    private sealed class DesignTime : IDesignTimeDbContextFactory<KostelContext>
    {
        public KostelContext CreateDbContext(string[] args) => new(Options("design.db"), new TranscriptCache());
    }
}
