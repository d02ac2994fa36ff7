using Kostel.Core.Study.Written;
using Kostel.Core.Text;

namespace Kostel.Core.Study.Sheets;

/// <summary>What sheets are called until a person calls them otherwise.</summary>
public static class SheetNames
{
    /// <summary>The name of a form.</summary>
    public static string Of(SheetForm form) => form switch
    {
        SheetForm.Points => "Key points",
        SheetForm.Outline => "Outline",
        SheetForm.Cues => "Cue notes",
        SheetForm.Terms => "Terms",
        SheetForm.Numbers => "Numbers",
        SheetForm.Steps => "Steps",
        SheetForm.Tasks => "Dates and tasks",
        SheetForm.Comparison => "Comparison",
        SheetForm.Course => "The course on a sheet",
        _ => "My sheet",
    };

    /// <summary>The name of a sheet that was made.</summary>
    public static string Of(SheetForm form, Sheet made) => made.Compared is [var one, var other] ? $"{WordForms.Capital(one)} and {other}" : Of(form);

    /// <summary>The name of what a model writes.</summary>
    public static string Of(WrittenForm form) => form switch
    {
        WrittenForm.Terms => "Terms, written out",
        WrittenForm.Questions => "Questions, written out",
        _ => "Points, written out",
    };
}
