using System.Text.Json;
using Kostel.Core.Review;

namespace Kostel.Core.Tests.Review;

public class FsrsTests
{
    /// <summary>Against the npm package ts-fsrs 5.4 with fuzz off: intervals the same, stability and difficulty to 1e-4.</summary>
    [Fact]
    public void Ten_thousand_random_histories_are_scheduled_as_by_the_reference()
    {
        var lines = Reference.Lines("fsrs.mjs", "10000");
        Assert.Equal(10_000, lines.Length);
        foreach (var line in lines)
        {
            Memory? memory = null;
            foreach (var step in JsonSerializer.Deserialize<History>(line, JsonSerializerOptions.Web)!.Steps)
            {
                var grade = (RecallGrade)(int)step[1];
                memory = memory is { } m ? Fsrs.Next(m, (int)step[0], grade) : Fsrs.First(grade);
                Assert.Equal(step[2], memory.Value.Stability, 1e-4);
                Assert.Equal(step[3], memory.Value.Difficulty, 1e-4);
                Assert.Equal((int)step[4], Fsrs.IntervalDays(memory.Value.Stability));
            }
        }
    }

    [Fact]
    public void Recall_is_90_percent_after_as_many_days_as_the_stability() => Assert.Equal(0.9, Fsrs.Recall(12, 12), 6);

    private sealed record History(double[][] Steps);
}
