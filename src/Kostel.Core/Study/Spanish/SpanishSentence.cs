using Kostel.Core.Study.Facts;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Spanish;

/// <summary>What can be told of a Spanish sentence by its words alone. Lists of words are common practice, no source.</summary>
internal static class SpanishSentence
{
    private const int Shortest = 5, Longest = 32;

    private static readonly HashSet<string> StopWords = Of(
        """
        a al algo algún alguna algunas alguno algunos ante antes aquel aquella aquellas aquello aquellos aquí así aún aunque bajo bastante bien cada casi como con contra cosa cosas cual cuales cualquier cuando cuanto de del desde
        después donde dos durante e el él ella ellas ello ellos en entre era eran es esa esas ese eso esos esta está están estas este esto estos fue fueron ha había hace hacen hacer hacia han hasta hay incluso ir la las le les lo
        los luego mal más mas me mediante menos mi mientras mis mismo misma mismos mucha muchas mucho muchos muy nada ni no nos nosotros nuestra nuestro nunca o os otra otras otro otros para parte pero poca pocas poco pocos por
        porque pues puede pueden que qué quien quienes se sea según ser si sí siempre sin sino sobre solo sólo son su sus suele suelen también tampoco tan tanto te tiene tienen toda todas todavía todo todos tras tres tu tus u un una
        unas uno unos usted ustedes va van vez veces y ya yo
        """);

    private static readonly HashSet<string> Pointing = Of("esto eso este esta estos estas ese esa esos esas aquello aquel aquella él ella ellos ellas ello aquí allí ahí así también además entonces luego después antes ahora otro otra otros otras su sus lo le les se y pero o por como donde si primero segundo tercero");

    private static readonly HashSet<string> OfTheOccasion = Of("yo mi mis me nosotros nos nuestro nuestra vamos veremos vimos hoy mañana ayer ustedes vosotros usted gracias hola buenas clase clases examen lección lecciones ejemplo hablamos hablaremos digo dije creo quiero esto eso aquello");

    /// <summary>Whether it is understood by itself and was heard well.</summary>
    public static bool StandsAlone(Sentence sentence)
    {
        var words = Tokens.Of(sentence.Text);
        return words.Count is >= Shortest and <= Longest && sentence.Text.EndsWith('.') && QuotableSentence.IsHeardWell(sentence) && !Pointing.Contains(words[0]) && !words.Any(OfTheOccasion.Contains)
            && !sentence.Words.SkipLast(1).Any(w => w.Text[^1] is '.' or '?' or '!');
    }

    /// <summary>Its words that say something, several as one.</summary>
    public static IReadOnlyList<string> ContentWords(string text) => Tokens.Of(text).Where(w => w.Length > 2 && !StopWords.Contains(w)).Select(Single).ToList();

    private static string Single(string word) => word.Length > 5 && word.EndsWith("es", StringComparison.Ordinal) ? word[..^2] : word.Length > 4 && word.EndsWith('s') ? word[..^1] : word;

    private static HashSet<string> Of(string words) => [.. words.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries)];
}
