using System.Globalization;
using Kostel.Core.Retrieval;
using Kostel.Core.Transcripts;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Data.Search;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Search;

/// <summary>Reads what stands at the places that were found, as it is now.</summary>
/// <param name="lookedFor">Words and phrases to set off.</param>
internal sealed class HitTexts(KostelContext context, IReadOnlyList<IReadOnlyList<string>> lookedFor)
{
    /// <summary>Characters of a hit.</summary>
    private const int Length = 260;

    /// <summary>The hits of entries of lectures, by the entry's number.</summary>
    public async Task<Dictionary<long, SearchHit>> Of(IReadOnlyList<(FoundEntry Entry, FoundBy By)> found, CancellationToken cancel)
    {
        var by = found.ToDictionary(f => f.Entry.Id, f => f.By);
        var entries = found.Select(f => f.Entry).ToList();
        var passages = await context.PassagesOf(entries, cancel);
        var names = await Names(passages.Values, cancel);
        var texts = await OtherTexts(entries.FindAll(e => e.Kind != IndexedKind.Passage), cancel);
        var threads = await ThreadsOf(entries, cancel);
        var hits = new Dictionary<long, SearchHit>();
        foreach (var entry in entries)
        {
            if (passages.TryGetValue(entry.Id, out var row))
            {
                hits[entry.Id] = Said(entry, by[entry.Id], row, names.GetValueOrDefault((row.LectureId, row.SpeakerKey)));
            }
            else if (texts.TryGetValue(entry.Id, out var text))
            {
                var excerpt = Excerpt.Of(text, lookedFor, Length);
                hits[entry.Id] = new SearchHit(entry.Kind, by[entry.Id], excerpt.Text, excerpt.Spans, entry.StartMs, entry.EndMs, entry.Ref, null)
                {
                    Thread = threads.TryGetValue(entry.Id, out var thread) ? thread : null,
                };
            }
        }

        return hits;
    }

    /// <summary>Threads of a course, or of everything, with those of their questions that were found.</summary>
    public async Task<List<SearchThread>> Threads(List<FoundEntry> entries, CancellationToken cancel)
    {
        var numbers = entries.ToLookup(e => e.Kind, e => int.Parse(e.Ref, CultureInfo.InvariantCulture));
        var (ofThreads, ofQuestions) = (numbers[IndexedKind.Thread].ToList(), numbers[IndexedKind.Question].ToList());
        var questions = await context.Questions.AsNoTracking().Where(q => ofQuestions.Contains(q.Id)).Select(q => new { q.ThreadId, q.Text }).ToListAsync(cancel);
        var ids = questions.Select(q => q.ThreadId).Concat(ofThreads).Distinct().ToList();
        var threads = ids.Count == 0 ? [] : await context.Threads.AsNoTracking().Where(t => ids.Contains(t.Id)).ToListAsync(cancel);
        var courses = await context.Courses.AsNoTracking().Where(c => threads.Select(t => t.CourseId).Contains(c.Id)).ToDictionaryAsync(c => c.Id, c => c.Title, cancel);
        return threads.OrderBy(t => ids.IndexOf(t.Id)).Select(t =>
        {
            var excerpt = Excerpt.Of(questions.Find(q => q.ThreadId == t.Id && q.Text != t.Title) is { } q ? $"{t.Title} · {q.Text}" : t.Title, lookedFor, Length);
            return new SearchThread(t.Id, t.CourseId is { } course ? courses.GetValueOrDefault(course) : null, excerpt.Text, excerpt.Spans);
        }).ToList();
    }

    /// <summary>Courses, and their terms and sheets.</summary>
    public async Task<List<SearchCourse>> Courses(List<FoundEntry> entries, CancellationToken cancel)
    {
        var ids = entries.ConvertAll(e => e.CourseId ?? 0);
        var titles = ids.Count == 0 ? [] : await context.Courses.AsNoTracking().Where(c => ids.Contains(c.Id)).ToDictionaryAsync(c => c.Id, c => c.Title, cancel);
        var terms = ids.Count == 0 ? [] : await context.Terms.AsNoTracking().Where(t => ids.Contains(t.CourseId)).ToDictionaryAsync(t => (t.CourseId, Ref(t.Number)), t => t.Written, cancel);
        var sheets = (await Rows(IndexedKind.Sheet, [], [.. entries.Where(e => e.Kind == IndexedKind.Sheet).Select(e => e.Ref)], cancel)).ToDictionary(s => s.Ref, s => s.Text);
        return entries.Where(e => titles.ContainsKey(e.CourseId ?? 0)).Select(e =>
        {
            var course = titles[e.CourseId!.Value];
            var excerpt = Excerpt.Of(
                e.Kind switch
                {
                    IndexedKind.Term => terms.GetValueOrDefault((e.CourseId.Value, e.Ref), ""),
                    IndexedKind.Sheet => sheets.GetValueOrDefault(e.Ref, ""),
                    _ => course,
                },
                lookedFor,
                Length);
            return new SearchCourse(e.Kind, course, e.Kind == IndexedKind.Sheet ? int.Parse(e.Ref, CultureInfo.InvariantCulture) : null, excerpt.Text, excerpt.Spans);
        }).Where(c => c.Text.Length > 0).ToList();
    }

