using Kostel.Server.Jobs;

namespace Kostel.Server.Tests;

public class PaceTests
{
    private readonly Clock clock = new();

    [Fact]
    public void Nothing_is_said_before_there_is_enough_to_go_by()
    {
        var pace = new Pace(clock);
        Assert.Null(pace.SecondsLeft(0));
        clock.Seconds += 2;
        Assert.Null(pace.SecondsLeft(0.1));
        clock.Seconds += 2;
        Assert.Equal(16, pace.SecondsLeft(0.2));
    }

    [Fact]
    public void What_stands_still_has_no_time_left_to_tell()
    {
        var pace = new Pace(clock);
        pace.SecondsLeft(0.4);
        clock.Seconds += 10;
        Assert.Null(pace.SecondsLeft(0.4));
    }

    /// <summary>Models were loaded first: after half a minute only the pace of the last half minute counts.</summary>
    [Fact]
    public void A_slow_beginning_is_forgotten()
    {
        var pace = new Pace(clock);
        pace.SecondsLeft(0);
        clock.Seconds += 60;
        int? left = null;
        for (var i = 0; i <= 40; i++, clock.Seconds++)
        {
            left = pace.SecondsLeft(0.01 * i);
        }

        Assert.InRange(left!.Value, 58, 62);
    }

    private sealed class Clock : TimeProvider
    {
        public double Seconds { get; set; }

        public override long TimestampFrequency => 1000;

        public override long GetTimestamp() => (long)(Seconds * 1000);
    }
}
