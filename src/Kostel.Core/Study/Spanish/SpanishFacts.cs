using System.Text.RegularExpressions;
using Kostel.Core.Study.Facts;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Spanish;

/// <summary>What a Spanish sentence states in a form that can be asked about.</summary>
internal enum SpanishForm
{
    /// <summary>"… se llama nacimiento."</summary>
    Name,

    /// <summary>"Un río es una corriente …"</summary>
    Meaning,

    /// <summary>"… porque …"</summary>
    Reason,

    /// <summary>"… más de 1000 metros …"</summary>
    Number,
}

/// <summary>A fact to be asked about.</summary>
/// <param name="Front">The question, or the sentence with a gap.</param>
/// <param name="Answer">Without a full stop.</param>
/// <param name="Term">The term that is named or explained; null for none.</param>
/// <param name="Unit">What is counted; null for what is no number.</param>
internal sealed record SpanishFact(SpanishForm Form, string Front, string Answer, Sentence Sentence, string? Term = null, string? Unit = null);

/// <summary>Finds the sentences of a Spanish lecture that name, explain, reason or measure, by their form: what has another one is not asked about.</summary>
internal static partial class SpanishFacts
{
    private const int LongestTerm = 5, ShortestMeaning = 3;

    private static readonly HashSet<string> NoTerms = ["problema", "resultado", "pregunta", "razón", "idea", "cosa", "momento", "importante", "primero", "segundo", "siguiente", "objetivo", "diferencia", "mayoría", "cuestión", "ejemplo", "verdad", "resto", "otro", "mejor", "peor"];

    /// <summary>The fact of a sentence; null where it has none of these forms, or cannot be understood by itself.</summary>
    public static SpanishFact? Find(Sentence sentence)
    {
        if (!SpanishSentence.StandsAlone(sentence))
        {
            return null;
        }

        var text = sentence.Text.TrimEnd('.');
        return Name(text, sentence) ?? Meaning(text, sentence) ?? Reason(text, sentence) ?? Number(text, sentence);
    }

    /// <summary>The facts of a lecture in order.</summary>
    public static IReadOnlyList<SpanishFact> Of(IReadOnlyList<Sentence> sentences) => sentences.Select(Find).OfType<SpanishFact>().ToList();

    private static SpanishFact? Name(string text, Sentence sentence)
    {
        if (Naming().Match(text) is not { Success: true } m || !IsTerm(m.Groups["term"].Value))
        {
            return null;
        }

        // "A la subida del agua se le llama pleamar" asks for the name of "la subida del agua".
        var what = m.Groups["what"].Value;
        what = what.StartsWith("A ", StringComparison.Ordinal) ? what[2..] : what.StartsWith("Al ", StringComparison.Ordinal) ? "el " + what[3..] : Small(what);
        var verb = m.Groups["verb"].Value.EndsWith('n') ? "llaman" : "llama";
        return new SpanishFact(SpanishForm.Name, $"¿Cómo se {verb} {what}?", Capital(m.Groups["term"].Value), sentence, m.Groups["term"].Value);
    }

    private static SpanishFact? Meaning(string text, Sentence sentence)
    {
        var m = Explaining().Match(text);
        if (m.Success && IsTerm(m.Groups["term"].Value) && Tokens.Of(m.Groups["meaning"].Value).Count >= ShortestMeaning)
        {
            var term = m.Groups["term"].Value;
            return new SpanishFact(SpanishForm.Meaning, $"¿Qué {m.Groups["verb"].Value} {Small(m.Groups["art"].Value + term)}?", Capital(m.Groups["meaning"].Value), sentence, term);
        }

        m = Signifying().Match(text);
        return m.Success && IsTerm(m.Groups["term"].Value) ? new SpanishFact(SpanishForm.Meaning, $"¿Qué significa {Small(m.Groups["art"].Value + m.Groups["term"].Value)}?", Capital(m.Groups["meaning"].Value), sentence, m.Groups["term"].Value) : null;
    }

    private static SpanishFact? Reason(string text, Sentence sentence)
    {
        var m = Because().Match(text);
        return m.Success && !m.Groups["what"].Value.StartsWith("No ", StringComparison.Ordinal) && Tokens.Of(m.Groups["why"].Value).Count >= ShortestMeaning
            ? new SpanishFact(SpanishForm.Reason, $"{m.Groups["what"].Value}. ¿Por qué?", "Porque " + m.Groups["why"].Value, sentence)
            : null;
    }

    private static SpanishFact? Number(string text, Sentence sentence)
    {
        var found = Measured().Matches(text);
        if (found.Count is 0 or > 2)
        {
            return null;
        }

        var m = found[^1];
        var left = $"{text[..m.Groups["n"].Index]}____{text[(m.Groups["n"].Index + m.Groups["n"].Length)..]}.";
        return SpanishSentence.ContentWords(left).Count < 3 ? null : new SpanishFact(SpanishForm.Number, left, m.Groups["n"].Value, sentence, Unit: m.Groups["unit"].Value.ToLowerInvariant());
    }

    private static bool IsTerm(string term) => Tokens.Of(term) is { Count: >= 1 and <= LongestTerm } words && !words.Any(NoTerms.Contains) && !words.Any(w => w is "que" or "cuando" or "no" or "más" or "lo");

    private static string Capital(string text) => text.Length == 0 ? text : char.ToUpperInvariant(text[0]) + text[1..];

    private static string Small(string text) => text.Length == 0 ? text : char.ToLowerInvariant(text[0]) + text[1..];

    private const string Article = "(?<art>(?:El|La|Los|Las|Un|Una) )";

    private const string Naming1 = @"^(?<what>(?:El|La|Los|Las|A|Al|Un|Una) [^,;:]{6,90}?) se (?:le |les )?";

    private const string Naming2 = @"(?<verb>llaman?|denominan?|conocen? como) (?:el |la |los |las )?(?<term>[\p{L} \-]{3,40})$";

    [GeneratedRegex(Naming1 + Naming2)]
    private static partial Regex Naming();

    private const string Thing = "(?:el|la|los|las|un|una|unos|unas|aquel|aquella|cualquier|lo que) ";

    [GeneratedRegex("^" + Article + @"(?<term>[\p{L} \-]{3,40}?) (?<verb>es|son) (?<meaning>" + Thing + "[^:]{10,180})$")]
    private static partial Regex Explaining();

    [GeneratedRegex("^" + Article + @"?(?<term>[\p{L} \-]{3,40}?) significa (?<meaning>[^:]{6,160})$")]
    private static partial Regex Signifying();

    [GeneratedRegex(@"^(?<what>[^:;]{12,120}?),? porque (?<why>[^:;]{8,140})$")]
    private static partial Regex Because();

    private const string NumberWord = "(?:dos|tres|cuatro|cinco|seis|siete|ocho|nueve|diez|once|doce|trece|catorce|quince|dieci[a-zé]+|veinte|veinti[a-zéó]+|treinta|cuarenta|cincuenta|sesenta|setenta|ochenta|noventa|cien|ciento|[a-z]+cient[oa]s|quinient[oa]s|mil)";

    private const string Amount = @"(?<n>\d[\d.,]*(?<=\d)|" + NumberWord + "(?: (?:y )?" + NumberWord + ")*)";

    [GeneratedRegex(@"(?<![\p{L}\d.,])" + Amount + @" ?(?<unit>%|(?<![\p{L}])[\p{L}]{1,14})(?=$|[ ,.;:)])")]
    private static partial Regex Measured();
}
