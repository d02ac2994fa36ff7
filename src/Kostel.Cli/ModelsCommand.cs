using System.CommandLine;
using Kostel.Core.Audio;
using Kostel.Core.Problems;
using Kostel.Core.Speech;
using Kostel.Core.Speech.Languages;
using Kostel.Media;
using Kostel.Speech;
using Kostel.Speech.Own;

namespace Kostel.Cli;

/// <summary><c>models add FOLDER --language CODE --name NAME [--clip FILE]</c>, <c>models remove NAME</c>, <c>models list</c>: recognisers of a person's own.</summary>
internal static class ModelsCommand
{
    private const int LongestClipMs = 30_000;

    public static Command Create()
    {
        var folder = new Argument<string>("FOLDER") { Description = "With an encoder, a merged decoder and, where it has one of its own, a token table." };
        var language = new Option<string>("--language") { Description = "The code of the language that it hears: en, es, de, …", Required = true };
        var name = new Option<string>("--name") { Description = "What to call it when it is chosen.", Required = true };
        var clip = new Option<FileInfo?>("--clip") { Description = "Some seconds of speech to try it on; English and Spanish have one." };
        var add = new Command("add", "Takes larger weights of the same kind in.") { folder, language, name, clip };
        add.SetAction((parsed, cancel) => Add(parsed.GetRequiredValue(folder), parsed.GetRequiredValue(language), parsed.GetRequiredValue(name), parsed.GetValue(clip), cancel));

        var gone = new Argument<string>("NAME");
        var remove = new Command("remove", "Takes one away again.") { gone };
        remove.SetAction(parsed =>
        {
            Models().Own.Remove(parsed.GetRequiredValue(gone));
            Console.WriteLine("It is removed. Transcripts that were made with it stay.");
        });
        var list = new Command("list", "Says which there are.");
        list.SetAction(_ =>
        {
            foreach (var model in Models().Own.All())
            {
                Console.WriteLine(Line(model));
            }
        });
        return new Command("models", "Recognisers of your own.") { add, remove, list };
    }

    private static ModelFolder Models() => ModelFolder.Open(KostelPaths.Models, KostelPaths.ModelLock);

    private static async Task<int> Add(string folder, string language, string name, FileInfo? clip, CancellationToken cancel)
    {
        var clips = Path.Combine(Path.GetDirectoryName(Path.GetFullPath(KostelPaths.ModelLock))!, "clips");
        var path = clip?.FullName ?? Path.Combine(clips, $"{language}.opus");
        if (clip is null && (!SpokenLanguages.IsCode(language) || !File.Exists(path)))
        {
            throw new NotValidException($"There is no clip of {SpokenLanguages.NameOf(language)} to try it on. Add --clip FILE: half a minute of speech in that language.");
        }

        await Console.Error.WriteLineAsync($"Trying it on {Path.GetFileName(path)} …");
        var model = OwnModelInstall.Add(Models(), folder, language, name, await Beginning(path, cancel), DateOnly.FromDateTime(DateTime.Today), cancel);
        Console.WriteLine($"It wrote: {model.Wrote}");
        var text = Path.ChangeExtension(path, ".txt");
        if (clip is null && File.Exists(text))
        {
            Console.WriteLine($"{WordErrorRate.Compare(await File.ReadAllTextAsync(text, cancel), model.Wrote).Rate:P0} of the words differ from what was said.");
        }

        Console.WriteLine(Line(model));
        Console.WriteLine($"It is there: choose “{model.Name}” like accurate and fast.");
        return 0;
    }

    private static string Line(OwnModel model) => FormattableString.Invariant(
        $"{model.Name}: {SpokenLanguages.NameOf(model.Language)}, {model.Bytes / 1e6:0.0} MB, {model.Layers} layers of {model.Width}, {model.SpeedFactor:0.0} seconds of sound a second, {model.LicenceLine}");

    private static async Task<float[]> Beginning(string path, CancellationToken cancel)
    {
        var samples = new List<float>();
        await foreach (var piece in Recording.Decode(path, cancel))
        {
            samples.AddRange(piece.Span);
            if (samples.Count >= Pcm.ToSample(LongestClipMs))
            {
                break;
            }
        }

        return [.. samples];
    }
}
