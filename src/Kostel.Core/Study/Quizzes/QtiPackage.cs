using System.Globalization;
using System.Xml.Linq;

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
        var choices = question.Content.Choices;
        return new XElement(
            Qti + "qti-assessment-item",
            new XAttribute("identifier", name), new XAttribute("title", Clean(question.Content.Stem)), new XAttribute("adaptive", "false"), new XAttribute("time-dependent", "false"),
            new XElement(
                Qti + "qti-response-declaration",
                new XAttribute("identifier", "RESPONSE"), new XAttribute("cardinality", "single"), new XAttribute("base-type", "identifier"),
                new XElement(Qti + "qti-correct-response", new XElement(Qti + "qti-value", Letter(question.Content.Key)))),
            new XElement(
                Qti + "qti-outcome-declaration",
                new XAttribute("identifier", "SCORE"), new XAttribute("cardinality", "single"), new XAttribute("base-type", "float"),
                new XElement(Qti + "qti-default-value", new XElement(Qti + "qti-value", "0"))),
            new XElement(
                Qti + "qti-item-body",
                new XElement(
                    Qti + "qti-choice-interaction",
                    new XAttribute("response-identifier", "RESPONSE"), new XAttribute("shuffle", "true"), new XAttribute("max-choices", "1"),
                    new XElement(Qti + "qti-prompt", Clean(question.Content.Stem)),
                    choices.Select((c, i) => new XElement(Qti + "qti-simple-choice", new XAttribute("identifier", Letter(i)), Clean(c))))),
            new XElement(Qti + "qti-response-processing", new XAttribute("template", MatchCorrect)));
    }

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

    private static string Letter(int i) => $"choice-{(char)('a' + i)}";

    /// <summary>Signs that XML has no place for would make the file unreadable.</summary>
    private static string Clean(string text) => string.Concat(text.Select(c => System.Xml.XmlConvert.IsXmlChar(c) || char.IsSurrogate(c) ? c : ' '));
}
