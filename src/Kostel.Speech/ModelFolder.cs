using System.Security.Cryptography;
using System.Text.Json;
using Kostel.Core.Problems;
using Kostel.Speech.Own;

namespace Kostel.Speech;

/// <summary>A model file as pinned in <c>models.lock.json</c>.</summary>
/// <param name="Name">What the program calls it.</param>
/// <param name="Purpose">What it is for, in plain words.</param>
/// <param name="Package">The npm package it comes in.</param>
/// <param name="File">Its path in the package.</param>
/// <param name="Bytes">Its size.</param>
/// <param name="Sha256">Its checksum, in lower-case hexadecimal.</param>
/// <param name="Licence">An SPDX identifier.</param>
/// <param name="LicenceText">The copyright line that the licence asks to keep.</param>
/// <param name="Pack">The optional pack it belongs to, by the code of its language; null for what is always there.</param>
public sealed record PinnedModel(
    string Name, string Purpose, string Package, string Version, string File, long Bytes, string Sha256, string Licence, string LicenceText, string? Pack = null);

/// <summary>A language that can be added, under a licence of its own.</summary>
/// <param name="Code">Of the language.</param>
/// <param name="Summary">What the licence allows, in a sentence.</param>
/// <param name="LicenceFile">The licence's text, beside the lock file.</param>
public sealed record OptionalPack(string Code, string Name, string Summary, string LicenceFile);

/// <summary>A model file that is missing or not the one that was pinned.</summary>
public sealed class ModelProblemException(string message) : KnownProblemException(ProblemCodes.Model, message);

/// <summary>The folder that holds the model files, each under its pinned name.</summary>
public sealed class ModelFolder(string path, IReadOnlyList<PinnedModel> pinned, IReadOnlyList<OptionalPack> packs)
{
    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web);

    /// <summary>Everything that is pinned.</summary>
    public IReadOnlyList<PinnedModel> Pinned => pinned;

    /// <summary>What can be added.</summary>
    public IReadOnlyList<OptionalPack> Packs => packs;

    /// <summary>What the person brought in.</summary>
    public OwnModels Own { get; } = new(path);

    /// <summary>Reads what is pinned from a lock file.</summary>
    public static ModelFolder Open(string folder, string lockFile)
    {
        using var stream = System.IO.File.OpenRead(lockFile);
        var file = JsonSerializer.Deserialize<LockFile>(stream, Json);
        return file?.Models is null ? throw new ModelProblemException($"{lockFile} lists no models.") : new ModelFolder(folder, file.Models, file.Packs ?? []);
    }

    /// <summary>The path of a model file, after checking that it is there and complete.</summary>
    /// <exception cref="ModelProblemException">It is missing or damaged; the message says what to do.</exception>
    public string PathOf(string name)
    {
        var problem = Check(name);
        return problem is null
            ? Locate(name)
            : throw new ModelProblemException($"{problem} Run ./kostel models{(Pinning(name).Pack is { } pack ? $" add {pack}" : "")} to fetch it{(IsThere(name) ? " again" : "")}.");
    }

    /// <summary>Whether a model file, or the one that a link leads to, is there and as long as it should be.</summary>
    public bool IsThere(string name) =>
        new FileInfo(Locate(name)) is { Exists: true } file && (file.ResolveLinkTarget(returnFinalTarget: true) as FileInfo ?? file).Length == Pinning(name).Bytes;

    /// <summary>What is wrong with a model file, or null.</summary>
    public string? Check(string name)
    {
        var model = Pinning(name);
        var file = Locate(name);
        if (!System.IO.File.Exists(file))
        {
            return $"The {model.Purpose} ({name}) is not there.";
        }

        using var stream = System.IO.File.OpenRead(file);
        return Convert.ToHexStringLower(SHA256.HashData(stream)) == model.Sha256
            ? null
            : $"The {model.Purpose} ({name}) is damaged or not the one that was tested.";
    }

    private PinnedModel Pinning(string name) => pinned.First(m => m.Name == name);

    private string Locate(string name) => Path.Combine(path, name);

    private sealed record LockFile(IReadOnlyList<PinnedModel>? Models, IReadOnlyList<OptionalPack>? Packs);
}
