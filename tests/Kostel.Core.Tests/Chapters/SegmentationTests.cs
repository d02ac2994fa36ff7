using System.Text.Json;
using Kostel.Core.Chapters;
using Kostel.Core.Text;

namespace Kostel.Core.Tests.Chapters;

public class SegmentationTests
{
    /// <summary>
    /// Segments as in F. Choi (2000), from the Brown corpus; for 3 to 11 sentences TextTiling is given with a Pk of 0.46 and
    /// C99 with 0.12 (both from memory). Fiction, where neighbours share few content words, is the harder part of this set.
    /// </summary>
    [Theory]
    [InlineData("3", "11", 0.28)]
    [InlineData("9", "11", 0.24)]
    public void Joined_texts_are_taken_apart_again(string low, string high, double most)
    {
        var errors = Reference.Lines("choi.mjs", low, high, "40").Select(line =>
        {
            var document = JsonSerializer.Deserialize<Document>(line, JsonSerializerOptions.Web)!;
            var found = LexicalSegmentation.Segment(document.Sentences.Select(Tokens.ContentStems).ToList());
            return SegmentationError.Pk(document.Starts, found, document.Sentences.Length);
        }).ToList();
        Assert.True(errors.Average() <= most, $"Pk {errors.Average():0.000} on {errors.Count} documents");
    }

    [Fact]
    public void The_same_segmentation_has_no_error()
    {
        Assert.Equal(0, SegmentationError.Pk([0, 5, 12], [0, 5, 12], 20));
        Assert.Equal(0, SegmentationError.WindowDiff([0, 5, 12], [0, 5, 12], 20));
    }

    /// <summary>Twelve sentences, k = 3, nine windows; the missed boundary at 6 separates three of them.</summary>
    [Fact]
    public void A_missed_boundary_costs_the_windows_that_it_divides()
    {
        Assert.Equal(3 / 9.0, SegmentationError.Pk([0, 6], [0], 12), 9);
        Assert.Equal(3 / 9.0, SegmentationError.WindowDiff([0, 6], [0], 12), 9);
    }

    [Fact]
    public void No_sentences_have_no_segments() => Assert.Empty(LexicalSegmentation.Segment([]));

    [Fact]
    public void A_lecture_with_one_subject_is_one_segment() =>
        Assert.Equal([0], LexicalSegmentation.Segment(Enumerable.Repeat<IReadOnlyList<string>>(["tide", "water"], 12).ToList()));

    private sealed record Document(string[] Sentences, int[] Starts);
}
