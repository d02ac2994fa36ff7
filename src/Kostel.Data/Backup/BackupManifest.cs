using System.Text.Json;
using System.Text.RegularExpressions;
using Kostel.Core.Problems;

namespace Kostel.Data.Backup;

/// <summary>A backup, or an attempt to restore one, that cannot be done, with the reason in plain words.</summary>
public sealed class BackupProblemException(string message) : KnownProblemException(ProblemCodes.Backup, message);

/// <summary>A file of the library in a backup.</summary>
/// <param name="Name">Its place in the library, with slashes.</param>
/// <param name="Sha256">Of what is in the archive, in hexadecimal; null for a recording that is only named.</param>
public sealed record BackupFile(string Name, long Bytes, string? Sha256);

/// <summary>The list of what a backup holds: the last entry of the archive.</summary>
/// <param name="MadeAt">UTC.</param>
/// <param name="Lectures">How many lectures there are, in the bin too.</param>
public sealed partial record BackupManifest(string Format, int Version, DateTime MadeAt, int Lectures, IReadOnlyList<BackupFile> Files)
{
    /// <summary>The name of its entry.</summary>
    public const string Entry = "manifest.json";

    /// <summary>The database's entry.</summary>
    public const string Database = "kostel.db";

    private const string Name = "kostel-backup";
    private const int NewestVersion = 1;
    private const long LongestList = 64 << 20;

    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web)
    {
        WriteIndented = true,
        RespectNullableAnnotations = true,
        RespectRequiredConstructorParameters = true,
    };

    /// <summary>A list of today's form.</summary>
    public static BackupManifest Of(DateTime madeAt, int lectures, IReadOnlyList<BackupFile> files) => new(Name, NewestVersion, madeAt, lectures, files);

    /// <summary>Writes the list.</summary>
    public byte[] Write() => JsonSerializer.SerializeToUtf8Bytes(this, Options);

    /// <summary>Reads a list, and trusts nothing in it.</summary>
    /// <exception cref="BackupProblemException">It is none, or of a later Kostel.</exception>
    public static async Task<BackupManifest> Read(Stream stream, long length, CancellationToken cancel)
    {
        try
        {
            var read = length > LongestList ? null : await JsonSerializer.DeserializeAsync<BackupManifest>(stream, Options, cancel);
            if (read is not { Format: Name } || read.Files.Any(f => f is null || !Place().IsMatch(f.Name)))
            {
                throw new BackupProblemException("This is no backup of Kostel.");
            }

            return read.Version <= NewestVersion
                ? read
                : throw new BackupProblemException($"This backup was made by a later Kostel (its form is {read.Version}; this one reads up to {NewestVersion}).");
        }
        catch (JsonException)
        {
            throw new BackupProblemException("This is no backup of Kostel: its list cannot be read.");
        }
    }

    /// <summary>Where a file of a library may lie; nothing leads out of it.</summary>
    [GeneratedRegex(@"^(kostel\.db|lectures/[A-Za-z0-9-]{1,64}/(original|peaks|pictures/[A-Za-z0-9]{1,64}\.[a-z]{1,5}))\z")]
    private static partial Regex Place();
}
