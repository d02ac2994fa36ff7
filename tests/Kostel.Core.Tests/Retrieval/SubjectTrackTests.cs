using Kostel.Core.Retrieval;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Retrieval;

public sealed class SubjectTrackTests
{
    private static readonly WordRelations Relations = WordRelations.Read(new StringReader("""
        burn||
        scald|0|
        car auto automobile||
        wheel||
        """));

    private static SubjectTrack Track(WordKnowledge known, params string[] passages) => new(
        passages.Select((p, n) => new Passage($"p{n}", "v1", n * 60_000, (n * 60_000) + 59_000, p.Split(' ').Select((w, i) => new Word(w, (n * 60_000) + (i * 300), (n * 60_000) + (i * 300) + 250, 1)).ToList())).ToList(),
        known);

    private static readonly string[] Filler = [.. Enumerable.Range(0, 12).Select(i => $"We talk of rope number {i} and of sails.")];

    [Fact]
    public void The_places_that_say_the_word_come_first()
    {
        var places = Track(WordKnowledge.None, [.. Filler, "A spring tide has a large range. It comes after full moon.", .. Filler]).Find("spring tides");
        Assert.Equal(12, places.MaxBy(p => p.Strength)!.Passage);
        Assert.Equal(1, places.Max(p => p.Strength));
        Assert.True(places.MaxBy(p => p.Strength)!.HasWord);
    }

    [Fact]
    public void A_word_that_is_a_kind_of_it_counts_too()
    {
        var places = Track(new WordKnowledge(WordVectors.None, Lexicon.None, Relations), [.. Filler, "A scald needs cool water.", .. Filler]).Find("burns");
        Assert.Equal(12, places.MaxBy(p => p.Strength)!.Passage);
        Assert.DoesNotContain(places, p => p.HasWord);
    }

    [Theory]
    [InlineData("quantum")]
    [InlineData("the of and")]
    [InlineData("?!")]
    [InlineData("")]
    public void What_nothing_speaks_of_is_found_nowhere(string subject) => Assert.Empty(Track(WordKnowledge.None, Filler).Find(subject));

    [Fact]
    public void A_lecture_without_words_has_no_places() => Assert.Empty(Track(WordKnowledge.None).Find("tide"));

    [Fact]
    public void Words_belong_together_in_any_form()
    {
        Assert.Equal(Kinship.Broader, Relations.Of("scalds")["burn"]);
        Assert.Equal(Kinship.Narrower, Relations.Of("burning")["scald"]);
        Assert.Equal(Kinship.Same, Relations.Of("cars")["auto"]);
        Assert.Empty(Relations.Of("wheel"));
    }

    [Theory]
    [InlineData("burn|7|\n")]
    [InlineData("burn\n")]
    [InlineData("||\n")]
    [InlineData("burn|x|\n")]
    public void A_list_that_is_cut_off_or_none_is_refused(string list) => Assert.Throws<InvalidDataException>(() => WordRelations.Read(new StringReader(list)));
}
