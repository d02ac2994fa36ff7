using System.Text.RegularExpressions;
using Kostel.Core.Study.Facts;
using Kostel.Core.Study.Spanish;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Chapters.Titles;

/// <summary>Titles of Spanish chapters: what the beginning and the end are, what is asked, and what is explained. Lists of words are common practice, no source.</summary>
internal static partial class SpanishTitles
{
    private const int FewestWords = 2, MostWords = 8;
    private const double AskedWorth = 1.5;

    private static readonly HashSet<string> Pointing = ["esto", "eso", "este", "ese", "esta", "esa", "estos", "esos", "aquello", "ustedes", "usted", "me", "mi", "te", "tu", "nos", "lo", "les", "aquí", "ahí", "allí", "verdad"];

    /// <summary>The title of a first chapter that greets and says what comes; null for one that is about something.</summary>
    public static string? Opening(IReadOnlyList<Sentence> sentences)
    {
        var greets = sentences.Take(4).Any(s => Greeting().IsMatch(s.Text));
        var plans = sentences.Any(s => Plan().IsMatch(s.Text));
        return !IsMostly(sentences, text => Greeting().IsMatch(text) || Plan().IsMatch(text)) ? null
            : (greets, plans) switch
            {
                (true, true) => "Bienvenida y plan",
                (true, false) => "Bienvenida",
                _ => "De qué trata la clase",
            };
    }

    /// <summary>The title of a last chapter that sums up, sets tasks or says goodbye; null for one that is about something.</summary>
    public static string? Closing(IReadOnlyList<Sentence> sentences)
    {
        if (!IsMostly(sentences, text => Summing().IsMatch(text) || Tasks().IsMatch(text) || Later().IsMatch(text) || Goodbye().IsMatch(text)))
        {
            return null;
        }

        List<string> parts = [.. Part(Summing(), "resumen"), .. Part(Tasks(), "tareas"), .. Part(Later(), "próxima clase")];
        return parts.Count == 0 ? "Despedida" : WordForms.Capital(string.Join(" y ", parts.Take(2)));

        IEnumerable<string> Part(Regex cue, string title) => sentences.Any(s => cue.IsMatch(s.Text)) ? [title] : [];
    }

    /// <summary>What a chapter asks or explains, what tells it best from the others first.</summary>
    public static IEnumerable<string> Of(IReadOnlyList<Sentence> chapter, Func<string, double> weightOf) => chapter
        .Where(s => s.WeakestConfidence >= QuotableSentence.SureEnough)
        .SelectMany(s => Question(s.Text) is { } asked ? [(Title: asked, Times: AskedWorth)] : SpanishFacts.Find(s) is { Form: SpanishForm.Meaning } fact ? [(Title: fact.Front.Trim('¿', '?'), Times: 1)] : Array.Empty<(string Title, double Times)>())
        .Where(t => t.Title.Count(ch => ch == ' ') + 1 is >= FewestWords and <= MostWords)
        .Select(t => (t.Title, Worth: t.Times * SpanishSentence.ContentWords(t.Title).Distinct().Sum(weightOf)))
        .Where(t => t.Worth > 0)
        .OrderByDescending(t => t.Worth)
        .Select(t => t.Title);

    /// <summary>"¿Por qué se forma una nube?": a question has the order of a title. Null for one that points at something.</summary>
    private static string? Question(string text)
    {
        if (AskedWhat().Match(text) is not { Success: true } m)
        {
            return null;
        }

        // Behind what asks, "la" stands for something: "¿Por qué la usamos?"; behind the verb it is an article.
        var words = Tokens.Of(m.Groups["asked"].Value);
        return words.Any(Pointing.Contains) || words.Take(3).Contains("la") ? null : WordForms.Capital(m.Groups["asked"].Value);
    }

    private static bool IsMostly(IReadOnlyList<Sentence> sentences, Func<string, bool> isCue) => EdgeTitles.IsMostly(sentences.Count(s => isCue(s.Text)), sentences.Count);

    private const string Days = "en la clase de hoy|en esta (?:clase|charla|lección)|hoy (?:vamos|veremos|hablaremos|quiero|les)|vamos a (?:hablar|ver|aprender)";

    private const string Sums = "en resumen|para resumir|resumamos|resumiendo|para terminar|para concluir|en conclusión";
    private const string Works = "deberes|tareas?|ejercicios?|traigan|traed|lean|escriban|preparen";
    private const string Next = "próxima (?:clase|semana|vez)|clase que viene|semana que viene";
    private const string Byes = "muchas gracias|gracias a todos|hasta (?:luego|mañana|pronto|la próxima)|adiós";
    private const string Askers = "por qué|qué|cómo|cuándo|dónde|de dónde|cuánt[oa]s?|para qué|de qué|quién";

    [GeneratedRegex(@"\b(?:buenos días|buenas (?:tardes|noches)|bienvenid[oa]s?|hola)\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex Greeting();

    [GeneratedRegex($@"\b(?:{Days})\b|^primero .*\b(?:luego|después)\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex Plan();

    [GeneratedRegex($@"\b(?:{Sums})\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex Summing();

    [GeneratedRegex($@"\b(?:{Works}) \p{{L}}", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex Tasks();

    [GeneratedRegex($@"\bla (?:{Next})\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex Later();

    [GeneratedRegex($@"\b(?:{Byes})\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex Goodbye();

    [GeneratedRegex($@"¿(?:Y|Pero|Entonces)?,? ?(?<asked>(?:{Askers}) [^¿?]+)\?$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex AskedWhat();
}
