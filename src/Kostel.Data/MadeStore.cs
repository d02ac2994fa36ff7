using Kostel.Core.Study;
using Kostel.Core.Study.Made;
using Kostel.Core.Transcripts;
using Kostel.Data.Rows;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Data;

/// <summary>Cards, summaries, sheets, answers, quizzes and marks as texts, and texts written back into them.</summary>
public static class MadeStore
{
    /// <summary>What was made from these lectures and is still shown: of summaries and quizzes the newest of each.</summary>
    public static async Task<List<MadeThing>> Made(this KostelContext context, IReadOnlyCollection<string> lectures, CancellationToken cancel) =>
        (await context.MadeRows(lectures, cancel)).ConvertAll(r => r.Thing());

    /// <summary>Writes changes into what was made from a lecture, at the next save. What reads otherwise by now than before the change stays as it is.</summary>
    /// <returns>How many stay.</returns>
    public static async Task<int> WriteMade(this KostelContext context, string lectureId, IReadOnlyList<MadeChange> changes, CancellationToken cancel)
    {
        if (changes.Count == 0)
        {
            return 0;
        }

        var rows = (await context.MadeRows([lectureId], cancel)).ToDictionary(r => r.Key);
        var left = 0;
        foreach (var change in changes)
        {
            if (rows.TryGetValue(change.Key, out var row) && row.Texts().SequenceEqual(change.Before))
            {
                row.Write(new Queue<string>(change.After));
            }
            else
            {
                left++;
            }
        }

        return left;
    }

    private static async Task<List<MadeRow>> MadeRows(this KostelContext context, IReadOnlyCollection<string> lectures, CancellationToken cancel)
    {
        var rows = new List<MadeRow>();
        rows.AddRange((await context.Cards.Where(c => lectures.Contains(c.LectureId)).ToListAsync(cancel)).Select(Of));
        rows.AddRange((await context.Summaries.Where(s => lectures.Contains(s.LectureId)).ToListAsync(cancel)).GroupBy(s => s.LectureId).Select(g => Of(g.MaxBy(s => s.Id)!)));
        rows.AddRange((await context.Sheets.Where(s => s.LectureId != null && lectures.Contains(s.LectureId) && s.DeletedAt == null).ToListAsync(cancel)).Select(s => Of(s, s.LectureId!)));
        rows.AddRange(await context.CourseSheets(lectures, cancel));
        rows.AddRange((await context.Questions.Where(q => q.LectureId != null && lectures.Contains(q.LectureId) && q.DeletedAt == null).ToListAsync(cancel)).Select(Of));
        rows.AddRange((await context.Quizzes.Include(q => q.Questions).Where(q => lectures.Contains(q.LectureId)).ToListAsync(cancel)).GroupBy(q => q.LectureId).Select(g => Of(g.MaxBy(q => q.Id)!)));
        rows.AddRange((await context.Marks.Where(m => lectures.Contains(m.LectureId) && m.DeletedAt == null).ToListAsync(cancel)).Select(Of));
        return rows;
    }

    /// <summary>A sheet of a course is one of each of its lectures, and among several of them the first one's.</summary>
    private static async Task<IEnumerable<MadeRow>> CourseSheets(this KostelContext context, IReadOnlyCollection<string> lectures, CancellationToken cancel)
    {
        var of = (await context.Lectures.Where(l => lectures.Contains(l.Id) && l.CourseId != null).OrderBy(l => l.Id).Select(l => new { l.Id, Course = l.CourseId!.Value }).ToListAsync(cancel))
            .GroupBy(l => l.Course).ToDictionary(g => g.Key, g => g.First().Id);
        var courses = of.Keys.ToList();
        var sheets = await context.Sheets.Where(s => s.CourseId != null && courses.Contains(s.CourseId.Value) && s.DeletedAt == null).ToListAsync(cancel);
        return sheets.Select(s => Of(s, of[s.CourseId!.Value]));
    }

    private static MadeRow Of(CardRow c) => new(
        "card", c.Id, c.LectureId, c.Source.StartMs,
        () => [c.Content.Front, c.Content.Back, c.Source.Quote],
        () => [c.Source],
        t => (c.Content, c.Source, c.Version) = (c.Content.Worded(t.Dequeue(), t.Dequeue()), c.Source with { Quote = t.Dequeue() }, c.Version + 1));

    private static MadeRow Of(SummaryRow s) => new(
        "summary", s.Id, s.LectureId, s.Parts.FirstOrDefault()?.StartMs ?? 0,
        () => s.Parts.SelectMany(p => p.Lines.Select(l => l.Quote)),
        () => s.Parts.SelectMany(p => p.Lines),
        t => s.Parts = s.Parts.Select(p => p with { Lines = p.Lines.Select(l => l with { Quote = t.Dequeue() }).ToList() }).ToList());

    private static MadeRow Of(SheetRow s, string lecture) => new(
        "sheet", s.Id, lecture, s.Content.Sources().Select(e => e.StartMs).FirstOrDefault(),
        () => s.Content.Texts().Prepend(s.Name),
        s.Content.Sources,
        t => (s.Name, s.Content, s.Version) = (t.Dequeue(), s.Content.With(t), s.Version + 1));

    private static MadeRow Of(QuestionRow q) => new(
        "answer", q.Id, q.LectureId!, q.Answer.Lines.FirstOrDefault()?.StartMs ?? 0,
        () => q.Answer.Lines.Select(l => l.Quote).Prepend(q.Text),
        () => q.Answer.Lines,
        t => (q.Text, q.Answer) = (t.Dequeue(), q.Answer.Quoting(_ => t.Dequeue())));

    private static MadeRow Of(QuizRow quiz) => new(
        "quiz", quiz.Id, quiz.LectureId, quiz.Questions.FirstOrDefault()?.Source.StartMs ?? 0,
        () => quiz.Questions.SelectMany(q => q.Content.Texts.Append(q.Source.Quote)),
        () => quiz.Questions.Select(q => q.Source),
        t => quiz.Questions.ForEach(q => (q.Content, q.Source) = (q.Content.With(q.Content.Texts.Select(_ => t.Dequeue()).ToList()), q.Source with { Quote = t.Dequeue() })));

    private static MadeRow Of(MarkRow m) => new(
        "mark", m.Id, m.LectureId, m.StartMs,
        () => [m.Text, m.Quote],
        () => m.Quote.Length == 0 ? [] : [new Evidence("", m.StartMs, m.EndMs, m.Quote, m.LectureId)],
        t => (m.Text, m.Quote, m.Version) = (t.Dequeue(), t.Dequeue(), m.Version + 1));

    /// <summary>A row with its texts in an order that stays, and the way to write them back in the same order.</summary>
    private sealed record MadeRow(
        string Kind, int Id, string LectureId, int StartMs, Func<IEnumerable<string>> Texts, Func<IEnumerable<Evidence>> Sources, Action<Queue<string>> Write)
    {
        public string Key { get; } = MadeThing.KeyOf(Kind, Id);

        public MadeThing Thing() => new(Key, LectureId, Kind, StartMs, Texts().ToList(), Sources().ToList());
    }
}
