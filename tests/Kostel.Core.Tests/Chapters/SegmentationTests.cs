using System.Text.Json;
using Kostel.Core.Chapters;
using Kostel.Core.Text;

namespace Kostel.Core.Tests.Chapters;

public class SegmentationTests
{
    private static readonly SegmentationEvidence Even = new(_ => 0, (_, _) => 0, (_, _) => false);

    private static IReadOnlyList<int> Divide(IReadOnlyList<string> units, int? count = null, SegmentationEvidence? evidence = null) =>
        new TopicSegmentation(units, WordVectors.None).Divide(evidence ?? Even, count);

    /// <summary>
    /// Segments as in F. Choi (2000), from the Brown corpus, their number known, by the words alone; with meaning they are found
    /// better (<c>bench chapters</c>). Fiction, where neighbours share few content words, is much the harder part.
    /// </summary>
    [Theory]
    [InlineData("3", "11", "aj", 0.17)]
    [InlineData("9", "11", "aj", 0.13)]
    [InlineData("9", "11", "aklmnp", 0.26)]
    public void Joined_texts_are_taken_apart_again(string low, string high, string parts, double most)
    {
        var errors = Reference.Lines("choi.mjs", low, high, "40", parts).Select(line =>
        {
            var document = JsonSerializer.Deserialize<Document>(line, JsonSerializerOptions.Web)!;
            return SegmentationError.Pk(document.Starts, Divide(document.Sentences, 10), document.Sentences.Length);
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
    public void No_sentences_have_no_segments() => Assert.Empty(Divide([]));

    [Fact]
    public void A_text_of_one_subject_is_one_segment() => Assert.Equal([0], Divide(Enumerable.Repeat("The tide and the water.", 12).ToList()));

    [Fact]
    public void As_many_segments_are_found_as_are_asked_for_and_no_more_than_there_are_sentences()
    {
        List<string> units = ["Yeast eats sugar.", "Yeast makes gas.", "Walls keep carts out.", "Walls cost stone.", "Clocks lose in heat.", "Clocks want oil."];
        Assert.Equal([0, 2, 4], Divide(units, 3));
        Assert.Equal(6, Divide(units, 40).Count);
        Assert.Equal([0], Divide(units, 1));
    }

    [Fact]
    public void A_boundary_that_much_speaks_for_is_taken_and_a_segment_that_is_refused_is_not()
    {
        var units = Enumerable.Range(0, 10).Select(i => $"Sentence number {i} about water.").ToList();
        Assert.Equal([0, 4], Divide(units, null, Even with { Boundary = i => i == 4 ? -100 : 50 }));
        Assert.Equal(4, Divide(units, null, Even with { Length = (_, _) => 1, IsTooLong = (from, to) => to - from > 3 }).Count);
    }

    private sealed record Document(string[] Sentences, int[] Starts);
}
