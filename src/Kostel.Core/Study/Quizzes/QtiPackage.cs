using System.Globalization;
using System.Xml.Linq;
using Kostel.Core.Text;

namespace Kostel.Core.Study.Quizzes;

/// <summary>A file of a package.</summary>
public sealed record PackageFile(string Name, string Content);

/// <summary>
/// A quiz as a package of questions that learning platforms read (1EdTech, Question and Test Interoperability 3.0, with a manifest of Content Packaging): an item a question, a test over
/// them all. Names of elements and addresses of the specification are written from memory; its schema was not to be had from the registries, so well-formedness and references are checked instead.
/// </summary>
public static class QtiPackage
{
    private const string Items = "http://www.imsglobal.org/xsd/imsqtiasi_v3p0", Packaging = "http://www.imsglobal.org/xsd/qti/qtiv3p0/imscp_v1p1";
    private const string MatchCorrect = "https://purl.imsglobal.org/spec/qti/v3p0/rptemplates/match_correct.xml";
    private const string MapResponse = "https://purl.imsglobal.org/spec/qti/v3p0/rptemplates/map_response.xml", Response = "RESPONSE";
    private static readonly XNamespace Qti = Items, Cp = Packaging;

    /// <summary>The files of the package.</summary>
    public static IReadOnlyList<PackageFile> Write(string title, IReadOnlyList<QuestionDraft> questions) =>
    [
        new("imsmanifest.xml", Text(Manifest(questions.Count))),
        new("test.xml", Text(Test(title, questions.Count))),
        .. questions.Select((q, i) => new PackageFile($"items/{Name(i)}.xml", Text(Item(Name(i), q)))),
    ];

    private static string Name(int i) => string.Create(CultureInfo.InvariantCulture, $"question-{i + 1}");

    private static string Text(XElement root) => new XDeclaration("1.0", "UTF-8", null) + "\n" + root;

    private static XElement Item(string name, QuestionDraft question)
    {
        var asks = question.Content;
        var (cardinality, type) = asks switch
        {
            SeveralQuestion => ("multiple", "identifier"),
            OrderQuestion => ("ordered", "identifier"),
            MatchQuestion => ("multiple", "directedPair"),
            WrittenQuestion => ("single", "string"),
            _ => ("single", "identifier"),
        };
        return new XElement(
            Qti + "qti-assessment-item",
            new XAttribute("identifier", name), new XAttribute("title", Clean(asks.Stem)), new XAttribute("adaptive", "false"), new XAttribute("time-dependent", "false"),
            new XElement(
                Qti + "qti-response-declaration",
                new XAttribute("identifier", Response), new XAttribute("cardinality", cardinality), new XAttribute("base-type", type),
                new XElement(Qti + "qti-correct-response", Right(asks).Select(v => new XElement(Qti + "qti-value", v))),
                asks is WrittenQuestion written ? Accepted(written) : null),
            new XElement(
                Qti + "qti-outcome-declaration",
                new XAttribute("identifier", "SCORE"), new XAttribute("cardinality", "single"), new XAttribute("base-type", "float"),
                new XElement(Qti + "qti-default-value", new XElement(Qti + "qti-value", "0"))),
            new XElement(Qti + "qti-item-body", Body(asks)),
            new XElement(Qti + "qti-response-processing", new XAttribute("template", asks is WrittenQuestion ? MapResponse : MatchCorrect)));
    }

    private static IEnumerable<string> Right(QuestionContent asks) => asks switch
    {
        WrittenQuestion written => [Clean(written.Answer)],
        MatchQuestion match => match.Pairs.Select((p, i) => $"{Letter(i)} {Partner(p)}"),
        _ => asks.Solution.Chosen.Select(Letter),
    };

    /// <summary>What is written is compared letter by letter there: as it was said, in figures, the number alone, and in other words that say the same.</summary>
    private static XElement Accepted(WrittenQuestion asks)
    {
        var said = Clean(asks.Answer);
        var figures = string.Join(' ', NumberWords.ToDigits(Tokens.Of(said)));
        var number = asks is NumberQuestion && NumberAnswer.Read(said).Value is { } value ? value.ToString("0.######", CultureInfo.InvariantCulture) : said;
        return new XElement(
            Qti + "qti-mapping",
            new XAttribute("default-value", "0"),
            new[] { said, figures, number }.Concat((asks.Also ?? []).Select(Clean)).Distinct(StringComparer.OrdinalIgnoreCase).Select(w => new XElement(Qti + "qti-map-entry", new XAttribute("map-key", w), new XAttribute("mapped-value", "1"), new XAttribute("case-sensitive", "false"))));
    }

