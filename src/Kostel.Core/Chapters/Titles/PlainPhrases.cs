using Kostel.Core.Study.Facts;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Chapters.Titles;

/// <summary>Phrases by the words between which they stand, where nothing is known of the kinds of words: of English without a lexicon, and of Spanish.</summary>
internal sealed class PlainPhrases(string language)
{
    private const int LongestRun = 3, ShortestWord = 4;

    private static readonly HashSet<string> SpanishStops = [.. """
        a al algo alguna algunas alguno algunos ante antes aquel aquella aquello aquí así aun aunque bajo bien cada casi como cómo con contra cosa cosas cual cuál
        cuales cualquier cuando cuándo cuanto cuánto de del desde después donde dónde dos durante e el él ella ellas ellos empecemos en entonces entre era eran es esa esas
        ese eso esos esta está están estamos estar estas este esto estos fue fueron gracias ha había hace hacen hacer hacia han hasta hay haya he hemos hora horas hoy igual
        la las le les lo los luego más mañana mejor menos menor mayor mi mí mientras mil mismo misma mucha muchas mucho muchos muy nada ni ningún ninguna no nos nosotros nuestra
        nuestro nunca o os otra otras otro otros para pero poco pocos por porque pues puede pueden podemos que qué quien quién quiere se sea según ser si sí sido siempre sin sino
        sobre son su sus también tan tanto te tenemos tener tiempo tiene tienen toda todas todavía todo todos tres tu un una unas uno unos usted va vamos van veces ver vez veremos
        veamos vemos voy y ya yo buenos días noches tardes clase dice decir digo llama llaman metros grados minutos primera primero segunda segundo tercera tercero última último próxima próximo semana
        """.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries)];

    private bool Stops(string word) => language == "es" ? SpanishStops.Contains(word) || word.Length < ShortestWord || word.Any(char.IsDigit) : EnglishPhrases.SaysNothing(word) || WordForms.IsVerbOrAdverb(word);

    /// <summary>The phrases of a chapter, in the order in which they are said.</summary>
    public IEnumerable<NamingPhrase> Of(IReadOnlyList<Sentence> sentences)
    {
        for (var s = 0; s < sentences.Count; s++)
        {
            var words = sentences[s].Words.Select(w => (w.Text, Tokens: Tokens.Of(w.Text), IsDoubtful: w.Confidence < QuotableSentence.SureEnough)).Where(w => w.Tokens.Count == 1).ToList();
            for (var i = 0; i < words.Count; i++)
            {
                for (var n = 1; n <= LongestRun && i + n <= words.Count; n++)
                {
                    var run = words.GetRange(i, n);
                    if (Stops(run[0].Tokens[0]) || Stops(run[^1].Tokens[0]) || run.Exists(w => w.IsDoubtful) || run.Take(n - 1).Any(w => !char.IsLetterOrDigit(w.Text[^1])) || run.Any(w => Stops(w.Tokens[0]) && w.Tokens[0] is not ("de" or "del" or "of")))
                    {
                        continue;
                    }

                    var named = run.Select(w => w.Text.Trim('.', ',', ';', ':', '!', '?', '¿', '¡', '"', '(', ')')).ToList();
                    yield return new NamingPhrase(string.Join(' ', named), run.Where(w => !Stops(w.Tokens[0])).Select(w => StemOf(w.Tokens[0])).ToList(), s);
                }
            }
        }
    }

    /// <summary>Spanish: singular and plural, masculine and feminine are one.</summary>
    public static string SpanishStem(string word) => word.TrimEnd('s').TrimEnd('e').TrimEnd('a', 'o');

    private string StemOf(string word) => language == "es" ? SpanishStem(word) : Tokens.Stem(word);
}
