using Kostel.Core.Text;
using Kostel.Core.Transcripts;
using Kostel.Core.Transcripts.Edits;

namespace Kostel.Core.Tests.Transcripts.Edits;

public class EditTests
{
    private static readonly Transcript Small = Lecture.Of("The tied rises twice a day.", "Slack water comes between.");

    private static Passage First(Transcript t) => t.Passages[0];

    private static Transcript Rewrite(string text) => new RewritePassage("p1", First(Small).Text, text).Apply(Small);

    [Fact]
    public void A_word_that_is_corrected_keeps_the_time_of_what_it_replaces_and_is_certain()
    {
        var word = First(Rewrite("The tide rises twice a day. Slack water comes between.")).Words[1];
        Assert.Equal(First(Small).Words[1] with { Text = "tide", Confidence = 1 }, word);
    }

    [Fact]
    public void Two_words_for_one_share_its_time_by_their_letters()
    {
        var old = First(Small).Words[1];
        var words = First(Rewrite("The high tide rises twice a day. Slack water comes between.")).Words;
        Assert.Equal(old.StartMs, words[1].StartMs);
        Assert.Equal(words[1].EndMs, words[2].StartMs);
        Assert.Equal(old.EndMs, words[2].EndMs);
    }

    [Fact]
    public void A_word_that_is_put_in_is_fitted_between_its_neighbours_which_keep_their_times()
    {
        var before = First(Small).Words;
        var words = First(Rewrite("The tied always rises twice a day. Slack water comes between.")).Words;
        Assert.Equal((before[1], before[2]), (words[1], words[3]));
        Assert.InRange(words[2].StartMs, before[1].EndMs, before[2].StartMs);
        Assert.InRange(words[2].EndMs, words[2].StartMs, before[2].StartMs);
    }

    [Fact]
    public void A_word_that_is_deleted_vanishes_and_the_others_stay_as_they_were() =>
        Assert.Equal(First(Small).Words.Where((_, i) => i != 4), First(Rewrite("The tied rises twice day. Slack water comes between.")).Words);

    [Fact]
    public void A_passage_without_words_goes() => Assert.Empty(Rewrite("  ").Passages);

    [Fact]
    public void Another_capital_or_comma_is_no_other_word()
    {
        var words = First(Rewrite("the tied rises, twice a day. Slack water comes between.")).Words;
        Assert.Equal(First(Small).Words.Select(w => w.StartMs), words.Select(w => w.StartMs));
        Assert.Equal("rises,", words[2].Text);
    }

    [Fact]
    public void A_split_gives_the_second_part_a_new_id_and_joining_gives_back_the_words()
    {
        var split = new SplitPassage("p1", First(Small).Text, 6).Apply(Small);
        Assert.Equal(["p1", "p2"], split.Passages.Select(p => p.Id));
        Assert.Equal("Slack water comes between.", split.Passages[1].Text);
        var joined = new JoinPassage("p2", split.Passages[1].Text).Apply(split);
        Assert.Equal(First(Small).Words, First(joined).Words);
    }

    [Fact]
    public void The_border_of_two_passages_moves_by_words_and_never_empties_one()
    {
        var split = new SplitPassage("p1", First(Small).Text, 6).Apply(Small);
        var moved = new MoveBoundary("p2", split.Passages[1].Text, 2).Apply(split);
        Assert.EndsWith("Slack water", moved.Passages[0].Text, StringComparison.Ordinal);
        Assert.Throws<EditRefusedException>(() => new MoveBoundary("p2", split.Passages[1].Text, 4).Apply(split));
    }

    [Fact]
    public void A_passage_given_to_somebody_new_makes_a_second_voice_who_goes_when_nothing_is_theirs()
    {
        var split = new SplitPassage("p1", First(Small).Text, 6).Apply(Small);
        var given = new GivePassage("p2", null, null).Apply(split);
        Assert.Equal(["Voice 1", "Voice 2"], given.Speakers.Select(s => s.Name));
        var back = new GivePassage("p2", "v1", null).Apply(given);
        Assert.Equal(["Voice 1"], back.Speakers.Select(s => s.Name));
    }

