namespace Kostel.Data.Search;

/// <summary>What can be found.</summary>
public enum IndexedKind
{
    /// <summary>What is said in a lecture.</summary>
    Passage,

    /// <summary>A lecture's title.</summary>
    Title,

    /// <summary>The title of a chapter.</summary>
    Chapter,

    /// <summary>A mark: its note, what was learned, the marked words.</summary>
    Mark,

    /// <summary>A card.</summary>
    Card,

    /// <summary>A summary.</summary>
    Summary,

    /// <summary>A sheet: its name and what stands on it.</summary>
    Sheet,

    /// <summary>A question that was asked.</summary>
    Question,

    /// <summary>The name of a thread of questions.</summary>
    Thread,

    /// <summary>A term of a course.</summary>
    Term,

    /// <summary>A course's name.</summary>
    Course,
}
