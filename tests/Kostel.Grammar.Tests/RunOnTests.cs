using Kostel.Core.Study.Statements;
using Kostel.Core.Transcripts;

namespace Kostel.Grammar.Tests;

/// <summary>What a recogniser ran together with commas is taken apart by the real parser. The sentences are of this test's own.</summary>
public sealed class RunOnTests : IDisposable
{
    private const double Heard = 0.9, Misheard = 0.3;

    private readonly GrammarProcess grammar = new();

    public void Dispose() => grammar.Dispose();

    [Theory]
    [InlineData("The baseline of the the coast is the low mark, where the coast is cut up by bays, straight lines may be drawn.", "Where the coast is cut up by bays, straight lines may be drawn.")]
    [InlineData("The clay of the bank the bank dries out, the roots of the willows break the lining.", "The roots of the willows break the lining.")]
    [InlineData("The miller of the of lock is away, the keeper opens the gate at dawn, and the barges wait for the tide.", "The keeper opens the gate at dawn.")]
    public void A_sentence_begins_where_the_grammar_reads_one_behind_a_comma(string said, string statement) => Assert.Contains(statement, Statements(said));

    [Theory]
    [InlineData("If the rope is wet and the the winch is old, the drum slips on the axle, the crew waits for the morning.", "The crew waits for the morning.")]
    [InlineData("The toll of the the bridge may be halved by the clerk, unless the river is in flood.", "The toll of the the bridge may be halved by the clerk.")]
    [InlineData("The toll of the the bridge may be halved, if the river is in flood, the clerk decides it alone.", "The clerk decides it alone.")]
    [InlineData("The toll of the the bridge may be halved, when the river is in flood, the clerk decides it alone.", "The toll of the the bridge may be halved.")]
    [InlineData("The keeper of the of gate has a rule, which the millers of the valley hate.", "The millers of the valley hate.")]
    public void A_condition_and_what_goes_on_stay_with_what_they_belong_to(string said, string never) => Assert.DoesNotContain(never, Statements(said));

    [Fact]
    public void What_was_misheard_does_not_take_the_next_sentence_along()
    {
        const string Said = "The hard boaters has flamp of the port, the keeper opens the gate at dawn.";
        Assert.Equal(["The keeper opens the gate at dawn."], Statements(Said, "flamp"));
    }

    [Fact]
    public void What_somebody_wrote_is_divided_as_it_was_written() =>
        Assert.DoesNotContain("The roots of the willows break the lining.", StatementFinder.Of([Sentence("The clay of the bank the bank dries out, the roots of the willows break the lining.", _ => 1)], [], grammar).All.Select(s => s.Part.Text));

    [Theory]
    [InlineData("No comma is in this one.", 0)]
    [InlineData("One, two, three, four, five, six, seven, eight, and nine more are in the long list of the miller, and so on, and on.", 0)]
    [InlineData("The gate of the lock is shut, the keeper of the lock is away.", 1)]
    public void Only_a_few_runs_of_words_are_tried(string said, int candidates) => Assert.Equal(candidates, RunOns.Candidates(Sentence(said, _ => Heard)).Count);

    private List<string> Statements(string said, string? misheard = null) =>
        [.. StatementFinder.Of([Sentence(said, w => w == misheard ? Misheard : Heard)], [], grammar).All.Select(s => s.Part.Text)];

    private static Sentence Sentence(string said, Func<string, double> confidence) =>
        new("p1", 0, [.. said.Split(' ').Select((w, i) => new Word(w, i * 1_000, (i * 1_000) + 900, confidence(w)))]);
}
