using Kostel.Core.Retrieval;
using Kostel.Data;
using Kostel.Data.Search;
using Kostel.Server.Shared;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Search;

/// <summary>Looks for something in the library: by words, by what sounds like them, by meaning.</summary>
internal sealed class SearchReading(KostelContext context, SearchMemory memory)
{
    /// <summary>How many lectures are shown, and how many places of each; of one lecture alone more.</summary>
    private const int MostLectures = 30, HitsEach = 3, HitsOfOne = 60, MostMeant = 24;

    /// <summary>Where so few places have every word, those that have some of them are shown too.</summary>
    private const int Few = 8;

    /// <summary>Passages that are less alike are about something else (a judgement, on the demonstration and on generated texts).</summary>
    private const double Alike = 0.42;

    /// <summary>What answers may be in words that are less alike; and how much less a place further down counts (60 as published).</summary>
    private const double RatherAlike = 0.8;

    private const int RankOffset = 60;

    /// <summary>Looks for it.</summary>
    /// <param name="isTyping">Whether the last word may not be whole.</param>
    /// <param name="byMeaning">Whether other words for it count.</param>
    public async Task<SearchView> Find(string text, SearchScope scope, bool isTyping, bool byMeaning, CancellationToken cancel)
    {
        var query = SearchQuery.Read(text, isTyping);
        if (query.IsEmpty)
        {
            return new SearchView(IsEmpty: true, ByMeaning: false, [], 0, [], [], []);
        }

        var vocabulary = await memory.Vocabulary(context, cancel);
        var plan = SearchPlan.Of(query, vocabulary);
        var sounds = plan.Sounds(vocabulary);
        var found = new Dictionary<long, (FoundEntry Entry, FoundBy By)>();
        Add(await context.FindAll(plan, scope, cancel), FoundBy.Words);
        if (plan.Terms.Count > 1 && found.Count < Few)
        {
            Add(await context.FindSome(plan.Terms, scope, cancel), FoundBy.SomeWords);
        }

        Add(await context.FindSome(sounds, scope, cancel), FoundBy.Sound);
        var index = byMeaning && scope.Kinds is null or { Count: 0 } or [IndexedKind.Passage] ? await memory.Meaning(context, cancel) : null;
        if (index is not null)
        {
            var inside = await context.LecturesIn(scope, cancel);
            Add(await context.EntriesOf(index.Find(query.Plain, memory.Vectors, inside.Contains, MostMeant, Alike), scope, cancel), FoundBy.Meaning);
        }

        var taken = plan.Terms.Where(t => t.How != Taken.AsWritten).Concat(sounds)
            .Select(t => new SearchTaken(t.Asked, t.How, t.Alternatives.Select(a => string.Join(' ', a)).ToList())).ToList();
        var lookedFor = plan.Terms.Concat(sounds).SelectMany(t => t.Alternatives).ToList();
        var texts = new HitTexts(context, lookedFor);
        return new SearchView(
            IsEmpty: false, index is not null, taken, found.Count, await Lectures([.. found.Values], scope, texts, cancel),
            await texts.Courses(Elsewhere(e => e.Kind is IndexedKind.Course or IndexedKind.Term or IndexedKind.Sheet), cancel),
            await texts.Threads(Elsewhere(e => e.Kind is IndexedKind.Question or IndexedKind.Thread), cancel));

        List<FoundEntry> Elsewhere(Func<FoundEntry, bool> which) => found.Values.Where(f => f.Entry.LectureId is null && which(f.Entry)).Select(f => f.Entry).Take(MostLectures).ToList();

        void Add(IEnumerable<FoundEntry> entries, FoundBy by)
        {
            foreach (var entry in entries)
            {
                found.TryAdd(entry.Id, (entry, by));
            }
        }
    }

