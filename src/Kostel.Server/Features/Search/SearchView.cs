using Kostel.Core.Retrieval;
using Kostel.Data.Search;

namespace Kostel.Server.Features.Search;

/// <summary>Why a place was found.</summary>
public enum FoundBy
{
    /// <summary>It has everything that was looked for.</summary>
    Words,

    /// <summary>It has some of it.</summary>
    SomeWords,

    /// <summary>It has a word that sounds like it.</summary>
    Sound,

    /// <summary>It speaks of something like it in other words.</summary>
    Meaning,
}

/// <summary>A place that was found.</summary>
/// <param name="Text">What stands there, cut to what was found.</param>
/// <param name="Spans">What was found in it: first character and the one after the last.</param>
/// <param name="StartMs">Where to begin listening; 0 for what has no place in the recording.</param>
/// <param name="Ref">What it is among others of its kind.</param>
public sealed record SearchHit(IndexedKind Kind, FoundBy By, string Text, IReadOnlyList<IReadOnlyList<int>> Spans, int StartMs, int EndMs, string Ref, string? Speaker)
{
    /// <summary>The thread of a question; null for everything else.</summary>
    public int? Thread { get; init; }
}

/// <summary>Where on the stave something was found.</summary>
public sealed record SearchPlace(int StartMs, int EndMs, FoundBy By);

/// <summary>A lecture in which something was found.</summary>
/// <param name="HitCount">How many places; of these the best are among the hits.</param>
public sealed record SearchLecture(
    string Id, string Title, string? Course, DateOnly? HeldOn, int DurationMs, bool HasSound, int HitCount, IReadOnlyList<SearchPlace> Places, IReadOnlyList<SearchHit> Hits);

/// <summary>A course, or a term or a sheet of one, that was found.</summary>
/// <param name="Sheet">The number of the sheet.</param>
public sealed record SearchCourse(IndexedKind Kind, string Course, int? Sheet, string Text, IReadOnlyList<IReadOnlyList<int>> Spans);

/// <summary>A thread of questions to a course, or to everything, that was found.</summary>
/// <param name="Course">The course that was asked; null for everything.</param>
public sealed record SearchThread(int Id, string? Course, string Text, IReadOnlyList<IReadOnlyList<int>> Spans);

/// <summary>What was taken for a word that was looked for.</summary>
public sealed record SearchTaken(string Asked, Taken How, IReadOnlyList<string> Words);

/// <summary>What a search found.</summary>
/// <param name="IsEmpty">There was nothing to look for: no letter and no digit.</param>
/// <param name="ByMeaning">Whether it was looked for by meaning too.</param>
public sealed record SearchView(
    bool IsEmpty, bool ByMeaning, IReadOnlyList<SearchTaken> Taken, int HitCount, IReadOnlyList<SearchLecture> Lectures, IReadOnlyList<SearchCourse> Courses, IReadOnlyList<SearchThread> Threads);
