using System.Globalization;
using Kostel.Core.Problems;

namespace Kostel.Core.Entries;

/// <summary>How long a text may be that a person enters.</summary>
/// <param name="What">What it is, as it begins a sentence: "A title".</param>
/// <param name="Most">Characters that it may have, without white space around it.</param>
/// <param name="Required">Whether it must have any.</param>
public sealed record EntryRule(string What, int Most, bool Required = false)
{
    /// <summary>The text without white space around it and without control characters other than line breaks and tabs.</summary>
    /// <param name="text">What was entered; null is an empty text.</param>
    /// <exception cref="NotValidException">It is empty where it must not be, or too long.</exception>
    public string Read(string? text)
    {
        var clean = (text is not null && text.Any(IsStray) ? string.Concat(text.Where(c => !IsStray(c))) : text ?? "").Trim();
        if (Required && clean.Length == 0)
        {
            throw new NotValidException($"{What} cannot be empty.");
        }

        return clean.Length <= Most ? clean : throw new NotValidException($"{What} can have up to {Most.ToString("#,0", CultureInfo.InvariantCulture)} characters.");
    }

    private static bool IsStray(char c) => char.IsControl(c) && c is not ('\n' or '\t');
}
