using System.CommandLine;
using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;
using Kostel.Core.Answers;
using Kostel.Core.Captions;
using Kostel.Core.Transcripts;

namespace Kostel.Cli;

/// <summary>Answers a question from the texts of lectures.</summary>
internal static class AskCommand
{
    private static readonly JsonSerializerOptions Json = new() { WriteIndented = true, Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };

    public static Command Create()
    {
        var words = new Argument<string[]>("FILE… QUESTION") { Description = "Texts of lectures (Kostel's JSON, captions, or text of another form), and last the question.", Arity = ArgumentArity.OneOrMore };
        var asJson = new Option<bool>("--json") { Description = "Write the state, and each line with its file, times in seconds, and the letters that answer." };
        var command = new Command("ask", "Answers a question in the lectures' own sentences.") { words, asJson };
        command.SetAction((parsed, cancel) => Run(parsed.GetRequiredValue(words), parsed.GetValue(asJson), cancel));
        return command;
    }

    private static async Task Run(string[] words, bool asJson, CancellationToken cancel)
    {
        var question = words[^1].Trim();
        if (words.Length < 2)
        {
            throw new FormatException("Name at least one text, and then the question in quotation marks.");
        }

        if (question.Length == 0)
        {
            throw new FormatException("Ask something: the question is empty.");
        }

        if (KnownWords.Value.Vectors.Count == 0)
        {
            await Console.Error.WriteLineAsync("The word vectors are not there: answers are found by the words alone. ./kostel models fetches them.");
        }

        var sources = new List<AskedSource>();
        foreach (var path in words[..^1])
        {
            sources.Add(new AskedSource(path, await Read(new FileInfo(path), cancel), Path.GetFileNameWithoutExtension(path).Replace('-', ' ').Replace('_', ' ')));
        }

        var answer = new AnswerFinder(sources, KnownWords.Value).Ask(question);
        await Console.Out.WriteLineAsync(asJson ? AsJson(answer).ToJsonString(Json) : AsText(answer, sources.Count > 1));
    }

    private static async Task<IReadOnlyList<Sentence>> Read(FileInfo file, CancellationToken cancel) =>
        await TextFile.Lined(file, cancel) is { } lined ? lined.Sentences : Sentences.Of((await TextFile.Read(file, cancel)).Transcript.Passages);

    private static string AsText(Answer answer, bool namesFiles)
    {
        if (answer.Material is { } material)
        {
            return $"That is made by: ./kostel {material.ToString().ToLowerInvariant()} FILE";
        }

        var head = (answer.State, answer.Lines.Count) switch
        {
            (AnswerState.Said, _) => "Said:",
            (AnswerState.Perhaps, _) => "Perhaps; nothing says it outright. Nearest:",
            (_, 0) => "This isn't said.",
            _ => "This isn't said. Nearest:",
        };
        var unheard = answer.State != AnswerState.Said && answer.UnheardWords.Count > 0 ? $"\n  Never said: {string.Join(", ", answer.UnheardWords)}" : "";
        var meant = string.Concat(answer.Meant.Select(m => $"“{m.Asked}” taken for “{m.Meant}”.\n"));
        return meant + head + string.Concat(answer.Lines.Select(l => $"\n  {(namesFiles ? $"{Path.GetFileName(l.LectureId)} " : "")}{CaptionClock.Short(l.StartMs)}  {l.Quote}")) + unheard;
    }

    private static JsonObject AsJson(Answer answer) => new()
    {
        ["state"] = answer.State switch
        {
            AnswerState.Said => "said",
            AnswerState.Perhaps => "perhaps",
            _ => "not-said",
        },
        ["lines"] = new JsonArray([.. answer.Lines.Zip(answer.Parts, (l, part) => new JsonObject
        {
            ["file"] = l.LectureId,
            ["start"] = l.StartMs / 1000m,
            ["end"] = l.EndMs / 1000m,
            ["text"] = l.Quote,
            ["answer"] = new JsonArray(part.From, part.To),
        })]),
    };
}
