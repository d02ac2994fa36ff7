using System.CommandLine;
using System.Globalization;
using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;
using Kostel.Core.Captions;
using Kostel.Core.Chapters;
using Kostel.Core.Transcripts;

namespace Kostel.Cli;

/// <summary><c>chapters FILE… [--count N] [--to text|json|vtt]</c>: where the subject changes, and what each part is about.</summary>
internal static class ChaptersCommand
{
    private const int NothingMade = 3, MostChapters = 500;
    private static readonly JsonSerializerOptions Json = new() { WriteIndented = true, Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };

    public static Command Create()
    {
        var files = new Argument<FileInfo[]>("FILE") { Description = "Transcripts, captions, or texts with a sentence on each line.", Arity = ArgumentArity.OneOrMore };
        var count = new Option<int?>("--count") { Description = "How many chapters; as many as there are without." };
        count.Validators.Add(given =>
        {
            if (!int.TryParse(given.Tokens.FirstOrDefault()?.Value, NumberStyles.None, CultureInfo.InvariantCulture, out var wanted) || wanted is < 1 or > MostChapters)
            {
                given.AddError($"--count takes a number from 1 to {MostChapters}.");
            }
        });
        var to = new Option<string>("--to") { Description = "text, json (Podcasting 2.0) or vtt.", DefaultValueFactory = _ => "text" };
        to.AcceptOnlyFromAmong("text", "json", "vtt");
        var command = new Command("chapters", "Divides a lecture into chapters and names them.") { files, count, to };
        command.SetAction((parsed, cancel) => Run(parsed.GetRequiredValue(files), parsed.GetValue(count), parsed.GetValue(to)!, cancel));
        return command;
    }

    private static async Task<int> Run(FileInfo[] files, int? count, string to, CancellationToken cancel)
    {
        if (KnownWords.Value.Vectors.Count == 0)
        {
            await Console.Error.WriteLineAsync("The word vectors are not there: chapters are found by the words alone. ./kostel models fetches them.");
        }

        var found = new List<FoundChapters>();
        foreach (var file in files)
        {
            found.Add(await Find(file, count, cancel));
        }

        if (to == "json")
        {
            var all = found.ConvertAll(f => f.Json(files.Length > 1));
            Console.WriteLine((all.Count == 1 ? (JsonNode)all[0] : new JsonArray([.. all])).ToJsonString(Json));
        }
        else
        {
            foreach (var f in found)
            {
                Console.Write(f.Write(to, files.Length > 1));
            }
        }

        if (found.All(f => f.Chapters.Count > 0))
        {
            return 0;
        }

        await Console.Error.WriteLineAsync("There are no chapters in this text.");
        return NothingMade;
    }

    /// <summary>Chapters that a file brings are kept, unless a number of them is asked for.</summary>
    private static async Task<FoundChapters> Find(FileInfo file, int? count, CancellationToken cancel)
    {
        if (await TextFile.Lined(file, cancel) is { } lined)
        {
            return new FoundChapters(file.Name, KnownWords.Chapters.Find(lined.Sentences, lined.DurationMs, count), lined);
        }

        var transcript = (await TextFile.Read(file, cancel)).Transcript;
        return new FoundChapters(
            file.Name, count is null ? transcript.Chapters : KnownWords.Chapters.Find(Sentences.Of(transcript.Passages), transcript.DurationMs, count, transcript.Language), null);
    }

    private sealed record FoundChapters(string File, IReadOnlyList<Chapter> Chapters, LinedText? Lined)
    {
        public JsonObject Json(bool named)
        {
            var json = ChapterFiles.WriteJson(Chapters, i => Lined is null ? [] : [new("firstLine", First(i)), new("lastLine", Last(i))]);
            if (named)
            {
                json["file"] = File;
            }

            return json;
        }

        public string Write(string to, bool named) => to == "vtt"
            ? WebVtt.WriteChapters(Chapters)
            : (named ? $"{File}\n" : "") + string.Concat(Chapters.Select(c => $"{CaptionClock.Short(c.StartMs)}  {c.Title}\n"));

        private int First(int chapter) => Lined!.Lines[Unit(chapter)];

        private int Last(int chapter) => chapter + 1 < Chapters.Count ? Lined!.Lines[Unit(chapter + 1) - 1] : Lined!.Lines[^1];

        private int Unit(int chapter) => chapter == 0 ? 0 : Lined!.Sentences.TakeWhile(s => s.StartMs < Chapters[chapter].StartMs).Count();
    }
}
