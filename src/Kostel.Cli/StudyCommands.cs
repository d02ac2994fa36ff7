using System.CommandLine;
using Kostel.Core.Captions;
using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Quizzes;
using Kostel.Core.Study.Summaries;
using Kostel.Core.Transcripts;

namespace Kostel.Cli;

/// <summary><c>summary</c>, <c>cards</c> and <c>quiz</c>: study material from a transcript file, as text.</summary>
internal static class StudyCommands
{
    /// <summary>The exit code where a text has too little for what was asked of it.</summary>
    private const int NothingMade = 3;

    public static IEnumerable<Command> Create()
    {
        yield return OnTranscript("summary", "Writes a summary in the lecture's own sentences.", "There is not enough in this text to sum up.", t => Summarizer.Summarize(t)
            .SelectMany(p => p.Lines.Select(l => $"  {CaptionClock.Short(l.StartMs)}  {l.Quote}").Prepend($"{p.Chapter}")));
        yield return OnTranscript("cards", "Makes cards: question, answer and time, divided by tabs.", "There is not enough in this text to make cards of.", t => CardMaker.Make(t)
            .Select(c => $"{c.Content.Front}\t{c.Content.Back}\t{CaptionClock.Short(c.Source.StartMs)}"));
        yield return OnTranscript("quiz", "Makes a choice quiz; the right choice is marked with *.", "There is not enough in this text to make a quiz of.", t => QuizMaker.Make(t)
            .SelectMany(q => q.Content.Choices.Select((c, i) => $"  {(i == q.Content.Key ? '*' : '-')} {c}").Prepend($"{CaptionClock.Short(q.Source.StartMs)}  {q.Content.Stem}")));
    }

    private static Command OnTranscript(string name, string description, string nothing, Func<Transcript, IEnumerable<string>> make)
    {
        var file = new Argument<FileInfo>("TRANSCRIPT") { Description = "The text of a lecture: Kostel's JSON, or captions or text of another form." };
        var command = new Command(name, description) { file };
        command.SetAction(async (parsed, cancel) =>
        {
            var lines = make(await Read(parsed.GetRequiredValue(file), cancel)).ToList();
            if (lines.Count == 0)
            {
                await Console.Error.WriteLineAsync(nothing);
                return NothingMade;
            }

            foreach (var line in lines)
            {
                await Console.Out.WriteLineAsync(line);
            }

            return 0;
        });
        return command;
    }

    private static async Task<Transcript> Read(FileInfo file, CancellationToken cancel) => (await TextFile.Read(file, cancel)).Transcript;
}
