namespace Kostel.Core.Speech;

/// <summary>How much time a recording is worth.</summary>
public enum Accuracy
{
    /// <summary>The likeliest token at every step.</summary>
    Fast,

    /// <summary>Several beginnings side by side: fewer mistakes, about half as much time again.</summary>
    Accurate,
}
