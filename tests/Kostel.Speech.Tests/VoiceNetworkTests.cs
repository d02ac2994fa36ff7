using Kostel.Benchmarks;

namespace Kostel.Speech.Tests;

public class VoiceNetworkTests(Sound sound) : IClassFixture<Sound>
{
    [Fact]
    public async Task Our_arithmetic_hears_a_voice_where_the_runtime_does()
    {
        var speech = await Sound.Speak("The harbour is quiet. The boats come home before the rain.", "awb");
        var random = new Random(7);
        float[] samples = [.. new float[8_000], .. speech, .. Enumerable.Range(0, 16_000).Select(_ => ((float)random.NextDouble() - 0.5f) * 0.2f)];
        using var ours = sound.Engine.ListenForVoice();
        using var theirs = new RuntimeVoiceActivity(sound.Models);
        float least = 1, most = 0;
        for (var at = 0; at + ours.WindowSize <= samples.Length; at += ours.WindowSize)
        {
            var window = samples.AsSpan(at, ours.WindowSize);
            var heard = ours.Next(window);
            Assert.Equal(theirs.Next(window), heard, 1e-3f);
            (least, most) = (Math.Min(least, heard), Math.Max(most, heard));
        }

        Assert.True(least < 0.1 && most > 0.9);
    }
}
