using System.Text.Json.Serialization;
using Kostel.Core.Speech.Decoding;

namespace Kostel.Speech.Own;

/// <summary>Heads of one layer.</summary>
public sealed record LayerHeads(int Layer, IReadOnlyList<int> Heads);

/// <summary>A recogniser whose weights a person brought in.</summary>
/// <param name="Name">What they call it.</param>
/// <param name="Language">The code of the language that it hears.</param>
/// <param name="Layers">Of its decoder.</param>
/// <param name="Width">Numbers that stand for a position in the text.</param>
/// <param name="Bytes">Of all its files.</param>
/// <param name="HasTokens">Whether a token table of its own came with it.</param>
/// <param name="Heads">Whose attention tells where a word is said; measured when it was tried.</param>
/// <param name="Licence">The text that was found beside it; null where there was none.</param>
/// <param name="Wrote">What it wrote when it was tried.</param>
/// <param name="SpeedFactor">Seconds of sound that it took in a second, on one core, when it was tried.</param>
public sealed record OwnModel(
    string Name,
    string Language,
    int Layers,
    int Width,
    long Bytes,
    bool HasTokens,
    IReadOnlyList<LayerHeads> Heads,
    string? Licence,
    string Wrote,
    double SpeedFactor,
    DateOnly AddedOn)
{
    /// <summary>Where a word is said.</summary>
    [JsonIgnore]
    public AlignmentHeads Alignment => new(Heads.Select(h => (h.Layer, h.Heads.ToArray())).ToList());

    /// <summary>The first line of its licence that says something.</summary>
    [JsonIgnore]
    public string LicenceLine => Licence?.Split('\n').Select(l => l.Trim(' ', '\r', '#', '*', '=')).FirstOrDefault(l => l.Length > 0) ?? "no licence was found beside it";
}
