using System.Xml.Linq;
using Kostel.Core.Study.Quizzes;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Study;

public sealed class QtiPackageTests
{
    private static readonly IReadOnlyList<QuestionDraft> Quiz =
    [
        new(new ChoiceQuestion("What is a tide with a <large> range called?", ["Neap tide", "Spring tide", "Slack & stand"], 1), new Evidence("p1", 0, 1_000, "A spring tide …")),
        new(new ChoiceQuestion("How\u0001 often?", ["Once", "Twice", "Never"], 1), new Evidence("p2", 2_000, 3_000, "Twice.")),
    ];

    [Fact]
    public void Every_file_is_well_formed_and_everything_that_is_referred_to_is_there()
    {
        var files = QtiPackage.Write("Tides & streams", Quiz).ToDictionary(f => f.Name, f => XDocument.Parse(f.Content));
        Assert.Equal(["imsmanifest.xml", "items/question-1.xml", "items/question-2.xml", "test.xml"], files.Keys.Order());
        var named = files["imsmanifest.xml"].Descendants().Where(e => e.Name.LocalName is "file" or "resource").Select(e => e.Attribute("href")!.Value).Concat(files["test.xml"].Descendants().Where(e => e.Name.LocalName == "qti-assessment-item-ref").Select(e => e.Attribute("href")!.Value));
        Assert.All(named, n => Assert.True(files.ContainsKey(n), n));
        var ids = files["imsmanifest.xml"].Descendants().Where(e => e.Name.LocalName == "resource").Select(e => e.Attribute("identifier")!.Value).ToHashSet();
        Assert.All(files["imsmanifest.xml"].Descendants().Where(e => e.Name.LocalName == "dependency"), d => Assert.Contains(d.Attribute("identifierref")!.Value, ids));
    }

    [Fact]
    public void An_item_has_its_stem_its_choices_and_one_key_that_is_a_choice()
    {
        var item = XDocument.Parse(QtiPackage.Write("Tides", Quiz)[2].Content);
        var choices = item.Descendants().Where(e => e.Name.LocalName == "qti-simple-choice").ToDictionary(e => e.Attribute("identifier")!.Value, e => e.Value);
        var key = Assert.Single(item.Descendants(), e => e.Name.LocalName == "qti-correct-response").Value;
        Assert.Equal("Spring tide", choices[key]);
        Assert.Equal(3, choices.Count);
        Assert.Equal("What is a tide with a <large> range called?", Assert.Single(item.Descendants(), e => e.Name.LocalName == "qti-prompt").Value);
    }
}
