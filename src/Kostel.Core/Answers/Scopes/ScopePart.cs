namespace Kostel.Core.Answers.Scopes;

/// <summary>By what a question narrows where its answer is looked for.</summary>
public enum ScopeKind
{
    /// <summary>Lectures held on some days.</summary>
    Days,

    /// <summary>The last lectures, or the first.</summary>
    Lectures,

    /// <summary>What one person said.</summary>
    Speaker,

    /// <summary>A chapter, or minutes of a lecture.</summary>
    Stretch,
}

/// <summary>A part of a question that says where to look, as it was understood.</summary>
/// <param name="Words">What is shown of it: "since 3 November", "the last 2 lectures", "Vera".</param>
public sealed record ScopePart(ScopeKind Kind, string Words)
{
    /// <summary>The first of the days; null for any.</summary>
    public DateOnly? From { get; init; }

    /// <summary>The last of the days; null for any.</summary>
    public DateOnly? To { get; init; }

    /// <summary>So many lectures from the end, or from the beginning where negative; 0 for all.</summary>
    public int Latest { get; init; }

    /// <summary>What the speaker is called; null for the one who asks or answers in an interview.</summary>
    public string? Speaker { get; init; }

    /// <summary>Whether the one who asks in an interview is meant; null where a name says who.</summary>
    public bool? Asks { get; init; }

    /// <summary>Where the stretch begins, in milliseconds.</summary>
    public int StartMs { get; init; }

    /// <summary>Where it ends.</summary>
    public int EndMs { get; init; } = int.MaxValue;
}

/// <summary>A question without what it says of where to look.</summary>
/// <param name="Text">What remains to be asked.</param>
public sealed record ScopedQuestion(string Text, IReadOnlyList<ScopePart> Parts);

/// <summary>What there is to look in.</summary>
/// <param name="Today">The day on which it is asked.</param>
/// <param name="Speakers">Names of those who speak.</param>
/// <param name="HasInterview">Whether somebody asks and somebody answers.</param>
/// <param name="HasSeveral">Whether several lectures are asked; only then days and numbers of lectures make sense.</param>
/// <param name="Chapters">The chapters of the lecture, if it is one.</param>
/// <param name="DurationMs">Its length.</param>
public sealed record ScopeGround(
    DateOnly Today, IReadOnlyList<string> Speakers, bool HasInterview, bool HasSeveral, IReadOnlyList<Transcripts.Chapter> Chapters, int DurationMs);
