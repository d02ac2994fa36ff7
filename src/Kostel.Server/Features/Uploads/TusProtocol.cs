using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using Kostel.Core.Entries;
using Kostel.Core.Speech;
using Kostel.Core.Speech.Languages;
using Kostel.Core.Speech.Speakers;
using Kostel.Core.Text;
using Kostel.Server.Http;

namespace Kostel.Server.Features.Uploads;

/// <summary>The parts of the open upload protocol tus 1.0 that are only words and numbers in headers.</summary>
/// <remarks>tus resumable upload protocol 1.0.0: core, creation, expiration, checksum, termination.</remarks>
internal static class TusProtocol
{
    public const string Version = "1.0.0";
    public const string Extensions = "creation,expiration,checksum,termination";
    public const string BodyType = "application/offset+octet-stream";
    public const long LargestBytes = 20L << 30;

    /// <summary>What the protocol answers where a checksum does not fit.</summary>
    public const int ChecksumMismatch = 460;

    private static readonly Dictionary<string, HashAlgorithmName> Algorithms = new()
    {
        ["sha1"] = HashAlgorithmName.SHA1,
        ["sha256"] = HashAlgorithmName.SHA256,
        ["md5"] = HashAlgorithmName.MD5,
    };

    /// <summary>Names of the checksums that are understood.</summary>
    public static string AlgorithmNames => string.Join(',', Algorithms.Keys);

    /// <summary>Whether a request speaks this version; asking what is spoken needs none.</summary>
    public static bool IsSpoken(HttpRequest request) => HttpMethods.IsOptions(request.Method) || request.Headers["Tus-Resumable"] == Version;

    /// <summary>The length that is announced.</summary>
    public static long Length(HttpRequest request) =>
        !long.TryParse(request.Headers["Upload-Length"], NumberStyles.None, CultureInfo.InvariantCulture, out var length)
            ? throw new PlainProblemException(StatusCodes.Status400BadRequest, "An upload says its length in bytes first.")
        : length > LargestBytes
            ? throw new PlainProblemException(StatusCodes.Status413PayloadTooLarge, $"A file may have up to {LargestBytes >> 30} GB.")
        : length;

    /// <summary>The checksum that a piece must have; null for none.</summary>
    public static (HashAlgorithmName Algorithm, byte[] Value)? Checksum(HttpRequest request)
    {
        if (request.Headers["Upload-Checksum"].ToString() is not { Length: > 0 } header)
        {
            return null;
        }

        try
        {
            return header.Split(' ') is [var name, var value] && Algorithms.TryGetValue(name, out var algorithm)
                ? (algorithm, Convert.FromBase64String(value))
                : throw new PlainProblemException(StatusCodes.Status400BadRequest, $"A checksum is one of {AlgorithmNames}, a space, and base64.");
        }
        catch (FormatException)
        {
            throw new PlainProblemException(StatusCodes.Status400BadRequest, "The checksum is no base64.");
        }
    }

    /// <summary>What is told about the file.</summary>
    public static ToldOfUpload Told(HttpRequest request)
    {
        var told = Metadata(request.Headers["Upload-Metadata"].ToString());
        var fileName = SafeName(told.GetValueOrDefault("filename", ""));
        return new ToldOfUpload(
            fileName,
            OneLine.Of(told.GetValueOrDefault("title", ""), 200) is { Length: > 0 } title ? title : TitleFrom(fileName),
            DateOnly.TryParseExact(told.GetValueOrDefault("heldOn", ""), "yyyy-MM-dd", out var held) ? held : null,
            told.GetValueOrDefault("heldOnIsGuessed", "") == "yes",
            OneLine.Of(told.GetValueOrDefault("course", ""), 100),
            Choice(told));
    }

    /// <summary>What makes no sense is left out: everything has a default.</summary>
    private static TranscriptionChoice Choice(Dictionary<string, string> told) => new(
        told.GetValueOrDefault("accuracy", "") == "fast" ? Accuracy.Fast : Accuracy.Accurate,
        told.GetValueOrDefault("language", "") is var language && SpokenLanguages.IsCode(language) ? language : null,
        told.GetValueOrDefault("byService", "") == "yes",
        int.TryParse(told.GetValueOrDefault("voices", ""), NumberStyles.None, CultureInfo.InvariantCulture, out var voices) && voices is >= 1 and <= Diarisation.MostVoices ? voices : null,
        OneLine.Of(told.GetValueOrDefault("model", ""), EntryRules.ModelName.Most) is { Length: > 0 } model ? model : null);

    private static Dictionary<string, string> Metadata(string header)
    {
        var values = new Dictionary<string, string>();
        foreach (var parts in header.Split(',', StringSplitOptions.TrimEntries).Select(p => p.Split(' ')).Where(p => p.Length == 2))
        {
            try
            {
                values[parts[0]] = Encoding.UTF8.GetString(Convert.FromBase64String(parts[1]));
            }
            catch (FormatException)
            {
                // A value that is no base64 is left out: everything it could say has a default.
            }
        }

        return values;
    }

    /// <summary>The last part of a name, without control characters. It is shown and never used as a path.</summary>
    private static string SafeName(string name)
    {
        var last = name.Split('/', '\\').Last();
        var clean = new string(last.Where(c => !char.IsControl(c)).ToArray()).Trim();
        return OneLine.Of(clean, 200) is { Length: > 0 } kept ? kept : "recording";
    }

    /// <summary>The title of a lecture that nobody gave one.</summary>
    public static string TitleFrom(string fileName)
    {
        var dot = fileName.LastIndexOf('.');
        var bare = (dot > 0 ? fileName[..dot] : fileName).Replace('_', ' ').Trim(' ', '.');
        return bare.Length > 0 ? bare : "Recording";
    }
}

/// <summary>What a person says of a file that they bring in.</summary>
internal sealed record ToldOfUpload(string FileName, string Title, DateOnly? HeldOn, bool HeldOnIsGuessed, string Course, TranscriptionChoice Choice);
