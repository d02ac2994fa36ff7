using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Transcripts;

public class SpeakerChangeTests
{
    private static readonly Transcript Talk = Named(Lecture.Of("The tide turns twice a day.", "And who told you that?", "The moon did."), "Ada Quill");

    [Fact]
    public void Words_and_chapters_stay_and_a_change_of_voice_begins_a_passage()
    {
        var changed = SpeakerChange.Apply(Talk, [0, 0, 0, 0, 0, 0, 1, 1, 1, 1, 1, 0, 0, 0]);
        Assert.Equal(Words(Talk), Words(changed));
        Assert.Equal(Talk.Chapters, changed.Chapters);
        Assert.Equal(["v1", "v2", "v1"], changed.Passages.Select(p => p.SpeakerId));
    }

    [Fact]
    public void A_name_stays_with_most_of_the_words_and_the_new_voice_gets_a_number()
    {
        var changed = SpeakerChange.Apply(Talk, [0, 0, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1]);
        Assert.Equal(["Voice 1", "Ada Quill"], changed.Speakers.Select(s => s.Name));
    }

    [Fact]
    public void Numbers_go_up_in_order_of_appearance_again()
    {
        var two = Named(SpeakerChange.Apply(Talk, [0, 0, 0, 0, 0, 0, 1, 1, 1, 1, 1, 0, 0, 0]), "Voice 2", "Voice 1");
        Assert.Equal(["Voice 1", "Voice 2"], SpeakerChange.Apply(two, [0, 0, 0, 0, 0, 0, 1, 1, 1, 1, 1, 0, 0, 0]).Speakers.Select(s => s.Name));
    }

    private static Transcript Named(Transcript transcript, params string[] names) =>
        transcript with { Speakers = transcript.Speakers.Select((s, i) => s with { Name = names[i] }).ToList() };

    private static IEnumerable<Word> Words(Transcript transcript) => transcript.Passages.SelectMany(p => p.Words);
}
