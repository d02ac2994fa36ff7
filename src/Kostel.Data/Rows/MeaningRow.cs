namespace Kostel.Data.Rows;

/// <summary>What a lecture's passages mean, as directions in the word vectors: worked out from its text, and anew where that has another version.</summary>
public sealed class MeaningRow
{
    public required string LectureId { get; set; }

    /// <summary>Of the text that they were worked out from.</summary>
    public int TextVersion { get; set; }

    /// <summary>Which word vectors they are of: how many, of how many numbers.</summary>
    public required string Table { get; set; }

    /// <summary>The keys of the passages, a line each.</summary>
    public required string Keys { get; set; }

    /// <summary>A byte a number.</summary>
    public required byte[] Directions { get; set; }
}
