using System.Diagnostics;
using System.Globalization;
using System.Text.Json;
using Kostel.Benchmarks;
using Kostel.Benchmarks.Asking;
using Kostel.Benchmarks.Searching;
using Kostel.Benchmarks.Segmenting;
using Kostel.Benchmarks.Studying;
using Kostel.Core.Audio;
using Kostel.Core.Speech;
using Kostel.Core.Speech.Languages;
using Kostel.Core.Speech.Numbers;
using Kostel.Core.Speech.Speakers;
using Kostel.Core.Speech.Terms;
using Kostel.Core.Transcripts;
using Kostel.Media;
using Kostel.Speech;

// Recognises recordings in several ways in one run and writes one line of JSON for each recording and way: what was heard, and
// how long it took. Usage: WAY[,WAY…] FILE…; a way is plain, fast or accurate, and "fast+FILE" takes the terms in the file,
// "fast:es" is Spanish.
// With "write" alone a text is read and given back with its numbers in figures, to be compared with transcripts that have them.
if (args is ["write"])
{
    var said = Console.In.ReadToEnd().Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries);
    Console.WriteLine(string.Join(' ', WrittenNumbers.Of(said.Select(w => new Word(w, 0, 0, 1)).ToList()).Select(w => w.Text)));
    return;
}

// With "language" each file's language is guessed; with "der REFERENCE FOUND" two records of who spoke are compared (RTTM).
if (args is ["der", var reference, var found])
{
    var error = DiarisationError.Of(Rttm.Read(File.ReadAllText(reference)), Rttm.Read(File.ReadAllText(found)));
    Console.WriteLine(JsonSerializer.Serialize(error, JsonSerializerOptions.Web));
    return;
}

// With "weigh FOLDER" a library's index is weighed.
if (args is ["weigh", var weighed])
{
    GeneratedLibrary.Weigh(weighed);
    return;
}

var models = ModelFolder.Open(
    Environment.GetEnvironmentVariable("KOSTEL_MODELS")!, Environment.GetEnvironmentVariable("KOSTEL_MODEL_LOCK")!);

// With "joined NAME" texts that were joined come in, one JSON a line; with "lectures FILE…" lectures with outlines are divided, with
// "titles" before the files named too, with "named" named as they were written, with "judged LIST FOLDER" compared with titles that were judged; with "learn FILE…" the weights are learned from them, with "naming LIST FOLDER" those of titles from judged ones; "pool FILE…" prints what could name each chapter, "unread LIST FOLDER" what of it was not judged yet; with "long FILE…" four hours of them are timed.
if (args is ["joined" or "lectures" or "titles" or "named" or "unread" or "judged" or "pool" or "naming" or "long" or "learn", ..])
{
    var words = new WordKnowledgeFiles(models).Value;
    switch (args[0])
    {
        case "joined":
            ChapterBench.Joined(args[1], Console.In.ReadToEnd().Split('\n', StringSplitOptions.RemoveEmptyEntries), words);
            break;
        case "learn":
            ChapterLearning.Run(args[1..], words);
            break;
        case "unread":
            TitleBench.Unread(args[1], args[2], words);
            break;
        case "judged":
            TitleBench.Judge(args[1], args[2], words);
            break;
        case "naming":
            TitleLearning.Run(args[1], args[2], words);
            break;
        case "pool":
            TitleBench.Pool(args[1..], words);
            break;
        case "named":
            TitleBench.Show(args[1..], words);
            break;
        case "long":
            ChapterBench.Long(args[1..], words);
            break;
        default:
            ChapterBench.Lectures(args[1..], words, args[0] == "titles");
            break;
    }

    return;
}

// With "library FOLDER LECTURES" a library is generated.
if (args is ["library", var folder, var lectures])
{
    var frequent = File.ReadLines(models.PathOf("lexicon.txt")).Select(l => l.Split(' ')).OrderByDescending(l => l.Skip(1).Sum(int.Parse)).Select(l => l[0]);
    GeneratedLibrary.Make(folder, int.Parse(lectures, CultureInfo.InvariantCulture), [.. GeneratedLibrary.MostFrequent, .. frequent]);
    return;
}

// With "ask LISTS FOLDER [each|parts|bars|learn|kept]" questions are put to texts.
if (args is ["ask", var questions, var lecturesFolder, ..])
{
    AskBench.Run(questions, lecturesFolder, new WordKnowledgeFiles(models).Value, args.Length > 3 ? args[3] : null);
    return;
}

// With "study LIST FOLDER [each|cards|quiz|learn|set|spoken TRANSCRIPTS]" study material is made of texts whose key facts are known.
if (args is ["study", var facts, var studied, ..])
{
    StudyBench.Run(facts, studied, new WordKnowledgeFiles(models).Value, args.Length > 3 ? args[3] : null, args.Length > 4 ? args[4] : null);
    return;
}

