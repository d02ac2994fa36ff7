using System.Diagnostics;
using System.Globalization;
using Kostel.Benchmarks;
using Kostel.Core.Audio;
using Kostel.Core.Speech;
using Kostel.Media;
using Kostel.Speech;

// Prints, for recordings with the text that was spoken beside them (FILE TEXT FILE TEXT …), the errors and the time of the
// plain loop and of both settings, on the same utterances in the same run.
var models = ModelFolder.Open(
    Environment.GetEnvironmentVariable("KOSTEL_MODELS")!, Environment.GetEnvironmentVariable("KOSTEL_MODEL_LOCK")!);
using var engine = SpeechEngine.Load(models);
using var plain = new PlainLoop(models);
(string Name, IRecogniser Recogniser, int Parallel)[] ways =
[
    ("plain loop, one stream", plain, 1),
    ("fast", engine.Recogniser(Accuracy.Fast, []), Environment.ProcessorCount),
    ("accurate", engine.Recogniser(Accuracy.Accurate, []), Environment.ProcessorCount),
];
Console.WriteLine("| way | words | wrong | word error rate | seconds a minute of sound | times the plain loop |\n|---|---|---|---|---|---|");
var loop = 0.0;
foreach (var (name, recogniser, parallel) in ways)
{
    int words = 0, wrong = 0;
    long samples = 0;
    var watch = Stopwatch.StartNew();
    foreach (var pair in args.Chunk(2))
    {
        using var voice = engine.ListenForVoice();
        var heard = new List<string>();
        await foreach (var utterance in new TranscriptionPipeline(recogniser, new SegmenterOptions(), parallel)
            .Run(Counted(Recording.Decode(pair[0], default)), voice, 0, 0, null))
        {
            heard.AddRange(utterance.Words.Select(w => w.Text));
        }

        var errors = WordErrorRate.Compare(File.ReadAllText(pair[1]), string.Join(' ', heard));
        words += errors.ReferenceWords;
        wrong += errors.Total;
    }

    var minute = watch.Elapsed.TotalSeconds / (samples / (60.0 * Pcm.SampleRate));
    loop = loop == 0 ? minute : loop;
    Console.WriteLine(string.Create(
        CultureInfo.InvariantCulture, $"| {name} | {words} | {wrong} | {100.0 * wrong / words:0.0} % | {minute:0.00} | {loop / minute:0.0} |"));

    async IAsyncEnumerable<ReadOnlyMemory<float>> Counted(IAsyncEnumerable<ReadOnlyMemory<float>> sound)
    {
        await foreach (var piece in sound)
        {
            samples += piece.Length;
            yield return piece;
        }
    }
}
