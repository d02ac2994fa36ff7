using Kostel.Core.Audio;
using Kostel.Speech;
using Microsoft.ML.OnnxRuntime;

namespace Kostel.Benchmarks;

/// <summary>The voice-activity network run by ONNX Runtime: what ours is compared with.</summary>
public sealed class RuntimeVoiceActivity : IVoiceActivityDetector
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

    /// <summary>Loads the network.</summary>
    public RuntimeVoiceActivity(ModelFolder models)
    {
        using var options = new SessionOptions { IntraOpNumThreads = 1, LogSeverityLevel = OrtLoggingLevel.ORT_LOGGING_LEVEL_ERROR };
        session = new InferenceSession(models.PathOf("voice-activity.onnx"), options);
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
        session.Dispose();
    }
}
