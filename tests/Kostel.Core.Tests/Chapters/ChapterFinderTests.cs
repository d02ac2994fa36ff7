using Kostel.Core.Chapters;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Chapters;

public class ChapterFinderTests
{
    private static readonly Transcript Tides = Lecture.Of(Lecture.DemoParagraphs("01-why-tides"));

    [Fact]
    public void Chapters_tile_the_lecture()
    {
        Assert.Equal(0, Tides.Chapters[0].StartMs);
        Assert.Equal(Tides.DurationMs, Tides.Chapters[^1].EndMs);
        Assert.All(Tides.Chapters.Zip(Tides.Chapters.Skip(1)), p => Assert.Equal(p.First.EndMs, p.Second.StartMs));
        Assert.InRange(Tides.Chapters.Count, 4, 9);
    }

    [Fact]
    public void Every_chapter_begins_with_a_passage() =>
        Assert.All(Tides.Chapters.Skip(1), c => Assert.Contains(Tides.Passages, p => p.StartMs == c.StartMs));

    [Fact]
    public void Titles_name_the_subject_and_differ()
    {
        var titles = Tides.Chapters.Select(c => c.Title).ToList();
        Assert.Equal(titles.Count, titles.Distinct().Count());
        Assert.Contains(titles, t => t.Contains("Storm surge", StringComparison.OrdinalIgnoreCase) || t.Contains("pressure", StringComparison.OrdinalIgnoreCase));
        Assert.Contains(titles, t => t.Contains("tide", StringComparison.OrdinalIgnoreCase));
    }

    [Fact]
    public void A_lecture_without_words_has_no_chapters() => Assert.Empty(TranscriptBuilder.Build([], 60_000).Chapters);

    [Fact]
    public void A_short_recording_is_one_chapter() => Assert.Single(Lecture.Of("Fog is a cloud that touches the ground.").Chapters);

    [Fact]
    public void A_chapter_is_named_after_the_term_that_it_defines_rather_than_after_a_frequent_word()
    {
        IReadOnlyList<Sentence> Chapter(params string[] texts) => texts.Select(t => Lecture.Sentence(t)).ToList();
        var titles = ChapterTitles.For(
        [
            Chapter("A mulch is a layer of material that covers the soil.", "Straw is cheap.", "The straw rots.", "More straw helps."),
            Chapter("It drains fast.", "It drains well.", "The bucket drains.", "The bucket is full."),
        ]);
        Assert.Equal(["Mulch", "Bucket"], titles);
    }
}
