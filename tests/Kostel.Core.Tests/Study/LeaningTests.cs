using Kostel.Core.Study.Facts;
using Kostel.Core.Study.Statements;

namespace Kostel.Core.Tests.Study;

public sealed class LeaningTests
{
    [Theory]
    [InlineData("Those who owe money gain by it in the end.", false)]
    [InlineData("Those of copper last for forty years.", false)]
    [InlineData("Those last for forty years.", true)]
    [InlineData("There's a little muscle behind the drum.", false)]
    [InlineData("There's that as well.", true)]
    [InlineData("The office asks households to keep a book, and of these books the basket is made.", false)]
    [InlineData("The office asks households to keep a diary, and of these books the basket is made.", true)]
    [InlineData("Lime sinks in, and this takes years.", true)]
    [InlineData("It sinks in within a year.", true)]
    public void A_statement_leans_on_what_was_said_before_or_says_it_itself(string text, bool leans) => Assert.Equal(leans, Statement.Leans(Lecture.Sentence(text)));

    [Theory]
    [InlineData("The other thing is that the first vote nearly always decides.", "The first vote nearly always decides.")]
    [InlineData("And the thing is that rye has hardly any gluten.", "Rye has hardly any gluten.")]
    [InlineData("The other thing is a bucket of clean sand.", "The other thing is a bucket of clean sand.")]
    public void What_only_leads_in_is_left_out(string said, string left)
    {
        var sentence = Lecture.Sentence(said);
        Assert.Equal(left, LeadIns.Without(sentence, 0, sentence.Words.Count).Text);
    }

    [Theory]
    [InlineData(1, true)]
    [InlineData(0.95, false)]
    public void A_letter_by_itself_is_in_place_where_a_person_wrote_it(double confidence, bool isHeardWell) =>
        Assert.Equal(isHeardWell, QuotableSentence.IsHeardWell(Lecture.Sentence("Money M times its velocity V is what is paid.", confidence)));
}
