namespace Kostel.Core.Audio;

/// <summary>Facts about the sound that the speech parts work on: one channel of floats in −1…1.</summary>
public static class Pcm
{
    /// <summary>Samples a second.</summary>
    public const int SampleRate = 16_000;

    /// <summary>The time of a sample, in whole milliseconds.</summary>
    public static int ToMs(long sample) => (int)(sample * 1000 / SampleRate);

    /// <summary>The first sample at or after a time.</summary>
    public static long ToSample(int ms) => (long)ms * SampleRate / 1000;
}

/// <summary>Estimates, window by window, how likely it is that somebody speaks. Keeps state between calls; one recording each.</summary>
public interface IVoiceActivityDetector : IDisposable
{
    /// <summary>Samples in a window.</summary>
    int WindowSize { get; }

    /// <summary>The probability of speech (0 to 1) in the next window, which has exactly <see cref="WindowSize"/> samples.</summary>
    float Next(ReadOnlySpan<float> window);
}

/// <summary>A stretch of speech in samples from the start of the recording; <paramref name="End"/> is exclusive.</summary>
/// <param name="Before">Samples before it that are heard with it, because it was cut off there within speech…</param>
/// <param name="After">…and after it.</param>
public readonly record struct SpeechSpan(long Start, long End, int Before = 0, int After = 0)
{
    /// <summary>Number of samples.</summary>
    public long Length => End - Start;
}

/// <summary>How window probabilities become utterances.</summary>
/// <param name="On">Speech begins at this probability…</param>
/// <param name="Off">…and goes on until the probability falls below this one (hysteresis).</param>
/// <param name="MinSpeechMs">A shorter burst is no speech.</param>
/// <param name="PauseMs">A silence this long ends an utterance once it is <paramref name="EnoughMs"/> long.</param>
/// <param name="ShortPauseMs">A silence this long ends an utterance that is near <paramref name="MaxMs"/>.</param>
/// <param name="EnoughMs">Below this length an utterance waits for a longer silence.</param>
/// <param name="LongPauseMs">A silence this long ends any utterance.</param>
/// <param name="MaxMs">An utterance is never longer: it is cut at its weakest point.</param>
/// <param name="PadMs">Sound kept on either side.</param>
/// <param name="OverlapMs">Sound heard with both neighbours where speech had to be cut without a pause.</param>
public sealed record SegmenterOptions(
    float On = 0.5f,
    float Off = 0.35f,
    int MinSpeechMs = 160,
    int PauseMs = 380,
    int ShortPauseMs = 160,
    int EnoughMs = 10_000,
    int LongPauseMs = 1_200,
    int MaxMs = 20_000,
    int PadMs = 160,
    int OverlapMs = 960);
