using System.CommandLine;
using System.Diagnostics;
using System.Globalization;
using Kostel.Core.Audio;
using Kostel.Core.Captions;
using Kostel.Core.Speech;
using Kostel.Core.Speech.Languages;
using Kostel.Core.Speech.Speakers;
using Kostel.Core.Speech.Terms;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;
using Kostel.Media;
using Kostel.Speech;

namespace Kostel.Cli;

/// <summary><c>transcribe FILE [--to json|vtt|srt|txt|rttm] [--out FILE] [--accuracy fast|accurate] [--terms FILE] [--voices N] [--language CODE] [--spelling WHICH] [--live] [--model NAME]</c></summary>
internal static class TranscribeCommand
{
    public static Command Create()
    {
        var file = new Argument<FileInfo>("FILE") { Description = "A sound or video file." };
        var to = new Option<string>("--to") { Description = "json, vtt, srt, txt, or rttm: who speaks when.", DefaultValueFactory = _ => "txt" };
        to.AcceptOnlyFromAmong("json", "vtt", "srt", "txt", "rttm");
        var output = new Option<FileInfo?>("--out") { Description = "Write here instead of to standard output." };
        var accuracy = new Option<Accuracy>("--accuracy")
        {
            Description = "accurate, or fast: more mistakes in two thirds of the time. Live is always fast.",
            DefaultValueFactory = _ => Accuracy.Accurate,
        };
        accuracy.AcceptOnlyFromAmong("fast", "accurate");
        var own = new Option<string?>("--model") { Description = "A recogniser of your own, by its name (models list)." };
        var terms = new Option<FileInfo?>("--terms") { Description = "A text file with words of the subject, one a line; or: written form = sounds like." };
        var voices = new Option<int?>("--voices") { Description = "How many people speak; found out without." };
        voices.Validators.Add(given =>
        {
            if (!int.TryParse(given.Tokens.FirstOrDefault()?.Value, NumberStyles.None, CultureInfo.InvariantCulture, out var count) || count is < 1 or > Diarisation.MostVoices)
            {
                given.AddError($"--voices takes a number from 1 to {Diarisation.MostVoices}.");
            }
        });
        var language = new Option<string?>("--language") { Description = "en, es, …: what is spoken; guessed from the first half minute without." };
        var spelling = new Option<Spelling>("--spelling") { Description = "asHeard, british or american, of English.", DefaultValueFactory = _ => Spelling.AsHeard };
        spelling.AcceptOnlyFromAmong("asHeard", "british", "american");
        var live = new Option<bool>("--live") { Description = "Play the recording at its own pace and write while it is spoken." };
        var command = new Command("transcribe", "Writes down what is said in a recording.") { file, to, output, accuracy, terms, voices, language, spelling, live, own };
        command.SetAction((parsed, cancel) => Run(
            new Wanted(
                parsed.GetRequiredValue(file),
                parsed.GetValue(to)!,
                parsed.GetValue(output),
                parsed.GetValue(accuracy),
                parsed.GetValue(terms),
                parsed.GetValue(voices),
                parsed.GetValue(language),
                parsed.GetValue(spelling),
                parsed.GetValue(live),
                parsed.GetValue(own)),
            cancel));
        return command;
    }

    private static async Task<int> Run(Wanted wanted, CancellationToken cancel)
    {
        Output.Check(wanted.Output);
        var terms = await ReadTerms(wanted.Terms, cancel);
        var facts = await Recording.Probe(wanted.File.FullName, cancel);
        var models = ModelFolder.Open(KostelPaths.Models, KostelPaths.ModelLock);
        using var engine = SpeechEngine.Load(models);
        var language = await LanguageChoice.Make(
            wanted.Model is { } named ? models.Own.Required(named).Language : wanted.Language,
            SpeechEngine.Languages(models),
            among => engine.OpenLanguageFinder().Find(() => Recording.Decode(wanted.File.FullName, cancel), among, cancel));
        if (language.IsGuessed)
        {
            await Console.Error.WriteLineAsync($"This sounds like {SpokenLanguages.NameOf(language.Language)}. Another language is chosen with --language.");
        }

        var recogniser = engine.Recogniser(language.Language, wanted.Live ? Accuracy.Fast : wanted.Accuracy, terms, wanted.Model);
        if (wanted.Live)
        {
            await LiveRun.Show(recogniser, engine, wanted.File.FullName, asJson: wanted.To == "json", cancel);
            return 0;
        }

        var transcript = await Transcribe(recogniser, engine, wanted, language, facts, cancel);
        var text = wanted.To switch
        {
            "rttm" => Rttm.Write(Path.GetFileNameWithoutExtension(wanted.File.Name), Turn.Of(transcript)),
            _ => TranscriptFiles.Write(transcript, Enum.Parse<TextFormat>(wanted.To, ignoreCase: true), new TextOptions()),
        };
        if (wanted.Output is null)
        {
            await Console.Out.WriteAsync(text);
        }
        else
        {
            await File.WriteAllTextAsync(wanted.Output.FullName, text, cancel);
        }

        return 0;
    }

    private static async Task<Transcript> Transcribe(
        IRecogniser recogniser, SpeechEngine engine, Wanted wanted, LanguageChoice language, RecordingFacts facts, CancellationToken cancel)
    {
        using var voice = engine.ListenForVoice();
        var plan = new TranscriptionPlan(language, wanted.Voices, wanted.Spelling, facts.DurationMs);
        var transcription = new RecordingTranscription(recogniser, plan, Math.Max(1, Environment.ProcessorCount), KnownWords.Chapters);
        var watch = Stopwatch.StartNew();
        var utterances = new List<Utterance>();
        await foreach (var utterance in transcription.Listen(Recording.Decode(wanted.File.FullName, cancel), voice, 0, 0, null, cancel))
        {
            utterances.Add(utterance);
            Progress(Pcm.ToMs(utterance.EndSample), facts.DurationMs, watch.Elapsed);
        }

        await Console.Error.WriteLineAsync();
        var made = transcription.Arrange(utterances, slidesMs: facts.HasPicture ? await MovingPicture.SlideChangesOf(wanted.File.FullName, facts.DurationMs, cancel) : []);
        if (made.Notice is { } notice)
        {
            await Console.Error.WriteLineAsync(notice);
        }

        return made.Transcript;
    }

    private static async Task<IReadOnlyList<CourseTerm>> ReadTerms(FileInfo? file, CancellationToken cancel)
    {
        if (file is null)
        {
            return [];
        }

        const long LargestList = 4_000_000;
        if (!file.Exists || file.Length > LargestList)
        {
            throw new MediaProblemException(file.Exists ? $"{file.Name} is too large for a list of terms." : $"There is no file {file.FullName}.");
        }

        var list = CourseTerms.Parse(await File.ReadAllLinesAsync(file.FullName, cancel));
        foreach (var problem in list.Problems)
        {
            await Console.Error.WriteLineAsync(problem);
        }

        return list.Terms;
    }

    private static void Progress(int doneMs, int totalMs, TimeSpan spent)
    {
        var left = totalMs > doneMs && doneMs > 0 ? $", about {CaptionClock.Short((int)(spent.TotalMilliseconds / doneMs * (totalMs - doneMs)))} left" : "";
        Console.Error.Write($"\rRecognising {CaptionClock.Short(doneMs)} of {CaptionClock.Short(totalMs)}{left}      ");
    }

    private sealed record Wanted(
        FileInfo File, string To, FileInfo? Output, Accuracy Accuracy, FileInfo? Terms, int? Voices, string? Language, Spelling Spelling, bool Live, string? Model);
}
