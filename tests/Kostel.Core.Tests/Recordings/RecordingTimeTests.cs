using Kostel.Core.Problems;
using Kostel.Core.Recordings;

namespace Kostel.Core.Tests.Recordings;

public sealed class RecordingTimeTests
{
    [Theory]
    [InlineData("50m", 3_000)]
    [InlineData("1h30m", 5_400)]
    [InlineData("90s", 90)]
    [InlineData("2.5s", 2.5)]
    [InlineData("1h0m5s", 3_605)]
    public void A_time_is_read(string text, double seconds) => Assert.Equal(TimeSpan.FromSeconds(seconds), RecordingTime.Parse(text));

    [Theory]
    [InlineData("")]
    [InlineData("0m")]
    [InlineData("50")]
    [InlineData("-5m")]
    [InlineData("1m1h")]
    [InlineData("13h")]
    [InlineData("5 m")]
    public void What_is_none_is_refused(string text) => Assert.Throws<NotValidException>(() => RecordingTime.Parse(text));
}
