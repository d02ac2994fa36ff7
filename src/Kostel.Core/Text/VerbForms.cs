namespace Kostel.Core.Text;

/// <summary>Forms of English verbs.</summary>
internal static class VerbForms
{
    /// <summary>"make" makes "making", "cut" "cutting".</summary>
    public static string Gerund(string verb)
    {
        static bool IsVowel(char c) => "aeiou".Contains(c);
        var doubles = verb.Length is 3 or 4 && !IsVowel(verb[^1]) && IsVowel(verb[^2]) && !IsVowel(verb[^3]) && verb[^1] is not ('w' or 'x' or 'y');
        return verb.EndsWith("ie", StringComparison.Ordinal) ? verb[..^2] + "ying"
            : verb.EndsWith('e') && !verb.EndsWith("ee", StringComparison.Ordinal) ? verb[..^1] + "ing"
            : doubles ? verb + verb[^1] + "ing" : verb + "ing";
    }

    /// <summary>"turn" makes "turns", "carry" "carries".</summary>
    public static string ThirdPerson(string verb) =>
        verb is "have" ? "has" : verb is "be" ? "is"
        : verb.EndsWith('y') && verb.Length > 1 && !"aeiou".Contains(verb[^2]) ? verb[..^1] + "ies"
        : verb.EndsWith('s') || verb.EndsWith("sh", StringComparison.Ordinal) || verb.EndsWith("ch", StringComparison.Ordinal) || verb.EndsWith('x') || verb.EndsWith('o') ? verb + "es"
        : verb + "s";

    /// <summary>"turn" makes "turned", "take" "took".</summary>
    public static string Past(string verb) =>
        IrregularForms.PastOf(verb) is { } irregular ? irregular
        : verb.EndsWith('e') ? verb + "d"
        : verb.EndsWith('y') && verb.Length > 1 && !"aeiou".Contains(verb[^2]) ? verb[..^1] + "ied"
        : Gerund(verb)[..^3] + "ed";

    /// <summary>"turns" makes "turn", "carries" "carry": the form in which a dictionary has it.</summary>
    public static string FromThirdPerson(string verb) =>
        verb is "has" ? "have" : verb is "is" ? "be"
        : verb.EndsWith("ies", StringComparison.Ordinal) && verb.Length > 4 ? verb[..^3] + "y"
        : EndsInHiss(verb) || verb.EndsWith("oes", StringComparison.Ordinal) ? verb[..^2]
        : verb[..^1];

    private static bool EndsInHiss(string verb) => verb.EndsWith("shes", StringComparison.Ordinal) || verb.EndsWith("ches", StringComparison.Ordinal) || verb.EndsWith("xes", StringComparison.Ordinal) || verb.EndsWith("sses", StringComparison.Ordinal);
}