    [Fact]
    public void Two_speakers_cannot_have_one_name()
    {
        var given = new GivePassage("p2", null, "Ines").Apply(new SplitPassage("p1", First(Small).Text, 6).Apply(Small));
        Assert.Contains("Ines already", Assert.Throws<EditRefusedException>(() => new ChangeSpeaker("v1", " Ines ", null).Apply(given)).Message, StringComparison.Ordinal);
    }

    [Fact]
    public void An_edit_of_text_that_reads_otherwise_by_now_is_a_conflict_and_one_of_another_passage_is_none()
    {
        var split = new SplitPassage("p1", First(Small).Text, 6).Apply(Small);
        Assert.Throws<EditConflictException>(() => new RewritePassage("p1", First(Small).Text, "Mine").Apply(split));
        Assert.Throws<EditConflictException>(() => new RewritePassage("p9", "", "Mine").Apply(split));
        var other = new RewritePassage("p2", split.Passages[1].Text, "Slack water is short.").Apply(split);
        Assert.Same(split.Passages[0], other.Passages[0]);
    }

    [Fact]
    public void Replacing_at_many_places_takes_them_from_the_last_to_the_first()
    {
        var t = Lecture.Of("tied and tied and tied.");
        var places = Enumerable.Range(0, 3).Select(i => new WordReplacement("p1", i * 2, 1, i == 2 ? "tied." : "tied", i == 2 ? "the tide." : "the tide")).ToList();
        Assert.Equal("the tide and the tide and the tide.", First(new ReplaceWords(places).Apply(t)).Text);
    }

    [Fact]
    public void A_spelling_is_written_throughout_and_leaves_passages_without_such_words_alone()
    {
        var t = new SplitPassage("p1", "The color of the harbor. It is deep.", 5).Apply(Lecture.Of("The color of the harbor. It is deep."));
        var british = new Respell(Spelling.British).Apply(t);
        Assert.Equal("The colour of the harbour.", First(british).Text);
        Assert.Same(t.Passages[1], british.Passages[1]);
    }

    [Fact]
    public void A_chapter_begins_at_a_passage_and_joins_again()
    {
        var split = new SplitPassage("p1", First(Small).Text, 6).Apply(Small);
        var begun = new BeginChapter("p2", "Slack water").Apply(split);
        Assert.Equal(split.Passages[1].StartMs, begun.Chapters[1].StartMs);
        Assert.Throws<EditRefusedException>(() => new BeginChapter("p2", "Again").Apply(begun));
        Assert.Equal(split.Chapters, new EndChapter(begun.Chapters[1].StartMs).Apply(begun).Chapters);
    }

    [Fact]
    public void A_chapter_begins_at_another_passage_between_its_neighbours()
    {
        var split = new SplitPassage("p2", "five six.", 1).Apply(new SplitPassage("p1", "One two. Three four. five six.", 4).Apply(Lecture.Of("One two. Three four. five six.")));
        var begun = new BeginChapter("p3", "Late").Apply(split);
        var moved = new MoveChapter(begun.Chapters[1].StartMs, "p2").Apply(begun);
        Assert.Equal([0, split.Passages[1].StartMs], moved.Chapters.Select(c => c.StartMs));
        Assert.Equal(moved.Chapters[1].StartMs, moved.Chapters[0].EndMs);
        Assert.Throws<EditRefusedException>(() => new MoveChapter(moved.Chapters[1].StartMs, "p1").Apply(moved));
        Assert.Throws<EditRefusedException>(() => new MoveChapter(0, "p2").Apply(moved));
    }

    [Fact]
    public void Control_signs_are_dropped_and_words_beyond_all_length_are_refused()
    {
        Assert.Equal("a b", First(Rewrite("a\u0000b")).Text);
        Assert.Throws<EditRefusedException>(() => Rewrite(new string('a', 201)));
        Assert.Throws<EditRefusedException>(() => Rewrite(string.Concat(Enumerable.Repeat("word ", 30_000))));
    }
}
