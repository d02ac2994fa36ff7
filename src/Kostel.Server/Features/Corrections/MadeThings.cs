using Kostel.Core.Study;
using Kostel.Data;
using Kostel.Data.Rows;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Corrections;

/// <summary>Where a phrase stands in something that was made from a lecture.</summary>
/// <param name="Key">Names the thing for the change itself.</param>
/// <param name="Kind">What it is: card, summary, answer, quiz or mark.</param>
/// <param name="Before">Its text now…</param>
/// <param name="After">…and as it would be.</param>
public sealed record MadePlace(string Key, string LectureId, string Kind, int StartMs, string Before, string After);

/// <summary>Cards, summaries, answers, quizzes and marks, as texts in which a correction can be made.</summary>
internal static class MadeThings
{
    /// <summary>Where a correction would change something, in the order of the lecture.</summary>
    public static async Task<List<MadePlace>> Find(KostelContext context, IReadOnlyCollection<string> lectures, Func<string, string> correct, CancellationToken cancel)
    {
        var places = new List<MadePlace>();
        foreach (var thing in await All(context, lectures, cancel))
        {
            if (thing.Texts().FirstOrDefault(t => correct(t) != t) is { } changed)
            {
                places.Add(new MadePlace(thing.Key, thing.LectureId, thing.Kind, thing.StartMs, changed, correct(changed)));
            }
        }

        return places.OrderBy(p => p.StartMs).ToList();
    }

    /// <summary>Corrects the named things; at the next save.</summary>
    /// <returns>How many were changed.</returns>
    public static async Task<int> Correct(
        KostelContext context, IReadOnlyCollection<string> lectures, IReadOnlyCollection<string> keys, Func<string, string> correct, CancellationToken cancel)
    {
        var chosen = (await All(context, lectures, cancel)).Where(t => keys.Contains(t.Key)).ToList();
        foreach (var thing in chosen)
        {
            thing.Change(correct);
        }

        return chosen.Count;
    }

    /// <summary>Takes today's words of the transcript into one thing: its sources quote them, and what they corrected is corrected in its texts.</summary>
    /// <returns>False if there is no such thing, or the words that it rests on are gone altogether.</returns>
    public static async Task<bool> TakeNew(KostelContext context, string lectureId, string key, SourceCheck check, CancellationToken cancel)
    {
        if ((await All(context, [lectureId], cancel)).Find(t => t.Key == key) is not { } thing)
        {
            return false;
        }

        var changed = thing.Sources().Select(s => (Source: s, State: check.Of(s))).Where(p => !p.State.Holds).ToList();
        if (changed.Exists(p => p.State.NowText.Length == 0))
        {
            return false;
        }

        // The whole quotation first, then single corrections in what was made of it.
        foreach (var (source, state) in changed)
        {
            var corrections = SourceCorrection.Between(source.Quote, state.NowText);
            thing.Change(text => text == source.Quote ? state.NowText : SourceCorrection.Apply(text, corrections));
        }

        return true;
    }

    private static async Task<List<Thing>> All(KostelContext context, IReadOnlyCollection<string> lectures, CancellationToken cancel)
    {
        var things = new List<Thing>();
        things.AddRange((await context.Cards.Where(c => lectures.Contains(c.LectureId)).ToListAsync(cancel)).Select(Of));
        things.AddRange((await context.Summaries.Where(s => lectures.Contains(s.LectureId)).ToListAsync(cancel)).GroupBy(s => s.LectureId).Select(g => Of(g.MaxBy(s => s.Id)!)));
        things.AddRange((await context.Questions.Where(q => lectures.Contains(q.LectureId)).ToListAsync(cancel)).Select(Of));
        things.AddRange((await context.Quizzes.Include(q => q.Questions).Where(q => lectures.Contains(q.LectureId)).ToListAsync(cancel)).GroupBy(q => q.LectureId).Select(g => Of(g.MaxBy(q => q.Id)!)));
        things.AddRange((await context.Marks.Where(m => lectures.Contains(m.LectureId) && m.DeletedAt == null).ToListAsync(cancel)).Select(Of));
        return things;
    }

    private static Thing Of(CardRow c) => new(
        $"card:{c.Id}", c.LectureId, "card", c.Source.StartMs,
        () => [c.Front, c.Back, c.Source.Quote],
        () => [c.Source],
        f => (c.Front, c.Back, c.Source, c.Version) = (f(c.Front), f(c.Back), c.Source with { Quote = f(c.Source.Quote) }, c.Version + 1));

    private static Thing Of(SummaryRow s) => new(
        $"summary:{s.Id}", s.LectureId, "summary", s.Parts.FirstOrDefault()?.StartMs ?? 0,
        () => s.Parts.SelectMany(p => p.Lines.Select(l => l.Quote)),
        () => s.Parts.SelectMany(p => p.Lines),
        f => s.Parts = s.Parts.Select(p => p with { Lines = p.Lines.Select(l => l with { Quote = f(l.Quote) }).ToList() }).ToList());

    private static Thing Of(QuestionRow q) => new(
        $"answer:{q.Id}", q.LectureId, "answer", q.Answer.Lines.FirstOrDefault()?.StartMs ?? 0,
        () => q.Answer.Lines.Select(l => l.Text).Prepend(q.Text),
        () => q.Answer.Lines.Select(l => new SourceSpan(l.PassageId, l.StartMs, l.EndMs, l.Text)),
        f => (q.Text, q.Answer) = (f(q.Text), q.Answer with { Lines = q.Answer.Lines.Select(l => l with { Text = f(l.Text) }).ToList() }));

    private static Thing Of(QuizRow quiz) => new(
        $"quiz:{quiz.Id}", quiz.LectureId, "quiz", quiz.Questions.FirstOrDefault()?.Source.StartMs ?? 0,
        () => quiz.Questions.SelectMany(q => q.Choices.Prepend(q.Stem).Append(q.Source.Quote)),
        () => quiz.Questions.Select(q => q.Source),
        f => quiz.Questions.ForEach(q => (q.Stem, q.Choices, q.Source) = (f(q.Stem), q.Choices.Select(f).ToList(), q.Source with { Quote = f(q.Source.Quote) })));

    private static Thing Of(MarkRow m) => new(
        $"mark:{m.Id}", m.LectureId, "mark", m.StartMs,
        () => [m.Text, m.Quote],
        () => m.Quote.Length == 0 ? [] : [new SourceSpan("", m.StartMs, m.EndMs, m.Quote)],
        f => (m.Text, m.Quote, m.Version) = (f(m.Text), f(m.Quote), m.Version + 1));

    private sealed record Thing(
        string Key, string LectureId, string Kind, int StartMs, Func<IEnumerable<string>> Texts, Func<IEnumerable<SourceSpan>> Sources, Action<Func<string, string>> Change);
}
