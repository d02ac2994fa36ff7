namespace Kostel.Core.Speech.Terms;

/// <summary>A word as tokens.</summary>
/// <param name="FirstToken">Its first token's place in the text…</param>
/// <param name="EndToken">…and that of the first token after it.</param>
public sealed record TokenWord(string Text, int FirstToken, int EndToken);
