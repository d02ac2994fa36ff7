using System.CommandLine;
using System.IO.Compression;
using Kostel.Core.Captions;
using Kostel.Core.Grammar;
using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Quizzes;
using Kostel.Core.Study.Sheets;
using Kostel.Core.Study.Sheets.Courses;
using Kostel.Core.Study.Statements;
using Kostel.Core.Study.Summaries;
using Kostel.Core.Transcripts;
using Kostel.Grammar;

namespace Kostel.Cli;

/// <summary><c>summary</c>, <c>sheet</c>, <c>cards</c> and <c>quiz</c>: study material from transcript files, as text.</summary>
internal static class StudyCommands
{
    /// <summary>The exit code where a text has too little for what was asked of it.</summary>
    private const int NothingMade = 3;

    private const int MostCards = 500, UsualCards = 10, UsualQuestions = 6;

    public static IEnumerable<Command> Create()
    {
        var length = new Option<SummaryLength?>("--length") { Description = "line, short, half or page; a few sentences of each chapter without." };
        yield return OnTranscripts("summary", "Writes a summary in the lecture's own sentences.", "There is not enough in this text to sum up.", [length], (t, parsed, grammar) =>
            (parsed.GetValue(length) is { } wanted ? Summarizer.Summarize(t, SummaryLengths.Words(wanted), grammar) : Summarizer.Summarize(t, grammar))
                .Where(p => p.Lines.Count > 0).SelectMany(p => p.Lines.Select(l => $"  {CaptionClock.Short(l.StartMs)}  {l.Quote}").Prepend($"{p.Chapter}")));
        var sheet = new Option<SheetForm>("--form") { Description = "points, outline, cues, terms, numbers, steps, tasks, comparison, or course: one over all these texts, in the order in which they are named.", DefaultValueFactory = _ => SheetForm.Points };
        var compared = new Option<string[]>("--of") { Description = "Of a comparison: the two things, each with --of." };
        yield return OnTranscripts("sheet", "Writes a sheet to learn from, as Markdown.", "There is nothing in this text for such a sheet.", [sheet, compared], (t, parsed, grammar) =>
            SheetMarkdown.Write(SheetMaker.Make(t, parsed.GetValue(sheet), grammar, compared: parsed.GetValue(compared))),
            new Together(
                parsed => parsed.GetValue(sheet) == SheetForm.Course,
                (all, grammar) => SheetMarkdown.Write(CourseSheets.Of([.. all.Select(t => LectureReading.Of(t.Name, t.Name, new StudyGround(t.Transcript, grammar, words: KnownWords.Value)))]))));
        var cards = Count(UsualCards, "How many cards; fewer come where there is no more that is worth one.");
        var table = new Option<string>("--to") { Description = "tsv, or csv (RFC 4180).", DefaultValueFactory = _ => "tsv" };
        table.AcceptOnlyFromAmong("tsv", "csv");
        yield return OnTranscripts("cards", "Makes cards: a row each with question, answer and time.", "There is not enough in this text to make cards of.", [cards, table], (t, parsed, grammar) =>
            CardMaker.Make(new StudyGround(t, grammar, words: KnownWords.Value), parsed.GetValue(cards)).Select(c => CardTable.Row(parsed.GetValue(table) == "csv", c.Content, c.Source)));
        var questions = Count(UsualQuestions, "How many questions; fewer come where there is no more to ask.");
        var form = new Option<string>("--to") { Description = "text, or qti: a package for learning platforms (Question and Test Interoperability 3.0).", DefaultValueFactory = _ => "text" };
        form.AcceptOnlyFromAmong("text", "qti");
        var package = new Option<FileInfo?>("--out") { Description = "Where the package is written (zip)." };
        yield return OnTranscripts("quiz", "Makes a quiz; what is right is marked with *, what is to be written with =.", "There is not enough in this text to make a quiz of.", [questions, form, package], (t, parsed, grammar) =>
            Packed(QuizMaker.Make(new StudyGround(t, grammar, words: KnownWords.Value), parsed.GetValue(questions)), parsed.GetValue(form) == "qti", parsed.GetValue(package))
                .SelectMany(q => Answers(q.Content).Select(a => $"  {a}").Prepend($"{CaptionClock.Short(q.Source.StartMs)}  {q.Content.Stem}")));
    }

