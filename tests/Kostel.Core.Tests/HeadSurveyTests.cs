using Kostel.Core.Speech.Decoding;

namespace Kostel.Core.Tests;

public class HeadSurveyTests
{
    private const int Tokens = 12, Frames = 120;

    private static List<float[]> Attention(Func<int, int, double> weight) => Enumerable.Range(0, Tokens).Select(t =>
    {
        var row = Enumerable.Range(0, Frames).Select(f => (float)weight(t, f)).ToArray();
        var sum = row.Sum();
        return row.Select(v => v / sum).ToArray();
    }).ToList();

    [Fact]
    public void A_head_that_runs_forward_has_nearly_all_of_its_attention_on_the_path_and_one_that_stays_has_little()
    {
        var forward = HeadSurvey.Share(Attention((t, f) => Math.Exp(-Math.Pow(f - (t * 10) - 3, 2) / 8)));
        var even = HeadSurvey.Share(Attention((_, _) => 1));
        var backward = HeadSurvey.Share(Attention((t, f) => Math.Exp(-Math.Pow(f - 119 + (t * 10), 2) / 8)));
        Assert.True(forward > 0.9, $"{forward}");
        Assert.True(even < 0.3 && backward < 0.3, $"{even} {backward}");
        Assert.Equal(0, HeadSurvey.Share([]));
    }

    [Fact]
    public void The_best_heads_and_those_near_them_are_chosen_and_four_at_least()
    {
        var chosen = HeadSurvey.Choose([new(0, 1, 0.1), new(3, 2, 0.8), new(3, 0, 0.75), new(4, 6, 0.79), new(2, 5, 0.3), new(1, 7, 0.2)]);
        Assert.Equal([(2, "5"), (3, "0,2"), (4, "6")], chosen.Layers.Select(l => (l.Layer, string.Join(',', l.Heads))));
        Assert.Empty(HeadSurvey.Choose([]).Layers);
    }
}
