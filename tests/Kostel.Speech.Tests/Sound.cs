using System.Diagnostics;
using System.Threading.Channels;
using Kostel.Core.Speech;
using Kostel.Media;
using Kostel.Speech;

namespace Kostel.Speech.Tests;

/// <summary>The models, loaded once, and sound to try them on.</summary>
public sealed class Sound : IDisposable
{
    public Sound()
    {
        Models = ModelFolder.Open(
            Environment.GetEnvironmentVariable("KOSTEL_MODELS")!, Environment.GetEnvironmentVariable("KOSTEL_MODEL_LOCK")!);
        Engine = SpeechEngine.Load(Models);
    }

    public ModelFolder Models { get; }

    public SpeechEngine Engine { get; }

    /// <summary>Passes over a test whose language's pack is not on this machine; the test command says so at its end.</summary>
    public void Need(string language) =>
        Assert.SkipUnless(SpeechEngine.Languages(Models).Contains(language), $"The pack for '{language}' is not there: ./kostel models add {language}");

    /// <summary>Speaks a text with one of Debian's synthesiser voices: of flite, or of espeak-ng where it is named as a language ("es", "es+f2").</summary>
    public static async Task<float[]> Speak(string text, string voice = "slt")
    {
        var path = Path.GetTempFileName() + ".wav";
        using (var speaker = voice.Length == 2 || voice.Contains('+')
            ? Process.Start("espeak-ng", ["-v", voice, "-s", "140", "-w", path, text])
            : Process.Start("flite", ["-voice", voice, "-t", text, "-o", path]))
        {
            await speaker.WaitForExitAsync();
        }

        var samples = await Read(path);
        File.Delete(path);
        return samples;
    }

    public static async Task<float[]> Read(string path)
    {
        var samples = new List<float>();
        await foreach (var piece in Recording.Decode(path, TestContext.Current.CancellationToken))
        {
            samples.AddRange(piece.Span);
        }

        return [.. samples];
    }

    /// <summary>Recognises utterances by one worker.</summary>
    public static async Task<IReadOnlyList<Recognition>> Recognise(IRecogniser recogniser, params float[][] utterances)
    {
        var queue = Channel.CreateUnbounded<SpokenUtterance>();
        var spoken = utterances.Select(u => new SpokenUtterance(u)).ToList();
        spoken.ForEach(s => queue.Writer.TryWrite(s));
        queue.Writer.Complete();
        await recogniser.Work(queue.Reader, TestContext.Current.CancellationToken);
        return await Task.WhenAll(spoken.Select(s => s.Words));
    }

    public static string Text(Recognition recognition) => string.Join(' ', recognition.Words.Select(w => w.Text));

    public void Dispose() => Engine.Dispose();
}