    private static object[] Body(QuestionContent asks) => asks switch
    {
        WrittenQuestion =>
        [
            new XElement(Qti + "p", Clean(asks.Stem)),
            new XElement(Qti + "p", new XElement(Qti + "qti-text-entry-interaction", new XAttribute("response-identifier", Response), new XAttribute("expected-length", "40"))),
        ],
        MatchQuestion match =>
        [
            new XElement(
                Qti + "qti-match-interaction",
                new XAttribute("response-identifier", Response), new XAttribute("shuffle", "true"), new XAttribute("max-associations", match.Items.Count),
                new XElement(Qti + "qti-prompt", Clean(asks.Stem)),
                new XElement(Qti + "qti-simple-match-set", match.Items.Select((t, i) => Associable(Letter(i), t))),
                new XElement(Qti + "qti-simple-match-set", match.Partners.Select((t, i) => Associable(Partner(i), t)))),
        ],
        _ =>
        [
            new XElement(
                Qti + (asks is OrderQuestion ? "qti-order-interaction" : "qti-choice-interaction"),
                new XAttribute("response-identifier", Response), new XAttribute("shuffle", "true"),
                asks is OrderQuestion ? null : new XAttribute("max-choices", asks is SeveralQuestion ? "0" : "1"),
                new XElement(Qti + "qti-prompt", Clean(asks.Stem)),
                asks.Shown.Select((c, i) => new XElement(Qti + "qti-simple-choice", new XAttribute("identifier", Letter(i)), Clean(c)))),
        ],
    };

    private static XElement Associable(string name, string text) => new(Qti + "qti-simple-associable-choice", new XAttribute("identifier", name), new XAttribute("match-max", "1"), Clean(text));

    private static XElement Test(string title, int count) => new(
        Qti + "qti-assessment-test",
        new XAttribute("identifier", "quiz"), new XAttribute("title", Clean(title)),
        new XElement(
            Qti + "qti-test-part",
            new XAttribute("identifier", "part"), new XAttribute("navigation-mode", "nonlinear"), new XAttribute("submission-mode", "simultaneous"),
            new XElement(
                Qti + "qti-assessment-section",
                new XAttribute("identifier", "section"), new XAttribute("title", Clean(title)), new XAttribute("visible", "true"),
                Enumerable.Range(0, count).Select(i => new XElement(Qti + "qti-assessment-item-ref", new XAttribute("identifier", Name(i)), new XAttribute("href", $"items/{Name(i)}.xml"))))));

    private static XElement Manifest(int count) => new(
        Cp + "manifest",
        new XAttribute("identifier", "kostel-quiz"),
        new XElement(Cp + "metadata", new XElement(Cp + "schema", "QTI Package"), new XElement(Cp + "schemaversion", "3.0.0")),
        new XElement(Cp + "organizations"),
        new XElement(
            Cp + "resources",
            new XElement(
                Cp + "resource",
                new XAttribute("identifier", "test"), new XAttribute("type", "imsqti_test_xmlv3p0"), new XAttribute("href", "test.xml"),
                new XElement(Cp + "file", new XAttribute("href", "test.xml")),
                Enumerable.Range(0, count).Select(i => new XElement(Cp + "dependency", new XAttribute("identifierref", Name(i))))),
            Enumerable.Range(0, count).Select(i => new XElement(
                Cp + "resource",
                new XAttribute("identifier", Name(i)), new XAttribute("type", "imsqti_item_xmlv3p0"), new XAttribute("href", $"items/{Name(i)}.xml"),
                new XElement(Cp + "file", new XAttribute("href", $"items/{Name(i)}.xml"))))));

    private static string Partner(int i) => $"partner-{(char)('a' + i)}";

    private static string Letter(int i) => $"choice-{(char)('a' + i)}";

    /// <summary>Signs that XML has no place for would make the file unreadable.</summary>
    private static string Clean(string text) => string.Concat(text.Select(c => System.Xml.XmlConvert.IsXmlChar(c) || char.IsSurrogate(c) ? c : ' '));
}
