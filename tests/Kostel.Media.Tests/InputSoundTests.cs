using Kostel.Core.Audio;

namespace Kostel.Media.Tests;

/// <summary>Sound from a device; FFmpeg makes it up here.</summary>
public sealed class InputSoundTests
{
    private static readonly InputDevice Tone = InputDevice.Parse("lavfi:sine=frequency=440:sample_rate=48000");

    [Fact]
    public async Task A_device_is_read_for_as_long_as_was_wanted_to_the_sample()
    {
        var samples = 0L;
        await foreach (var piece in InputSound.Read(Tone, TimeSpan.FromSeconds(1.25), TestContext.Current.CancellationToken))
        {
            samples += piece.Length / sizeof(short);
        }

        Assert.Equal(Pcm.SampleRate * 5 / 4, samples);
    }

    [Fact]
    public async Task What_was_heard_until_it_was_stopped_is_given()
    {
        using var stop = new CancellationTokenSource();
        var samples = 0L;
        await foreach (var piece in InputSound.Read(Tone, null, stop.Token))
        {
            samples += piece.Length / sizeof(short);
            if (samples >= Pcm.SampleRate)
            {
                await stop.CancelAsync();
            }
        }

        Assert.InRange(samples, Pcm.SampleRate, Pcm.SampleRate * 2);
    }

    [Fact]
    public async Task A_device_that_is_gone_is_said_to_be_and_what_came_before_is_given()
    {
        var samples = 0L;
        var problem = await Assert.ThrowsAsync<MediaProblemException>(async () =>
        {
            await foreach (var piece in InputSound.Read(InputDevice.Parse("lavfi:sine=frequency=440:duration=0.5"), null, TestContext.Current.CancellationToken))
            {
                samples += piece.Length / sizeof(short);
            }
        });
        Assert.Contains("gives no sound any more", problem.Message, StringComparison.Ordinal);
        Assert.InRange(samples, 7_900, 8_100);
    }

    [Fact]
    public async Task A_device_that_there_is_not_is_said_so() =>
        await Assert.ThrowsAsync<MediaProblemException>(async () =>
        {
            await foreach (var _ in InputSound.Read(InputDevice.Parse("alsa:nothing-here"), null, TestContext.Current.CancellationToken))
            {
                Assert.True(_.IsEmpty);
            }
        });

    [Fact]
    public void Devices_are_read_from_the_list_the_usual_one_first()
    {
        var found = InputDevice.Read("pulse", "Auto-detected sources for pulse:\n  input.a [Built-in, left (1)] (none)\n* input.b [A clip-on microphone] (none)\n  null [Discard all samples] (none)\n");
        Assert.Equal(["pulse:input.b A clip-on microphone", "pulse:input.a Built-in, left (1)"], found.Select(d => $"{d.Address} {d.Label}"));
        Assert.Empty(InputDevice.Read("pulse", "Cannot list sources: Generic error in an external library\n"));
    }

    [Theory]
    [InlineData("")]
    [InlineData("microphone")]
    [InlineData("concat:/etc/passwd")]
    [InlineData("pulse:")]
    public void What_names_no_device_is_refused(string address) => Assert.Throws<MediaProblemException>(() => InputDevice.Parse(address));
}
