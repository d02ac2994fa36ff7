using FsCheck.Xunit;
using Kostel.Core.Listening;

namespace Kostel.Core.Tests.Listening;

public sealed class StretchTests
{
    [Fact]
    public void What_overlaps_or_lies_near_is_one() => Assert.Equal(
        [new Stretch(0, 300), new Stretch(900, 1_000)],
        Stretch.Union([new(900, 1_000), new(0, 100), new(80, 200), new(240, 300), new(5, 5), new(8, 2)], nearMs: 50));

    [Fact]
    public void What_lies_over_each_other_is_counted_once() =>
        Assert.Equal(30 + 50, Stretch.SharedMs([new(0, 100), new(200, 300)], [new(70, 120), new(190, 250)]));

    [Property]
    public bool Joined_stretches_are_in_order_apart_and_lose_nothing((int, int)[] pairs, FsCheck.NonNegativeInt near)
    {
        var all = (pairs ?? []).Select(p => new Stretch(p.Item1 % 10_000, p.Item2 % 10_000)).ToList();
        var joined = Stretch.Union(all, near.Get % 100);
        return joined.Zip(joined.Skip(1)).All(p => p.First.EndMs + (near.Get % 100) < p.Second.StartMs)
            && all.Where(s => s.LengthMs > 0).All(s => joined.Any(j => j.StartMs <= s.StartMs && j.EndMs >= s.EndMs));
    }
}
