namespace Kostel.Core.Transcripts;

/// <summary>A word as it was said: its written form, its span in milliseconds from the start of the recording,
/// and how likely the recogniser thinks it is right (0 to 1).</summary>
public sealed record Word(string Text, int StartMs, int EndMs, double Confidence);

/// <summary>A paragraph by one speaker.</summary>
/// <param name="Id">Stays the same for the life of the transcript.</param>
/// <param name="SpeakerId">One of <see cref="Transcript.Speakers"/>.</param>
public sealed record Passage(string Id, string SpeakerId, int StartMs, int EndMs, IReadOnlyList<Word> Words)
{
    /// <summary>The words joined by single spaces.</summary>
    public string Text => string.Join(' ', Words.Select(w => w.Text));

    /// <summary>The mean chance that a word of it is right; 1 for no words.</summary>
    public double Confidence => Words.Count == 0 ? 1 : Words.Average(w => w.Confidence);
}

/// <summary>Somebody who speaks in the recording.</summary>
public sealed record Speaker(string Id, string Name)
{
    private const string Voice = "Voice";

    /// <summary>The name of the n-th speaker (from 1) until the person gives one.</summary>
    public static Speaker Unnamed(int number) => new($"v{number}", $"{Voice} {number}");

    /// <summary>Whether a name is one that nobody gave.</summary>
    public static bool IsUnnamed(string name) => name.StartsWith(Voice + " ", StringComparison.Ordinal) && name[(Voice.Length + 1)..].All(char.IsAsciiDigit);
}

/// <summary>A span of the lecture with a title. Chapters tile the lecture.</summary>
public sealed record Chapter(string Title, int StartMs, int EndMs);

/// <summary>Everything that was said in one recording.</summary>
public sealed record Transcript(
    string Language,
    int DurationMs,
    IReadOnlyList<Speaker> Speakers,
    IReadOnlyList<Passage> Passages,
    IReadOnlyList<Chapter> Chapters)
{
    /// <summary>Who speaks a passage, where there is more than one who speaks.</summary>
    public string? NameOf(Passage passage) => Speakers.Count > 1 ? Speakers.FirstOrDefault(s => s.Id == passage.SpeakerId)?.Name : null;
}
