using Kostel.Core.Text;

namespace Kostel.Core.Answers;

/// <summary>A word that a question is about.</summary>
/// <param name="Word">As it was asked, in small letters and in the form in which a dictionary has it.</param>
/// <param name="IsPlain">A word of every day, which counts less.</param>
public sealed record AskedWord(string Word, string Stem, bool IsPlain);

/// <summary>The words of a question or of a sentence that answer may hang on: more than those by which a subject is told, for "what must one not forget" asks for forgetting.</summary>
internal static class AskedWords
{
    /// <summary>Words of every day that say nothing of a subject and yet something of what is asked.</summary>
    private static readonly HashSet<string> Plain = [.. """
        almost already always anybody away back begin began best better both done early end enough ever everybody few find first forget give good half keep know last late least long look
        make mean more most need never new next none nobody now often old once only other out over own part people put remember same second see show soon speak stay take talk tell
        think third today together tomorrow try turn under until want way word year work use up down
        """.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries)];

    /// <summary>Each once, in the order in which they stand, with spoken numbers as digits.</summary>
    public static IReadOnlyList<AskedWord> Of(string text) => Of(Tokens.Of(text));

    public static IReadOnlyList<AskedWord> Of(IReadOnlyList<string> words) => All(words).DistinctBy(w => w.Stem).ToList();

    /// <summary>All of them.</summary>
    public static IEnumerable<AskedWord> All(IReadOnlyList<string> words)
    {
        foreach (var word in NumberWords.ToDigits(words))
        {
            var form = IrregularForms.BaseOf(word);
            if (char.IsDigit(word[0]) || !StopWords.Contains(word))
            {
                yield return new AskedWord(form, Tokens.Stem(form), Plain.Contains(form));
            }
            else if (Plain.Contains(form))
            {
                yield return new AskedWord(form, Tokens.Stem(form), IsPlain: true);
            }
        }
    }
}
