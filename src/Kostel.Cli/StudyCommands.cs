using System.CommandLine;
using Kostel.Core.Answers;
using Kostel.Core.Captions;
using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Quizzes;
using Kostel.Core.Study.Summaries;
using Kostel.Core.Transcripts;

namespace Kostel.Cli;

/// <summary><c>summary</c>, <c>cards</c>, <c>quiz</c>, <c>ask</c> and <c>chapters</c>: study material from a transcript file, as text.</summary>
internal static class StudyCommands
{
    public static IEnumerable<Command> Create()
    {
        yield return OnTranscript("chapters", "Lists the chapters of a transcript.", t => t.Chapters.Select(c => $"{CaptionClock.Short(c.StartMs)}  {c.Title}"));
        yield return OnTranscript("summary", "Writes a summary in the lecture's own sentences.", t => Summarizer.Summarize(t)
            .SelectMany(p => p.Lines.Select(l => $"  {CaptionClock.Short(l.StartMs)}  {l.Quote}").Prepend($"{p.Chapter}")));
        yield return OnTranscript("cards", "Makes cards: question, answer and time, divided by tabs.", t => CardMaker.Make(t)
            .Select(c => $"{c.Front}\t{c.Back}\t{CaptionClock.Short(c.Source.StartMs)}"));
        yield return OnTranscript("quiz", "Makes a choice quiz; the right choice is marked with *.", t => QuizMaker.Make(t)
            .SelectMany(q => q.Choices.Select((c, i) => $"  {(i == q.Key ? '*' : '-')} {c}").Prepend($"{CaptionClock.Short(q.Source.StartMs)}  {q.Stem}")));
        var file = new Argument<FileInfo>("TRANSCRIPT") { Description = "A transcript in Kostel's JSON." };
        var question = new Argument<string>("QUESTION");
        var ask = new Command("ask", "Answers a question in the lecture's own sentences.") { file, question };
        ask.SetAction(async (parsed, cancel) =>
        {
            var answer = new AnswerFinder(await Read(parsed.GetRequiredValue(file), cancel)).Ask(parsed.GetRequiredValue(question));
            await Console.Out.WriteLineAsync(answer.IsSaid ? "Said:" : "This lecture doesn't say. Nearest:");
            foreach (var line in answer.Lines)
            {
                await Console.Out.WriteLineAsync($"  {CaptionClock.Short(line.StartMs)}  {line.Text}");
            }
        });
        yield return ask;
    }

    private static Command OnTranscript(string name, string description, Func<Transcript, IEnumerable<string>> make)
    {
        var file = new Argument<FileInfo>("TRANSCRIPT") { Description = "A transcript in Kostel's JSON." };
        var command = new Command(name, description) { file };
        command.SetAction(async (parsed, cancel) =>
        {
            foreach (var line in make(await Read(parsed.GetRequiredValue(file), cancel)))
            {
                await Console.Out.WriteLineAsync(line);
            }
        });
        return command;
    }

    private static async Task<Transcript> Read(FileInfo file, CancellationToken cancel) =>
        TranscriptFormat.Read(await File.ReadAllTextAsync(file.FullName, cancel));
}
