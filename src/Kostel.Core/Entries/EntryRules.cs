namespace Kostel.Core.Entries;

/// <summary>The lengths of all that a person enters. Wide enough for every honest use, and small enough that no page has to show a book in a line (judgements).</summary>
public static class EntryRules
{
    /// <summary>A lecture's title.</summary>
    public static readonly EntryRule Title = new("A title", 200, Required: true);

    /// <summary>A course's name; empty for a lecture that belongs to none.</summary>
    public static readonly EntryRule Course = new("The name of a course", 100);

    /// <summary>A question put to a lecture.</summary>
    public static readonly EntryRule Question = new("A question", 500, Required: true);

    /// <summary>What a thread of questions is called.</summary>
    public static readonly EntryRule ThreadName = new("The name of a thread", 500, Required: true);

    /// <summary>What a card asks, and what it answers.</summary>
    public static readonly EntryRule CardSide = new("A side of a card", 2_000, Required: true);

    /// <summary>What a sheet is called.</summary>
    public static readonly EntryRule SheetName = new("The name of a sheet", 200, Required: true);

    /// <summary>What a set of study material is called.</summary>
    public static readonly EntryRule SetName = new("The name of a set", 60, Required: true);

    /// <summary>A heading on a sheet.</summary>
    public static readonly EntryRule SheetHeading = new("A heading", 300);

    /// <summary>A cell of a line of a sheet.</summary>
    public static readonly EntryRule SheetCell = new("A line of a sheet", 5_000);

    /// <summary>A note at a place of a lecture.</summary>
    public static readonly EntryRule Note = new("A note", 5_000);

    /// <summary>A label of one's own on a passage.</summary>
    public static readonly EntryRule Label = new("A label", 60, Required: true);

    /// <summary>What was learned of something unclear.</summary>
    public static readonly EntryRule Learned = new("What you learned", 5_000);

    /// <summary>The words that a mark stands on.</summary>
    public static readonly EntryRule MarkedWords = new("The marked words", 100_000);

    /// <summary>A passage of a transcript.</summary>
    public static readonly EntryRule Passage = new("A passage", 100_000);

    /// <summary>A phrase to look for.</summary>
    public static readonly EntryRule Phrase = new("What to look for", 200, Required: true);

    /// <summary>What to look for in the library; nothing finds nothing.</summary>
    public static readonly EntryRule Search = new("What to look for", 500);

    /// <summary>What is written in a phrase's place; empty to take it away.</summary>
    public static readonly EntryRule Replacement = new("What to write instead", 200);

    /// <summary>An address, a key or the name of a model of a service.</summary>
    public static readonly EntryRule ServiceField = new("An address, a key or a model's name", 2_000);

    /// <summary>What instructions on how to write are called.</summary>
    public static readonly EntryRule InstructionsName = new("The name of instructions", 60, Required: true);

    /// <summary>Instructions on how to write.</summary>
    public static readonly EntryRule Instructions = new("Instructions", 1_000, Required: true);

    /// <summary>What a person calls a recogniser of their own.</summary>
    public static readonly EntryRule ModelName = new("The name of a recogniser", 60, Required: true);

    /// <summary>A list of terms, as text: far more than the longest one; a larger text is some other file.</summary>
    public static readonly EntryRule TermList = new("A list of terms", 4_000_000);
}