    /// <summary>What is right, in the form of the question's kind.</summary>
    private static IEnumerable<string> Answers(QuestionContent asks) => asks switch
    {
        OrderQuestion order => order.Order.Select((o, i) => $"{i + 1}. {order.Items[o]}"),
        MatchQuestion match => match.Items.Select((item, i) => $"{item} = {match.Partners[match.Pairs[i]]}"),
        WrittenQuestion written => [$"= {written.Answer}"],
        _ => asks.Shown.Select((c, i) => $"{(asks.Solution.Chosen.Contains(i) ? '*' : '-')} {c}"),
    };

    /// <summary>The questions, which were also written as a package where one is wanted.</summary>
    private static IReadOnlyList<QuestionDraft> Packed(IReadOnlyList<QuestionDraft> questions, bool isPackage, FileInfo? package)
    {
        if (!isPackage || questions.Count == 0)
        {
            return questions;
        }

        if (package is null)
        {
            throw new FormatException("Say with --out where the package is to be written.");
        }

        if (package.Exists)
        {
            throw new FormatException($"{package.Name} is there already. Nothing was written.");
        }

        using var zip = ZipFile.Open(package.FullName, ZipArchiveMode.Create);
        foreach (var file in QtiPackage.Write(Path.GetFileNameWithoutExtension(package.Name), questions))
        {
            using var writer = new StreamWriter(zip.CreateEntry(file.Name).Open());
            writer.Write(file.Content);
        }

        return questions;
    }

    private static Option<int> Count(int usual, string description)
    {
        var count = new Option<int>("--count") { Description = description, DefaultValueFactory = _ => usual };
        count.Validators.Add(given =>
        {
            if (given.GetValueOrDefault<int>() is < 1 or > MostCards)
            {
                given.AddError($"--count takes a number from 1 to {MostCards}.");
            }
        });
        return count;
    }

    /// <summary>What is made of all texts at once, and whether that is wanted.</summary>
    private sealed record Together(Func<ParseResult, bool> IsWanted, Func<IEnumerable<(string Name, Transcript Transcript)>, IGrammar, IEnumerable<string>> Make);

    private static Command OnTranscripts(string name, string description, string nothing, Option[] options, Func<Transcript, ParseResult, IGrammar, IEnumerable<string>> make,
        Together? together = null)
    {
        var files = new Argument<FileInfo[]>("TRANSCRIPT") { Description = "The text of a lecture, or of several: Kostel's JSON, or captions or text of another form.", Arity = ArgumentArity.OneOrMore };
        var command = new Command(name, description) { files };
        foreach (var option in options)
        {
            command.Options.Add(option);
        }

        command.SetAction(async (parsed, cancel) =>
        {
            var all = parsed.GetRequiredValue(files);
            var made = false;
            using var grammar = new GrammarProcesses();
            if (together?.IsWanted(parsed) == true)
            {
                var texts = new List<(string Name, Transcript Transcript)>();
                foreach (var file in all)
                {
                    texts.Add((Path.GetFileNameWithoutExtension(file.Name), (await TextFile.Read(file, cancel)).Transcript));
                }

                var whole = together.Make(texts, grammar).ToList();
                await (whole.Count > 0 ? Console.Out.WriteLineAsync(string.Join('\n', whole)) : Console.Error.WriteLineAsync(nothing));
                return whole.Count > 0 ? 0 : NothingMade;
            }

            foreach (var file in all)
            {
                var lines = make((await TextFile.Read(file, cancel)).Transcript, parsed, grammar).ToList();
                if (lines.Count == 0)
                {
                    await Console.Error.WriteLineAsync(all.Length > 1 ? $"{file.Name}: {nothing}" : nothing);
                    continue;
                }

                made = true;
                foreach (var line in all.Length > 1 ? lines.Prepend($"== {file.Name}") : lines)
                {
                    await Console.Out.WriteLineAsync(line);
                }
            }

            return made ? 0 : NothingMade;
        });
        return command;
    }
}
