using Kostel.Core.Speech.Terms;

namespace Kostel.Core.Tests.Speech.Terms;

public class TermTests
{
    [Theory]
    [InlineData("neap", "neep")]
    [InlineData("knots", "nuts")]
    [InlineData("semidiurnal", "semidernal")]
    [InlineData("over tide", "overtide")]
    public void Words_that_sound_the_same_have_the_same_key(string a, string b) => Assert.Equal(SoundKey.Of(a), SoundKey.Of(b));

    [Fact]
    public void Words_taken_for_one_another_are_nearer_than_others()
    {
        Assert.True(Distance("wilting point", "wielding point") < 0.2);
        Assert.True(Distance("chart datum", "short atom") < 0.3);
        Assert.True(Distance("wilting point", "slack water") > 0.6);
        Assert.Equal(1, Distance("", "anything"));
    }

    [Fact]
    public void A_list_is_read_line_by_line()
    {
        var list = CourseTerms.Parse(["neap tide", "", "  Neap   tide ", "Liesegang rings = lee-zuh-gang rings", "\t"]);
        Assert.Equal([new CourseTerm("neap tide"), new CourseTerm("Liesegang rings", "lee-zuh-gang rings")], list.Terms);
        Assert.Empty(list.Problems);
        Assert.Equal(list.Terms, CourseTerms.Parse(list.Terms.Select(t => t.Line)).Terms);
    }

    [Fact]
    public void Lines_that_are_no_terms_are_reported_and_the_rest_is_used()
    {
        var list = CourseTerms.Parse(["of", new string('x', 200), "PK\u0003\u0004\u0000abc", "loam"]);
        Assert.Equal(["loam"], list.Terms.Select(t => t.Written));
        Assert.Equal(["Line 1, “of”: a term needs three letters or more.", $"Line 2, “{new string('x', 30)}…”: longer than 80 characters, which no term is.", "Line 3, “PKabc”: holds characters that are not text."], list.Problems);
    }

    [Fact]
    public void A_list_of_a_hundred_thousand_lines_ends_at_the_most_that_are_used()
    {
        var list = CourseTerms.Parse(Enumerable.Range(0, 100_000).Select(i => $"term {i} abc"));
        Assert.Equal(CourseTerms.Most, list.Terms.Count);
        Assert.Equal(["Only the first 2000 terms are used; the list goes on from line 2001."], list.Problems);
    }

    [Fact]
    public void What_only_sounds_like_a_term_is_suspected()
    {
        var suspicion = Find("wilting point", "the wielding point is reached.")[0];
        Assert.Equal((1, 3), (suspicion.First, suspicion.End));
    }

    [Fact]
    public void The_plural_is_looked_for_too() =>
        Assert.Equal("neap tides", Find("neap tide", "and the neep tides.")[0].Term.Written);

    [Theory]
    [InlineData("the wilting point is reached.")]
    [InlineData("some Wilting Points, too.")]
    public void What_is_a_term_already_is_left_alone(string text) => Assert.Empty(Find("wilting point", text));

    [Fact]
    public void No_term_reaches_across_the_end_of_a_sentence() => Assert.Empty(Find("wilting point", "it is wielding. Point to it."));

    [Fact]
    public void A_term_that_is_right_may_become_part_of_a_longer_one() =>
        Assert.Contains(new TermFinder([new("tide"), new("neap tide")]).Find(["a", "leap", "tide"], (_, _) => true), s => s is { First: 1, End: 3 });

    [Fact]
    public void A_contraction_after_an_article_is_suspected_to_be_is()
    {
        Assert.Contains(Find("storm surge", "A storm surges a rise of the sea."), s => s.Term.Written == "storm surge is");
        Assert.DoesNotContain(Find("storm surge", "All storm surges pass."), s => s.Term.Written == "storm surge is");
    }

    [Fact]
    public void Only_what_is_doubtful_is_suspected() =>
        Assert.Empty(new TermFinder([new("wilting point")]).Find(["the", "wielding", "point"], (first, end) => first > 1));

    [Fact]
    public void The_more_terms_a_list_has_the_more_the_model_must_believe_each()
    {
        var others = Enumerable.Range(0, 1_000).Select(i => new CourseTerm($"xylograph{i}"));
        double Margin(IEnumerable<CourseTerm> terms) => new TermFinder(terms.ToList()).Find(["wielding", "point"], (_, _) => true).Max(s => s.Margin);
        Assert.InRange(Margin([new("wilting point")]) - Margin(others.Append(new("wilting point"))), 6, 8);
    }

    [Fact]
    public void What_a_term_sounds_like_is_looked_for_where_the_spelling_misleads()
    {
        TermSuspicion Nearest(string? soundsLike) => new TermFinder([new("cnidaria", soundsLike)]).Find(["nye", "daria"], (_, _) => true)[0];
        Assert.True(Nearest("nye daria").Distance < Nearest(null).Distance - 0.1);
    }

    [Fact]
    public void What_is_known_to_be_too_far_is_not_measured_to_the_end() =>
        Assert.Equal(1, SoundKey.Distance(SoundKey.Of("wilting point"), SoundKey.Of("astronomy"), 0.3));

    private static double Distance(string a, string b) => SoundKey.Distance(SoundKey.Of(a), SoundKey.Of(b));

    private static IReadOnlyList<TermSuspicion> Find(string term, string text) => new TermFinder([new(term)]).Find(text.Split(' '), (_, _) => true);
}
