using Kostel.Core.Captions;
using Kostel.Core.Transcripts;
using Kostel.Core.Transcripts.Edits;

namespace Kostel.Core.Tests.Transcripts.Edits;

public class TextAlignmentTests
{
    [Fact]
    public void A_text_takes_the_times_of_the_words_that_were_heard_and_fits_the_others_in_between()
    {
        var heard = Lecture.Of("The tied rises twice a day and slack water comes between");
        var text = PlainText.Read("The tide rises twice a day.\n\nAnd then slack water comes between.").Transcript;
        var aligned = TextAlignment.Align(text, heard);
        var words = heard.Passages[0].Words;
        Assert.Equal(["The tide rises twice a day.", "And then slack water comes between."], aligned.Passages.Select(p => p.Text));
        Assert.Equal(words[1].StartMs, aligned.Passages[0].Words[1].StartMs);
        Assert.Equal(words[6].StartMs, aligned.Passages[1].StartMs);
        Assert.Equal(words[^1].EndMs, aligned.Passages[1].EndMs);
        Assert.InRange(aligned.Passages[1].Words[1].StartMs, words[6].EndMs, words[7].StartMs);
    }

    /// <summary>The words of a demonstration lecture with a tenth of them misheard: where the text's words fall is known.</summary>
    [Fact]
    public void With_a_tenth_misheard_every_word_lies_within_its_own_time()
    {
        var said = Lecture.Of(Lecture.DemoParagraphs("09-fog"));
        var random = new Random(4);
        var heard = said with
        {
            Passages = said.Passages.Select(p => p with { Words = p.Words.Select(w => random.Next(10) == 0 ? w with { Text = "uhm" } : w).ToList() }).ToList(),
        };
        var text = PlainText.Read(PlainText.Write(said, new TextOptions(Speakers: false))).Transcript;
        var aligned = TextAlignment.Align(text, heard).Passages.SelectMany(p => p.Words).ToList();
        var truth = said.Passages.SelectMany(p => p.Words).ToList();
        Assert.Equal(truth.Count, aligned.Count);
        Assert.All(truth.Zip(aligned), p => Assert.InRange(Math.Abs(p.First.StartMs - p.Second.StartMs), 0, 400));
    }

    [Fact]
    public void A_text_of_another_lecture_shares_few_words()
    {
        var heard = Lecture.Of(Lecture.DemoParagraphs("09-fog"));
        Assert.True(TextAlignment.Shared(heard, heard) > 0.99);
        Assert.True(TextAlignment.Shared(Lecture.Of("Entirely other words stand on this page"), heard) < TextAlignment.LeastShared);
    }

    [Fact]
    public void Voices_that_were_heard_speak_the_passages_of_a_text_without_names()
    {
        var heard = Lecture.Of("What is a tide? It is a long wave.");
        heard = new SplitPassage("p1", heard.Passages[0].Text, 4).Apply(heard);
        heard = new GivePassage("p2", null, "Ines").Apply(heard);
        var aligned = TextAlignment.Align(PlainText.Read("What is a tide?\n\nIt is a long wave.").Transcript, heard);
        Assert.Equal(["v1", "v2"], aligned.Passages.Select(p => p.SpeakerId));
        Assert.Equal("Ines", aligned.Speakers[1].Name);
    }
}
