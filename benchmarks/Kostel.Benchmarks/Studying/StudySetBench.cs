using System.Diagnostics;
using System.Globalization;
using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Quizzes;
using Kostel.Core.Study.Sheets;
using Kostel.Core.Study.Statements;
using Kostel.Core.Study.Summaries;
using Kostel.Core.Transcripts;
using Kostel.Grammar;

namespace Kostel.Benchmarks.Studying;

/// <summary>How long the whole set takes for an hour and for four hours: the texts of the benchmark one behind the other, again and again until it is so long.</summary>
internal static class StudySetBench
{
    private const int WordsAnHour = 9_000;

    public static void Run(IReadOnlyList<StudyText> texts)
    {
        Console.WriteLine("| hours | words | grammar's start | summary | sheets (7) | 20 cards | quiz of 12 | all |\n|---|---|---|---|---|---|---|---|");
        foreach (var hours in new[] { 1, 4 })
        {
            var lecture = Lecture(texts, hours * WordsAnHour);
            using var grammar = new GrammarProcesses();
            var start = Time(() => grammar.Read(["The tide rises twice a day."]));
            var ground = new StudyGround(lecture, grammar);
            var summary = Time(() => Summarizer.Summarize(ground));
            var sheets = Time(() => Enum.GetValues<SheetForm>().Where(f => f.IsPlain()).Select(f => SheetMaker.Make(ground, f)).ToList());
            var cards = Time(() => CardMaker.Make(ground, 20));
            var quiz = Time(() => QuizMaker.Make(ground, 12));
            Console.WriteLine(string.Create(
                CultureInfo.InvariantCulture, $"| {hours} | {lecture.Passages.Sum(p => p.Words.Count)} | {start:0.0} s | {summary:0.0} s | {sheets:0.0} s | {cards:0.0} s | {quiz:0.0} s | {start + summary + sheets + cards + quiz:0.0} s |"));
        }
    }

    private static double Time(Func<object> make)
    {
        var watch = Stopwatch.StartNew();
        make();
        return watch.Elapsed.TotalSeconds;
    }

    private static Transcript Lecture(IReadOnlyList<StudyText> texts, int words)
    {
        var (passages, chapters, at, said) = (new List<Passage>(), new List<Chapter>(), 0, 0);
        for (var i = 0; said < words; i++)
        {
            var text = texts[i % texts.Count].Transcript;
            passages.AddRange(text.Passages.Select(p => p with
            {
                Id = $"p{i}-{p.Id}",
                StartMs = p.StartMs + at,
                EndMs = p.EndMs + at,
                Words = p.Words.Select(w => w with { StartMs = w.StartMs + at, EndMs = w.EndMs + at }).ToList(),
            }));
            chapters.AddRange(text.Chapters.Select(c => c with { StartMs = c.StartMs + at, EndMs = c.EndMs + at }));
            said += text.Passages.Sum(p => p.Words.Count);
            at += text.DurationMs;
        }

        return new Transcript("en", at, [Speaker.Unnamed(1)], passages, chapters);
    }
}