    /// <summary>The threads of questions and of names of threads, by the entry's number.</summary>
    private async Task<Dictionary<long, int>> ThreadsOf(List<FoundEntry> entries, CancellationToken cancel)
    {
        var asked = entries.Where(e => e.Kind is IndexedKind.Question or IndexedKind.Thread).ToDictionary(e => e.Id, e => (e.Kind, Number: int.Parse(e.Ref, CultureInfo.InvariantCulture)));
        var numbers = asked.Values.Where(a => a.Kind == IndexedKind.Question).Select(a => a.Number).ToList();
        var threads = numbers.Count == 0 ? [] : await context.Questions.AsNoTracking().Where(q => numbers.Contains(q.Id)).ToDictionaryAsync(q => q.Id, q => q.ThreadId, cancel);
        return asked.ToDictionary(a => a.Key, a => a.Value.Kind == IndexedKind.Thread ? a.Value.Number : threads.GetValueOrDefault(a.Value.Number));
    }

    /// <summary>A passage, heard from the sentence in which the first thing found stands.</summary>
    private SearchHit Said(FoundEntry entry, FoundBy by, PassageRow row, string? speaker)
    {
        var passage = new Passage(row.Key, row.SpeakerKey, row.StartMs, row.EndMs, row.Words);
        var excerpt = Excerpt.Of(passage.Text, lookedFor, Length);
        var start = row.StartMs;
        var at = 0;
        foreach (var sentence in Sentences.Of(passage).TakeWhile(_ => at <= excerpt.FirstSpan))
        {
            start = sentence.StartMs;
            at += sentence.Text.Length + 1;
        }

        return new SearchHit(entry.Kind, by, excerpt.Text, excerpt.Spans, start, row.EndMs, entry.Ref, speaker);
    }

    /// <summary>Names of speakers, where there are several.</summary>
    private async Task<Dictionary<(string Lecture, string Key), string>> Names(IEnumerable<PassageRow> passages, CancellationToken cancel)
    {
        var ids = passages.Select(p => p.LectureId).Distinct().ToList();
        var speakers = await context.Speakers.AsNoTracking().Where(s => ids.Contains(s.LectureId)).ToListAsync(cancel);
        return speakers.GroupBy(s => s.LectureId).Where(g => g.Count() > 1).SelectMany(g => g).ToDictionary(s => (s.LectureId, s.Key), s => s.Name);
    }

    private async Task<Dictionary<long, string>> OtherTexts(List<FoundEntry> entries, CancellationToken cancel)
    {
        var texts = new Dictionary<long, string>();
        foreach (var kind in entries.GroupBy(e => e.Kind))
        {
            var places = kind.ToDictionary(e => (e.LectureId!, e.Ref), e => e.Id);
            var lectures = kind.Select(e => e.LectureId!).Distinct().ToList();
            foreach (var (lecture, reference, text) in await Rows(kind.Key, lectures, kind.Select(e => e.Ref).ToList(), cancel))
            {
                if (places.TryGetValue((lecture, reference), out var id))
                {
                    texts[id] = text;
                }
            }
        }

        return texts;
    }

    private async Task<List<(string Lecture, string Ref, string Text)>> Rows(IndexedKind kind, List<string> lectures, List<string> refs, CancellationToken cancel)
    {
        var numbers = refs.Select(r => int.TryParse(r, CultureInfo.InvariantCulture, out var n) ? n : -1).ToList();
        return kind switch
        {
            IndexedKind.Title => (await context.Lectures.AsNoTracking().Where(l => lectures.Contains(l.Id)).Select(l => new { l.Id, l.Title }).ToListAsync(cancel)).ConvertAll(l => (l.Id, "", l.Title)),
            IndexedKind.Chapter => (await context.Chapters.AsNoTracking().Where(c => lectures.Contains(c.LectureId)).ToListAsync(cancel)).ConvertAll(c => (c.LectureId, Ref(c.Number), c.Title)),
            IndexedKind.Mark => (await context.Marks.AsNoTracking().Where(m => numbers.Contains(m.Id)).ToListAsync(cancel))
                .ConvertAll(m => (m.LectureId, Ref(m.Id), string.Join(" · ", new[] { m.Text, m.Resolved, m.Quote }.Where(t => !string.IsNullOrEmpty(t))))),
            IndexedKind.Card => (await context.Cards.AsNoTracking().Where(c => numbers.Contains(c.Id)).ToListAsync(cancel)).ConvertAll(c => (c.LectureId, Ref(c.Id), $"{c.Content.Front} · {c.Content.Back}")),
            IndexedKind.Summary => (await context.Summaries.AsNoTracking().Where(s => numbers.Contains(s.Id)).ToListAsync(cancel))
                .ConvertAll(s => (s.LectureId, Ref(s.Id), string.Join(' ', s.Parts.SelectMany(p => p.Lines).Select(l => l.Quote)))),
            IndexedKind.Sheet => (await context.Sheets.AsNoTracking().Where(s => numbers.Contains(s.Id)).ToListAsync(cancel))
                .ConvertAll(s => (s.LectureId ?? "", Ref(s.Id), $"{s.Name} · {string.Join(' ', s.Content.Lines().SelectMany(l => l.Cells))}")),
            IndexedKind.Question => (await context.Questions.AsNoTracking().Where(q => numbers.Contains(q.Id)).ToListAsync(cancel)).ConvertAll(q => (q.LectureId ?? "", Ref(q.Id), q.Text)),
            IndexedKind.Thread => (await context.Threads.AsNoTracking().Where(t => numbers.Contains(t.Id)).ToListAsync(cancel)).ConvertAll(t => (t.LectureId ?? "", Ref(t.Id), t.Title)),
            _ => [],
        };
    }

    private static string Ref(int number) => number.ToString(CultureInfo.InvariantCulture);
}
