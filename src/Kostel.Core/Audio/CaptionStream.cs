namespace Kostel.Core.Audio;

/// <summary>Captions inside of a recording's file.</summary>
/// <param name="Index">Which of its streams of captions, counted from 0.</param>
/// <param name="Language">ISO 639 code of two letters; null if it is not said.</param>
/// <param name="Title">As the file names it; may be empty.</param>
public sealed record CaptionStream(int Index, string? Language, string Title);