    /// <summary>The passages that speak of something, by words and by meaning together (reciprocal ranks, Cormack, Clarke &amp; Büttcher 2009), the best first.</summary>
    /// <param name="inside">The lectures that are looked through.</param>
    public async Task<List<FoundEntry>> Passages(string text, SearchScope scope, Func<string, bool> inside, int most, CancellationToken cancel)
    {
        var query = SearchQuery.Read(text, isTyping: false);
        if (query.IsEmpty)
        {
            return [];
        }

        var said = scope with { Kinds = [IndexedKind.Passage] };
        var plan = SearchPlan.Of(query, await memory.Vocabulary(context, cancel));
        var byWords = (await context.FindSome(plan.Terms, said, cancel)).Where(e => inside(e.LectureId!)).Take(most).ToList();
        var meant = (await memory.Meaning(context, cancel))?.Find(query.Plain, memory.Vectors, inside, most, Alike * RatherAlike) ?? [];
        var byMeaning = (await context.EntriesOf(meant, said, cancel)).OrderByDescending(e => e.Score).ToList();
        return byWords.Concat(byMeaning).DistinctBy(e => e.Id).OrderByDescending(e => Rank(byWords, e) + Rank(byMeaning, e)).Take(most).ToList();

        static double Rank(List<FoundEntry> list, FoundEntry entry) => list.FindIndex(e => e.Id == entry.Id) is var at and >= 0 ? 1.0 / (RankOffset + at) : 0;
    }

    /// <summary>Whether a word is said anywhere, in any form; words that are only spelled like it do not count.</summary>
    public async Task<bool> IsSaid(string word, SearchScope scope, Func<string, bool> inside, CancellationToken cancel)
    {
        var plan = SearchPlan.Of(SearchQuery.Read(word, isTyping: false), await memory.Vocabulary(context, cancel));
        var asWritten = plan.Terms.Where(t => t.How == Taken.AsWritten).ToList();
        return asWritten.Count > 0 && (await context.FindSome(asWritten, scope with { Kinds = [IndexedKind.Passage] }, cancel)).Exists(e => inside(e.LectureId!));
    }

    private async Task<List<SearchLecture>> Lectures(List<(FoundEntry Entry, FoundBy By)> found, SearchScope scope, HitTexts texts, CancellationToken cancel)
    {
        var groups = found.Where(f => f.Entry.LectureId is not null).GroupBy(f => f.Entry.LectureId!)
            .Select(g => (Id: g.Key, Hits: g.OrderBy(f => f.By).ThenByDescending(f => f.Entry.Score).ToList()))
            .OrderBy(g => g.Hits[0].By).ThenByDescending(g => g.Hits.Where(h => h.By == g.Hits[0].By).Take(HitsEach).Sum(h => h.Entry.Score))
            .Take(MostLectures).ToList();
        var ids = groups.ConvertAll(g => g.Id);
        var rows = await context.Lectures.AsNoTracking().Include(l => l.Course).Where(l => ids.Contains(l.Id)).ToDictionaryAsync(l => l.Id, cancel);
        var shown = groups.ConvertAll(g => (g.Id, Hits: g.Hits.Take(scope.LectureId is null ? HitsEach : HitsOfOne).ToList()));
        var hits = await texts.Of(shown.SelectMany(g => g.Hits).ToList(), cancel);
        return groups.Zip(shown).Where(g => rows.ContainsKey(g.First.Id)).Select(g =>
        {
            var (row, all) = (rows[g.First.Id], g.First.Hits);
            var places = all.Where(h => h.Entry.EndMs > h.Entry.StartMs).Select(h => new SearchPlace(h.Entry.StartMs, h.Entry.EndMs, h.By)).OrderBy(p => p.StartMs).ToList();
            return new SearchLecture(
                row.Id, row.Title, row.Course?.Title, row.HeldOn, row.DurationMs, row.HasSound, all.Count, places,
                g.Second.Hits.Where(h => hits.ContainsKey(h.Entry.Id)).Select(h => hits[h.Entry.Id]).ToList());
        }).ToList();
    }
}
