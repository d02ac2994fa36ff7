using System.Text.RegularExpressions;

namespace Kostel.Core.Study.Statements;

/// <summary>What speakers put into a sentence without adding to it: ", let's say, …". Common practice, no source.</summary>
internal static partial class Asides
{
    /// <summary>The text without them; no number, denial or condition is among them.</summary>
    public static string Without(string text) => Sounds().Replace(Put().Replace(text, " "), " ");

    private const string Phrases = "let's say|i mean|you know|you see|right|of course|er|um|uh|hmm|remember|if you like|as i said|as you know|as we saw|funnily enough|mind you|sort of|so to speak|as it were|by the way|i think|i suppose|believe me";

    [GeneratedRegex($", (?:(?:{Phrases}), )+", RegexOptions.IgnoreCase)]
    private static partial Regex Put();

    [GeneratedRegex(@" (?:er|um|uh|hmm),? ", RegexOptions.IgnoreCase)]
    private static partial Regex Sounds();
}
