using Kostel.Core.Audio;
using Kostel.Core.Study;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;
using Kostel.Core.Transcripts.Edits;
using Kostel.Core.Transcripts.Reading;

namespace Kostel.Core.Tests.Transcripts.Reading;

public class ReadingTests
{
    [Theory]
    [InlineData("Um the tide uh rises.", "0 3")]
    [InlineData("The the tide rises.", "0")]
    [InlineData("It had had a very very long run.", "")]
    [InlineData("You know, the tide rises, you know, twice.", "0 1 5 6")]
    [InlineData("You know the answer.", "")]
    [InlineData("The ti- the tide rises.", "1")]
    [InlineData("A well-known thing.", "")]
    public void Fillers_repeats_and_broken_words_are_found_and_nothing_else(string text, string indices) =>
        Assert.Equal(indices, string.Join(' ', Disfluencies.Of(Lecture.Words(text))));

    [Theory]
    [InlineData("Colors,", Spelling.British, "Colours,")]
    [InlineData("colour", Spelling.American, "color")]
    [InlineData("ORGANIZE", Spelling.British, "ORGANISE")]
    [InlineData("\u201Ctraveling\u201D", Spelling.British, "\u201Ctravelling\u201D")]
    [InlineData("kilometers", Spelling.British, "kilometres")]
    [InlineData("practice", Spelling.British, "practice")]
    [InlineData("size", Spelling.British, "size")]
    [InlineData("color", Spelling.AsHeard, "color")]
    public void Words_are_spelled_as_in_Britain_or_America(string word, Spelling spelling, string written) =>
        Assert.Equal(written, SpellingVariants.Write(word, spelling));

    [Fact]
    public void A_phrase_is_found_whatever_its_capitals_and_punctuation_and_they_are_kept_when_it_is_replaced()
    {
        var t = Lecture.Of("Spring tied, they said. A spring tied. Spring water.");
        var found = PhraseSearch.Find(t, "spring tied", "spring tide");
        Assert.Equal(["Spring tide,", "spring tide."], found.Select(f => f.Place.Text));
        Assert.Equal("they said. A spring tied. Spring", found[0].After);
        var replaced = new ReplaceWords(found.Select(f => f.Place).ToList()).Apply(t);
        Assert.Equal("Spring tide, they said. A spring tide. Spring water.", replaced.Passages[0].Text);
        Assert.Equal("What is a spring tide?", PhraseSearch.Replace("What is a spring tied?", "spring tied", "spring tide"));
        Assert.Empty(PhraseSearch.Find(t, "pring", "x"));
        Assert.Empty(PhraseSearch.Find(t, " ", "x"));
    }

    [Fact]
    public void Two_transcripts_are_compared_word_by_word()
    {
        var before = Lecture.Of("The tied rises twice a day.");
        var after = new RewritePassage("p1", before.Passages[0].Text, "The tide rises, twice every long day.").Apply(before);
        Assert.Equal(
            [("tied", "tide"), ("rises", "rises,"), ("a", "every long")],
            TranscriptComparison.Between(before, after).Select(d => (d.Before, d.After)));
    }

    [Fact]
    public void A_new_transcription_that_places_the_same_words_a_little_otherwise_leaves_sources_standing()
    {
        var before = Lecture.Of(Lecture.DemoParagraphs("09-fog"));
        var shifted = before with
        {
            Passages = before.Passages.Select(p => p with { Words = p.Words.Select(w => w with { StartMs = w.StartMs + 180, EndMs = w.EndMs + 180 }).ToList() }).ToList(),
        };
        var check = new SourceCheck(shifted);
        Assert.All(Sentences.Of(before.Passages).Select(Evidence.Of), s => Assert.True(check.Of(s).Holds));
    }

    [Fact]
    public void What_a_source_says_now_stands_beside_what_it_said()
    {
        var before = Lecture.Of("The tied rises twice a day.");
        var after = new RewritePassage("p1", before.Passages[0].Text, "The tide rises twice a day.").Apply(before);
        var state = new SourceCheck(after).Of(Evidence.Of(Sentences.Of(before.Passages)[0]));
        Assert.Equal(("The tide rises twice a day.", false, "p1"), (state.NowText, state.Holds, state.PassageId));
        Assert.Null(new SourceCheck(after with { Passages = [] }).Of(0, 10, "x").PassageId);
    }

    [Fact]
    public void A_pause_is_silent_only_where_it_is_quiet()
    {
        Word[] words = [new("a", 0, 1_000, 1), new("b", 4_000, 5_000, 1), new("c", 8_000, 9_000, 1)];
        var loudness = Enumerable.Repeat((byte)120, 180).ToArray();
        Array.Fill(loudness, (byte)3, 20, 60);
        Assert.Equal([new Silence(1_250, 3_750)], Silences.Find(words, loudness, 9_000));
        Assert.Empty(Silences.Find(words, [], 9_000));
    }

    [Fact]
    public void A_part_of_a_transcript_keeps_its_times_and_the_chapters_it_stands_in()
    {
        var whole = Lecture.Of(Lecture.DemoParagraphs("09-fog"));
        var passage = whole.Passages[2];
        var part = whole.Between(passage.StartMs, passage.EndMs);
        Assert.Equal(passage.Text, Assert.Single(part.Passages).Text);
        Assert.Contains(part.Chapters[0], whole.Chapters);
        Assert.Single(part.Chapters);
    }
}
