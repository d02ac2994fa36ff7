using System.Security.Cryptography;
using System.Text;
using System.Text.Json;

namespace Kostel.Speech.Own;

/// <summary>The recognisers that a person brought in, each in a folder of its own beside the models that Kostel fetches.</summary>
public sealed class OwnModels(string models)
{
    /// <summary>Files of one of them.</summary>
    internal const string Encoder = "encoder.onnx", Decoder = "decoder.onnx", Tokens = "tokens.txt";

    private const string About = "model.json";
    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web) { WriteIndented = true };

    private string Root => Path.Combine(models, "own");

    /// <summary>All of them by name. What is damaged is left out: its name is then said not to be there.</summary>
    public IReadOnlyList<OwnModel> All() =>
        Directory.Exists(Root)
            ? Directory.EnumerateDirectories(Root).Select(Read).OfType<OwnModel>().OrderBy(m => m.Name, StringComparer.OrdinalIgnoreCase).ToList()
            : [];

    /// <summary>One by its name.</summary>
    /// <exception cref="ModelProblemException">There is none, or a file of it is gone.</exception>
    public OwnModel Required(string name)
    {
        var found = All().FirstOrDefault(m => IsCalled(m, name))
            ?? throw new ModelProblemException($"There is no recogniser of your own called “{name}”. It may have been removed: choose another setting.");
        var gone = new[] { Encoder, Decoder, found.HasTokens ? Tokens : Decoder }.FirstOrDefault(f => !File.Exists(PathOf(found, f)));
        return gone is null ? found : throw new ModelProblemException($"“{found.Name}” has lost its file {gone}. Add it again with ./kostel models add.");
    }

    /// <summary>Whether one is called so; capitals do not matter.</summary>
    public static bool IsCalled(OwnModel model, string name) => string.Equals(model.Name, name.Trim(), StringComparison.OrdinalIgnoreCase);

    /// <summary>Takes one away for good.</summary>
    /// <exception cref="ModelProblemException">There is none of this name.</exception>
    public void Remove(string name) => Directory.Delete(FolderOf(All().FirstOrDefault(m => IsCalled(m, name))?.Name
        ?? throw new ModelProblemException($"There is no recogniser of your own called “{name}”.")), recursive: true);

    internal string PathOf(OwnModel model, string file) => Path.Combine(FolderOf(model.Name), file);

    /// <summary>A folder for a new one; it counts only when <see cref="Keep"/> has been told of it.</summary>
    internal string Prepare(string name)
    {
        var fresh = FolderOf(name) + ".new";
        if (Directory.Exists(fresh))
        {
            Directory.Delete(fresh, recursive: true);
        }

        Directory.CreateDirectory(fresh);
        return fresh;
    }

    /// <summary>Keeps what was prepared.</summary>
    internal void Keep(OwnModel model)
    {
        var folder = FolderOf(model.Name);
        File.WriteAllText(Path.Combine(folder + ".new", About), JsonSerializer.Serialize(model, Json));
        Directory.Move(folder + ".new", folder);
    }

    /// <summary>A name may hold anything, a folder's may not.</summary>
    private string FolderOf(string name) => Path.Combine(Root, Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(name.Trim().ToLowerInvariant())))[..32]);

    private static OwnModel? Read(string folder)
    {
        var about = Path.Combine(folder, About);
        if (folder.EndsWith(".new", StringComparison.Ordinal) || !File.Exists(about))
        {
            return null;
        }

        try
        {
            return JsonSerializer.Deserialize<OwnModel>(File.ReadAllText(about), Json);
        }
        catch (JsonException)
        {
            return null;
        }
    }
}
