using FsCheck.Xunit;
using Kostel.Core.Audio;

namespace Kostel.Core.Tests.Audio;

public sealed class PeakDetailTests
{
    [Fact]
    public void A_short_recording_is_given_as_it_is() => Assert.Equal([90, 0, 80], PeakDetail.Of([90, 0, 80], 0, int.MaxValue, 10).Loudness);

    [Fact]
    public void Coarse_slices_are_means_and_silence_stays_silence()
    {
        var detail = PeakDetail.Of([100, 120, 100, 120, 5, 5, 5, 200], 0, int.MaxValue, 2);
        Assert.Equal([110, 0], detail.Loudness);
        Assert.Equal(200, detail.SliceMs);
    }

    [Fact]
    public void A_part_begins_where_a_coarse_slice_does() => Assert.Equal(400, PeakDetail.Of(new byte[1_000], 550, 2_000, 10).FromMs);

    [Property]
    public bool Any_part_is_within_its_bounds(byte[]? peaks, int from, int to, ushort most) =>
        PeakDetail.Of(peaks ?? [], from, to, most).Loudness.Length <= Math.Max(1, (int)most) + 1;
}
