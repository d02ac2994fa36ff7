using Kostel.Core.Study.Statements;
using Kostel.Core.Text;

namespace Kostel.Core.Tests.Study;

public class ContractedBeingTests
{
    [Theory]
    [InlineData("it's full", true)]
    [InlineData("they're heavy", true)]
    [InlineData("wing's a", true)]
    [InlineData("cellar's nearly", true)]
    [InlineData("ferry's two", true)]
    [InlineData("miller's wheel", false)]
    [InlineData("it's got", false)]
    [InlineData("they're", false)]
    [InlineData("wings a", false)]
    public void A_verb_that_hangs_on_a_word_is_told_from_an_owner(string words, bool isOne) => Assert.Equal(isOne, ContractedBeing.EndsWithOne(Tokens.Of(words), 0));
}
