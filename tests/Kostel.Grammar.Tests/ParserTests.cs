using Kostel.Core.Grammar;

namespace Kostel.Grammar.Tests;

/// <summary>The real parser, and processes that behave badly in its place.</summary>
public sealed class ParserTests
{
    private static readonly TimeSpan Short = TimeSpan.FromMilliseconds(400);

    [Fact]
    public void A_sentence_is_read_down_to_its_words()
    {
        using var grammar = new GrammarProcess();
        var read = grammar.Read(["The old anchor has one fault."])[0]!;
        Assert.True(read.IsWhole);
        var clause = read.Root;
        Assert.Equal((0, 3), Only(clause, "NP", p => p.First == 0));
        Assert.Equal(3, clause.Leaves().Single(l => l.IsVerb).First);
        Assert.Equal((4, 2), Only(clause, "NP", p => p.First == 4));
    }

    [Theory]
    [InlineData("The wheel has pointed teeth.", "The wheel has point of the is teeth.")]
    [InlineData("The tide turns every six hours.", "The tide turns of every six or is.")]
    [InlineData("Lime works slowly because it hardly dissolves.", "Lime works is slowly because it hardly the dissolves of.")]
    public void What_was_misheard_has_words_without_a_place(string said, string heard)
    {
        using var grammar = new GrammarProcess();
        var read = grammar.Read([said, heard]);
        Assert.Equal(0, read[0]!.Skipped);
        Assert.True(read[1]!.Skipped > 0);
    }

    [Theory]
    [InlineData("")]
    [InlineData("\u0001\u0002")]
    [InlineData("Ünïcödé — “quotes” and 3,5 % of ½ …")]
    [InlineData("(((((((((( ]]]] {{{{ \"\\\" .n .v-d {} [!] ")]
    public void Nothing_that_is_said_ends_it(string odd)
    {
        using var grammar = new GrammarProcess();
        Assert.NotNull(grammar.Read([odd, new string('a', 4_000), string.Join(' ', Enumerable.Repeat("and", 300)), "Water is wet."])[3]);
    }

    [Theory]
    [InlineData("/no/such/program")]
    [InlineData("false")]
    [InlineData("cat")]
    [InlineData("sleep", "30")]
    public void A_parser_that_is_missing_ends_or_hangs_costs_its_sentences_and_nothing_else(string command, params string[] arguments)
    {
        using var grammar = new GrammarProcess(command, arguments, Short);
        Assert.All(grammar.Read([.. Enumerable.Range(0, 50).Select(i => $"This is sentence number {i}.")]), Assert.Null);
    }

    [Fact]
    public void It_begins_anew_after_it_ended_in_the_middle()
    {
        // Answers one sentence and dies.
        using var grammar = new GrammarProcess("sh", ["-c", "read line; echo '={\"Skipped\":0,\"Cost\":0,\"Tree\":\"(S (NP a.n) (VP is.v))\"}'"], TimeSpan.FromSeconds(3));
        var read = grammar.Read(["a is", "b is", "c is"]);
        Assert.NotNull(read[0]);
        Assert.Null(read[1]);
        Assert.NotNull(read[2]);
    }

    [Fact]
    public async Task Two_ask_at_once()
    {
        using var grammar = new GrammarProcess();
        var both = await Task.WhenAll(Enumerable.Range(0, 2).Select(n => Task.Run(() => grammar.Read([.. Enumerable.Range(0, 20).Select(i => $"The lamp {n} has {i} shades.")]))));
        Assert.All(both.SelectMany(b => b), Assert.NotNull);
    }

    [Fact]
    public void Two_processes_share_what_is_to_be_read_and_one_that_fails_costs_its_own_sentences_only()
    {
        using var grammar = new GrammarProcesses([new GrammarProcess("false", [], Short), new GrammarProcess()]);
        var read = grammar.Read([.. Enumerable.Range(0, 40).Select(i => $"The lamp has {i} shades.")]);
        Assert.InRange(read.Count(r => r is null), 0, 4);
    }

    [Fact]
    public void Who_stops_two_processes_stops_both()
    {
        using var grammar = new GrammarProcesses();
        using var stop = new CancellationTokenSource();
        stop.Cancel();
        Assert.Throws<OperationCanceledException>(() => grammar.Read(["The lamp has a shade.", "The lamp has two shades."], stop.Token));
    }

    private static (int First, int Count) Only(Constituent root, string label, Func<Constituent, bool> which)
    {
        var part = root.All().First(p => p.Label == label && which(p));
        return (part.First, part.Count);
    }
}
