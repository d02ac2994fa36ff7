using Kostel.Core.Audio;
using Microsoft.ML.OnnxRuntime;

namespace Kostel.Speech;

/// <summary>The Silero voice-activity network, version 5: windows of 512 samples, each seen with the 64 samples before it.</summary>
internal sealed class SileroVoiceActivity : IVoiceActivityDetector
{
    private const int Context = 64;
    private static readonly string[] InputNames = ["input", "state", "sr"];
    private static readonly string[] OutputNames = ["output", "stateN"];
    private readonly InferenceSession session;
    private readonly RunOptions runOptions = new();
    private readonly float[] input = new float[Context + 512];
    private readonly float[] state = new float[2 * 1 * 128];
    private readonly OrtValue inputValue;
    private readonly OrtValue stateValue;
    private readonly OrtValue rateValue;

    /// <param name="session">Shared; not disposed here.</param>
    public SileroVoiceActivity(InferenceSession session)
    {
        this.session = session;
        inputValue = OrtValue.CreateTensorValueFromMemory(input, [1, input.Length]);
        stateValue = OrtValue.CreateTensorValueFromMemory(state, [2, 1, 128]);
        rateValue = OrtValue.CreateTensorValueFromMemory(new long[] { Pcm.SampleRate }, []);
    }

    /// <inheritdoc/>
    public int WindowSize => 512;

    /// <inheritdoc/>
    public float Next(ReadOnlySpan<float> window)
    {
        input.AsSpan(512, Context).CopyTo(input);
        window.CopyTo(input.AsSpan(Context));
        using var results = session.Run(runOptions, InputNames, [inputValue, stateValue, rateValue], OutputNames);
        results[1].GetTensorDataAsSpan<float>().CopyTo(state);
        return results[0].GetTensorDataAsSpan<float>()[0];
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        inputValue.Dispose();
        stateValue.Dispose();
        rateValue.Dispose();
        runOptions.Dispose();
    }
}
