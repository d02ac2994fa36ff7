using Kostel.Core.Study.Sheets;

namespace Kostel.Core.Study.Routines;

/// <summary>What is made of a lecture in one go, kept by a name.</summary>
/// <param name="Name">What the person calls it.</param>
/// <param name="Summary">Whether a summary is made.</param>
/// <param name="Cards">Whether cards are made.</param>
/// <param name="Quiz">Whether a quiz is made.</param>
/// <param name="Sheets">Which sheets are made; null for none.</param>
public sealed record StudySet(string Name, bool Summary, bool Cards, bool Quiz, IReadOnlyList<SheetForm>? Sheets = null)
{
    /// <summary>Whether nothing is made.</summary>
    public bool MakesNothing() => !Summary && !Cards && !Quiz && Sheets is not { Count: > 0 };
}
