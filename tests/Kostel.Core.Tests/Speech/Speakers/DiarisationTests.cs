using Kostel.Core.Audio;
using Kostel.Core.Speech.Speakers;

namespace Kostel.Core.Tests.Speech.Speakers;

[Trait("Pace", "slow")]
public class DiarisationTests
{
    private const double Low = 0.88, Middle = 1.0, High = 1.15;

    [Fact]
    public void Two_voices_that_take_turns_are_told_apart()
    {
        var talk = Talk(1, (20, Low), (30, High), (6, Low), (40, High), (25, Low));
        Assert.Equal(Expected((20, 0), (30, 1), (6, 0), (40, 1), (25, 0)), Diarisation.Of(talk.Words, talk.Sound()));
    }

    [Fact]
    public void Three_voices_are_numbered_in_the_order_they_are_heard()
    {
        var talk = Talk(2, (30, High), (30, Low), (30, Middle), (20, High), (20, Middle), (30, Low));
        Assert.Equal(Expected((30, 0), (30, 1), (30, 2), (20, 0), (20, 2), (30, 1)), Diarisation.Of(talk.Words, talk.Sound()));
    }

    [Fact]
    public void One_voice_is_not_divided_loud_or_soft()
    {
        var talk = new MadeVoices(3);
        for (var i = 0; i < 20; i++)
        {
            talk.Say(20, Middle, i % 2 == 0 ? 0.1f : 0.02f);
        }

        Assert.All(Diarisation.Of(talk.Words, talk.Sound()), v => Assert.Equal(0, v));
    }

    [Fact]
    public void A_number_that_is_given_is_kept_to()
    {
        var talk = Talk(4, (30, High), (30, Low), (30, Middle), (20, High), (20, Middle), (30, Low));
        Assert.Equal(2, Diarisation.Of(talk.Words, talk.Sound(), 2).Distinct().Count());
        Assert.Equal(3, Diarisation.Of(talk.Words, talk.Sound(), 3).Distinct().Count());
        Assert.All(Diarisation.Of(talk.Words, talk.Sound(), 1), v => Assert.Equal(0, v));
    }

    [Fact]
    public void More_voices_than_there_can_be_told_apart_are_asked_for_in_vain()
    {
        var talk = Talk(5, (3, Low), (3, High));
        Assert.InRange(Diarisation.Of(talk.Words, talk.Sound(), Diarisation.MostVoices).Distinct().Count(), 1, 6);
    }

    [Fact]
    public void A_long_recording_is_worked_through_in_stretches_with_the_same_result()
    {
        var parts = Enumerable.Range(0, 100).Select(i => (Words: 25, Mouth: i % 2 == 0 ? Low : High)).ToArray();
        var talk = Talk(6, parts);
        Assert.Equal(Expected(parts.Select((p, i) => (p.Words, i % 2)).ToArray()), Diarisation.Of(talk.Words, talk.Sound()));
    }

    [Fact]
    public void Words_without_sound_and_no_words_at_all_do_no_harm()
    {
        var talk = Talk(7, (10, Low), (10, High));
        Assert.Empty(Diarisation.Of([], talk.Sound()));
        Assert.Equal(20, Diarisation.Of(talk.Words, new MelCepstra()).Count);
        Assert.Single(Diarisation.Of([talk.Words[0]], talk.Sound()));
    }

    [Theory]
    [InlineData(0)]
    [InlineData(21)]
    public void A_number_that_makes_no_sense_is_refused(int count) =>
        Assert.Throws<ArgumentOutOfRangeException>(() => Diarisation.Of([], new MelCepstra(), count));

    private static MadeVoices Talk(int seed, params (int Words, double Mouth)[] turns) =>
        turns.Aggregate(new MadeVoices(seed), (talk, turn) => talk.Say(turn.Words, turn.Mouth));

    private static IEnumerable<int> Expected(params (int Words, int Voice)[] turns) => turns.SelectMany(t => Enumerable.Repeat(t.Voice, t.Words));
}
