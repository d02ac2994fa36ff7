using Kostel.Core.Chapters;
using Kostel.Core.Chapters.Titles;
using Kostel.Core.Text;
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
        Assert.InRange(Tides.Chapters.Count, 4, 12);
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
    public void A_chapter_is_named_after_what_it_defines_and_speaks_of()
    {
        IReadOnlyList<Sentence> Chapter(params string[] texts) => texts.Select(t => Lecture.Sentence(t)).ToList();
        var titles = ChapterTitles.For(
        [
            Chapter("A mulch is a layer of material that covers the soil.", "Straw is cheap.", "The straw rots.", "More straw helps."),
            Chapter("It drains fast.", "It drains well.", "The bucket drains.", "The bucket is full."),
        ], WordKnowledge.None);
        Assert.Contains("mulch", titles[0], StringComparison.OrdinalIgnoreCase);
        Assert.Contains("bucket", titles[1], StringComparison.OrdinalIgnoreCase);
    }

    /// <summary>No stop anywhere: chapters begin at pieces of what is one sentence, and it stays quick.</summary>
    [Fact]
    public void Two_hundred_thousand_words_without_a_stop_are_divided_all_the_same()
    {
        var words = Enumerable.Range(0, 200_000).Select(i => new Word($"{(char)('a' + (i / 4_000 % 26))}ord{i % 7}", i * 400, (i * 400) + 380, 0.95)).ToList();
        var chapters = ChapterFinder.ByWords.Find([new Sentence("p1", 0, words)], words[^1].EndMs);
        Assert.InRange(chapters.Count, 100, 500);
        Assert.All(chapters.Zip(chapters.Skip(1)), p => Assert.Equal(p.First.EndMs, p.Second.StartMs));
        Assert.All(chapters, c => Assert.InRange(c.EndMs - c.StartMs, 1, 700_000));
    }

    /// <summary>Sentences about one thing with a pause nowhere: only the picture says where another part begins.</summary>
    [Fact]
    public void Where_the_words_do_not_say_it_a_chapter_begins_with_its_slide()
    {
        var sentences = Sentences.Of(Lecture.Of(string.Join(' ', Enumerable.Range(0, 40).Select(i => $"The water rises and the water falls in basin {(char)('a' + i % 7)}."))).Passages);
        var end = sentences[^1].EndMs;
        foreach (var slide in new[] { sentences[14].StartMs, sentences[19].StartMs, sentences[25].StartMs })
        {
            var chapters = ChapterFinder.ByWords.Find(sentences, end, 2, "en", [slide - 700]);
            Assert.Equal(slide, chapters[1].StartMs);
        }
    }

    [Fact]
    public void Chapters_that_came_without_titles_are_named_by_what_is_said_in_them()
    {
        ChapterMark[] marks = [new("", 0), new("Storms", Tides.Chapters[2].StartMs), new("", Tides.Chapters[3].StartMs)];
        var named = BroughtChapters.Into(Tides, marks, ChapterFinder.ByWords).Chapters;
        Assert.Equal("Storms", named[1].Title);
        Assert.All(named, c => Assert.True(c.Title.Length > 3 && !c.Title.Any(char.IsDigit), c.Title));
        Assert.Equal(3, named.Select(c => c.Title).Distinct().Count());
    }

    [Theory]
    [InlineData("Chapter 03", "")]
    [InlineData("Part 6.", "")]
    [InlineData("12", "")]
    [InlineData("", "")]
    [InlineData("Part of the answer", "Part of the answer")]
    [InlineData("1848", "1848")]
    [InlineData("Chapter 3: Clay", "Chapter 3: Clay")]
    public void A_title_that_only_counts_is_none(string title, string read) =>
        Assert.Equal(read, Assert.Single(ChapterFiles.Ordered([new ChapterMark(title, 0)])).Title);

    [Theory]
    [InlineData(1)]
    [InlineData(3)]
    [InlineData(400)]
    public void As_many_chapters_are_made_as_are_asked_for(int count)
    {
        var sentences = Sentences.Of(Tides.Passages);
        var chapters = ChapterFinder.ByWords.Find(sentences, Tides.DurationMs, count);
        Assert.Equal(Math.Min(count, sentences.Count), chapters.Count);
        Assert.Equal(chapters.Count, chapters.Select(c => c.Title).Distinct().Count());
    }
}