// With "spoken LIST FOLDER TRANSCRIPTS" questions are put to texts, and to what the recogniser wrote of them.
if (args is ["spoken", var askedOf, var writtenTexts, var heardTexts])
{
    SpokenBench.Run(askedOf, writtenTexts, heardTexts, new WordKnowledgeFiles(models).Value);
    return;
}

// With "otherwise LIST FOLDER" the same questions are put as people type them.
if (args is ["otherwise", var typed, var typedTexts])
{
    OtherwiseAsked.Run(typed, typedTexts, new WordKnowledgeFiles(models).Value);
    return;
}

// With "right LIST FOLDER LIST FOLDER" questions are put to all transcripts of a folder at once, and to all written texts of another.
if (args is ["right", var asked, var transcripts, var askedAtOnce, var textsAtOnce])
{
    var known = new WordKnowledgeFiles(models).Value;
    LibraryBench.Run(asked, transcripts, known);
    LibraryBench.OfTexts(AskedText.ReadAll(askedAtOnce, textsAtOnce, known), known);
    return;
}

// With "written FOLDER [each]" written sentences are compared with passages.
if (args is ["written", var sentences, ..])
{
    WrittenBench.Run(sentences, new WordKnowledgeFiles(models).Value, args.Length > 2);
    return;
}

// With "subjects LIST FOLDER LINES [each]" subjects are looked for in texts, so many lines a passage.
if (args is ["subjects", var list, var texts, var perPassage, ..])
{
    SubjectBench.Run(list, texts, int.Parse(perPassage, CultureInfo.InvariantCulture), new WordKnowledgeFiles(models).Value, args.Length > 4);
    return;
}

using var engine = SpeechEngine.Load(models);
using var plain = new PlainLoop(models);
if (args[0] == "language")
{
    var both = engine.OpenLanguageFinder();
    var lines = new string[args.Length];
    await Parallel.ForAsync(1, args.Length, new ParallelOptions { MaxDegreeOfParallelism = Environment.ProcessorCount }, async (i, cancel) =>
    {
        var (heard, spokenMs) = await both.Hear(() => Recording.Decode(args[i], cancel), [SpokenLanguages.English, SpokenLanguages.Spanish], cancel);
        var guess = LanguageGuess.Of(heard, spokenMs, SpokenLanguages.English);
        var alone = LanguageGuess.Of(new Dictionary<string, IReadOnlyList<Word>> { [SpokenLanguages.English] = heard[SpokenLanguages.English] }, spokenMs, SpokenLanguages.English);
        lines[i] = JsonSerializer.Serialize(new { guess, alone }, JsonSerializerOptions.Web);
    });
    Console.WriteLine(string.Join('\n', lines[1..]));
    return;
}

var ways = args[0].Split(',').Select(w => (Way: w, Recogniser: Recogniser(w))).ToList();
using var process = Process.GetCurrentProcess();

// Each recording in all ways before the next, so that other work on the machine falls on all of them.
foreach (var file in args[1..])
{
    foreach (var (way, (recogniser, parallel)) in ways)
    {
        long samples = 0;
        var words = new List<object>();
        var processor = Processor();
        var watch = Stopwatch.StartNew();
        using var voice = engine.ListenForVoice();
        await foreach (var utterance in new TranscriptionPipeline(recogniser, new SegmenterOptions(), parallel).Run(Sound(), voice, 0, 0, null))
        {
            words.AddRange(utterance.Words.Select(w => new { text = w.Text, start = w.StartMs, end = w.EndMs, confidence = w.Confidence }));
        }

        Console.WriteLine(JsonSerializer.Serialize(new
        {
            way,
            file,
            seconds = watch.Elapsed.TotalSeconds,
            processor = Processor() - processor,
            sound = samples / (double)Pcm.SampleRate,
            words,
        }));

        async IAsyncEnumerable<ReadOnlyMemory<float>> Sound()
        {
            await foreach (var piece in Recording.Decode(file, default))
            {
                samples += piece.Length;
                yield return piece;
            }
        }
    }
}

double Processor()
{
    process.Refresh();
    return process.TotalProcessorTime.TotalSeconds;
}

(IRecogniser Recogniser, int Parallel) Recogniser(string way)
{
    var language = way.Split(':') is [_, var code] ? code : SpokenLanguages.English;
    var parts = way.Split(':')[0].Split('+', 2);
    var terms = parts.Length == 2 ? CourseTerms.Parse(File.ReadLines(parts[1])).Terms : [];
    return parts[0] == "plain"
        ? (plain, 1)
        : (engine.Recogniser(language, Enum.Parse<Accuracy>(parts[0], ignoreCase: true), terms), Environment.ProcessorCount);
}
