using System.Text.Json.Serialization;

namespace Kostel.Core.Transcripts;

/// <summary>A word as it was said: its written form, its span in milliseconds from the start of the recording,
/// and how likely the recogniser thinks it is right (0 to 1; 1 for what a person wrote or found right).</summary>
/// <param name="OpensCaption">Whether a caption of the file that it was brought in with begins here.</param>
public sealed record Word(
    string Text,
    int StartMs,
    int EndMs,
    double Confidence,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)] bool OpensCaption = false);

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
/// <param name="Asks">Whether it is the one who asks, in an interview; their words are set apart from the answers.</param>
public sealed record Speaker(
    string Id,
    string Name,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)] bool Asks = false)
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

    /// <summary>Whether a passage is a question of an interview.</summary>
    public bool IsQuestion(Passage passage) => Speakers.Count > 1 && Speakers.Any(s => s.Asks && s.Id == passage.SpeakerId);

    /// <summary>What is said between two moments: words whose middle lies there, with the chapters they stand in. Times stay those of the recording.</summary>
    public Transcript Between(int fromMs, int toMs)
    {
        var passages = Passages.Where(p => p.EndMs >= fromMs && p.StartMs <= toMs).Select(p =>
        {
            var own = p.Words.Where(w => w.StartMs + ((w.EndMs - w.StartMs) / 2) is var middle && middle >= fromMs && middle <= toMs).ToList();
            return own.Count == 0 ? null : p with { Words = own, StartMs = own[0].StartMs, EndMs = own[^1].EndMs };
        }).OfType<Passage>().ToList();
        return this with { Passages = passages, Chapters = Chapters.Where(c => passages.Any(p => p.StartMs >= c.StartMs && p.StartMs < c.EndMs)).ToList() };
    }
}
