using Kostel.Core.Study;
using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Quizzes;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Study;

public class CardIdentityTests
{
    public static TheoryData<string> Transcripts => [.. Directory.GetFiles(Path.Combine(Reference.Root, "demo", "transcripts"), "0*.json").Select(f => Path.GetFileName(f)!)];

    [Theory]
    [MemberData(nameof(Transcripts))]
    public void Every_source_of_a_fresh_card_and_question_holds(string name)
    {
        var transcript = Read(name);
        var check = new SourceCheck(transcript);
        var sources = CardMaker.Make(transcript, 40).Select(c => c.Source).Concat(QuizMaker.Make(transcript, 40).Select(q => q.Source));
        Assert.All(sources, s => Assert.True(check.Of(s).Holds, s.Quote));
    }

    [Theory]
    [MemberData(nameof(Transcripts))]
    public void Cards_made_once_more_ask_about_the_same_and_have_keys_of_their_own(string name)
    {
        var (first, again) = (CardMaker.Make(Read(name)), CardMaker.Make(Read(name)));
        Assert.All(again, d => Assert.Contains(first, c => d.AsksTheSameAs(c.Key, c.Source)));
        Assert.Equal(first.Count, first.Select(c => c.Key).Distinct().Count());
    }

    [Theory]
    [InlineData(10_000, 20_000, 10_200, 20_300, true)]
    [InlineData(10_000, 20_000, 10_000, 14_000, false)]
    [InlineData(10_000, 20_000, 20_000, 30_000, false)]
    [InlineData(10_000, 20_000, 12_000, 22_000, true)]
    public void The_same_place_is_known_again_when_a_new_transcription_moves_it_a_little(int start, int end, int otherStart, int otherEnd, bool isSame) =>
        Assert.Equal(isSame, new Evidence("p1", start, end, "a").IsSamePlace(new Evidence("p9", otherStart, otherEnd, "b")));

    [Fact]
    public void A_card_from_before_there_were_keys_is_known_by_its_source()
    {
        var draft = CardDraft.Asking("F", "B", new Evidence("p1", 1_000, 5_000, "Words."));
        Assert.True(draft.AsksTheSameAs("card 17", new Evidence("p1", 1_100, 5_100, "Words.")));
        Assert.False(draft.AsksTheSameAs("card 17", new Evidence("p1", 9_000, 12_000, "Words.")));
    }

    [Fact]
    public void A_card_that_was_kept_under_all_that_it_rests_on_is_known_again_though_it_asks_about_less()
    {
        var source = new Evidence("p1", 1_000, 9_000, "What it leans on. It says so.");
        var draft = CardDraft.Asking("F", "B", source) with { Asks = source with { StartMs = 6_000 } };
        Assert.True(draft.AsksTheSameAs(source.Key, source));
        Assert.True(draft.AsksTheSameAs(draft.Key, source));
        Assert.False(draft.AsksTheSameAs("1000-5900", source));
    }

    [Fact]
    public void A_quiz_asks_first_what_was_not_asked_yet()
    {
        var transcript = Read("01-why-tides.json");
        var all = QuizMaker.Make(transcript, 40);
        var first = QuizMaker.Make(transcript, 3);
        var second = QuizMaker.Make(transcript, 3, seed: 2, first.Select(q => q.Source).ToList());
        Assert.True(all.Count >= 6, $"{all.Count} questions");
        Assert.Empty(first.Select(q => q.Content.Stem).Intersect(second.Select(q => q.Content.Stem)));
    }

    private static Transcript Read(string name) => TranscriptFormat.Read(File.ReadAllText(Path.Combine(Reference.Root, "demo", "transcripts", name)));
}
