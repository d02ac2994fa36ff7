namespace Kostel.Core.Speech.Decoding;

/// <summary>The attention heads that run forward through the sound as the words do.</summary>
public sealed record AlignmentHeads(IReadOnlyList<(int Layer, int[] Heads)> Layers)
{
    /// <summary>Whether a head is one of them.</summary>
    public bool Includes(int layer, int head) => Layers.Any(l => l.Layer == layer && l.Heads.Contains(head));
}
