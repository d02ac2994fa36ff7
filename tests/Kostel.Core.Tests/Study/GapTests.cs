using Kostel.Core.Grammar;
using Kostel.Core.Study.Statements;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Study;

/// <summary>What could be asked for in a statement, and which of it is. The grammar is written down here, so that no parser is needed.</summary>
public class GapTests
{
    private const string Said = "The upper valve controls the inflow of the boiler.", Tree = "(S (NP The upper.a valve.n) (VP controls.v (NP the inflow.n (PP of (NP the boiler.n)))) .)";

    private sealed class Written : IGrammar
    {
        public IReadOnlyList<SentenceGrammar?> Read(IReadOnlyList<string> sentences, CancellationToken cancel = default) =>
            [.. sentences.Select(s => ConstituentTree.Read(Tree, s) is { } root && s.StartsWith("The upper valve", StringComparison.Ordinal) ? new SentenceGrammar(0, 0, root) : null)];
    }

    private static StudyGround Ground(IGrammar grammar) => new(Lecture.Of($"{Said} Boilers are old. The mill has two boilers and a chimney."), grammar);

    [Fact]
    public void Each_phrase_of_a_statement_can_be_asked_for_and_the_likeliest_is()
    {
        var ground = Ground(new Written());
        var statement = ground.Statements.All[0];
        var all = ground.Facts.All(statement);
        Assert.Contains(all, g => g.Missing == "the upper valve");
        Assert.Contains(all, g => g.Missing == "the inflow of the boiler");
        Assert.All(all, g => Assert.InRange(g.Chance, 0, 1));
        Assert.Equal(all.Max(g => g.Chance), ground.Facts.Of(statement)?.Chance);
    }

    [Fact]
    public void What_is_missing_is_a_run_of_the_statement()
    {
        var ground = Ground(new Written());
        Assert.All(ground.Facts.All(ground.Statements.All[0]), g => Assert.Equal(Tokens.Of(g.Missing), Tokens.Of(string.Join(' ', g.Statement.Part.Words.Skip(g.Run.First).Take(g.Run.Count).Select(w => w.Text)))));
    }

    [Fact]
    public void Each_thing_that_is_counted_has_its_name_and_its_weight()
    {
        var ground = Ground(new Written());
        Assert.Equal(GapFeatures.Names.Count, GapWeights.Learned.Length);
        Assert.All(ground.Facts.All(ground.Statements.All[0]), g => Assert.Equal(GapFeatures.Names.Count, ground.Facts.FeaturesOf(g).Length));
    }

    [Fact]
    public void Without_word_vectors_nothing_is_known_of_what_words_are_about()
    {
        var ground = Ground(new Written());
        var directions = Enumerable.Range(0, GapFeatures.Names.Count).Where(i => GapFeatures.Names[i].Contains("direction", StringComparison.Ordinal)).ToList();
        Assert.NotEmpty(directions);
        Assert.All(ground.Facts.All(ground.Statements.All[0]), g => Assert.All(directions, i => Assert.Equal(0, ground.Facts.FeaturesOf(g)[i])));
    }

    [Fact]
    public void Where_no_grammar_tells_what_a_phrase_is_nothing_but_numbers_and_terms_is_asked_for()
    {
        var ground = Ground(NoGrammar.Instance);
        Assert.DoesNotContain(ground.Facts.All(ground.Statements.All[0]), g => g.Missing == "the inflow of the boiler");
    }
}
