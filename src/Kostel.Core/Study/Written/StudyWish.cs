namespace Kostel.Core.Study.Written;

/// <summary>What a model of the person's own writes of a lecture.</summary>
public enum WrittenForm
{
    /// <summary>What is to be known, chapter by chapter.</summary>
    Points,

    /// <summary>Terms with their meaning.</summary>
    Terms,

    /// <summary>Questions with their answers.</summary>
    Questions,
}

/// <summary>For whom it is written.</summary>
public enum ReadingLevel
{
    /// <summary>In the lecture's own manner.</summary>
    AsSaid,

    /// <summary>Short sentences of plain words.</summary>
    Plain,

    /// <summary>Dense, for somebody of the field.</summary>
    Expert,
}

/// <summary>A wish for study material that a model writes.</summary>
/// <param name="Words">About how many words, of the whole.</param>
/// <param name="Instructions">The person's own words on how to write; null for none.</param>
public sealed record StudyWish(WrittenForm Form, int Words, ReadingLevel Level, string? Instructions)
{
    /// <summary>Fewer or more words make no sheet.</summary>
    public const int FewestWords = 40, MostWords = 2_000;
}
