using System.Text.Json;
using Kostel.Core.Retrieval;
using Kostel.Data.Rows;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Data.Search;

/// <summary>Where to look; null everywhere for everywhere.</summary>
/// <param name="OwnerId">Whose marks and questions.</param>
/// <param name="From">Held on this day or later; a lecture without a day is left out.</param>
/// <param name="Speaker">What is said by whoever has this name.</param>
public sealed record SearchScope(
    int OwnerId, string? LectureId = null, string? Course = null, DateOnly? From = null, DateOnly? To = null, string? Speaker = null, IReadOnlyList<IndexedKind>? Kinds = null)
{
    /// <summary>Whether anything is left out that belongs to the person.</summary>
    public bool IsNarrow => LectureId is not null || Course is not null || From is not null || To is not null || Speaker is not null || Kinds is { Count: > 0 };
}

/// <summary>A place of the index.</summary>
/// <param name="Score">How well it fits (BM25): the more the better; only to be compared within one search.</param>
public sealed record FoundEntry(long Id, IndexedKind Kind, string? LectureId, int? CourseId, string Ref, int StartMs, int EndMs, double Score);

/// <summary>Finds by words, over the whole library or a part of it.</summary>
public static class LibrarySearch
{
    /// <summary>So many of the best are looked at where nothing narrows the search.</summary>
    private const int Most = 600;

    /// <summary>The words of the library, if they are others than those of a state; with their state.</summary>
    public static async Task<(int State, SearchVocabulary Words)?> VocabularySince(this KostelContext context, int state, CancellationToken cancel)
    {
        var now = await context.Database.SqlQuery<int>($"SELECT Changes AS Value FROM SearchState").FirstAsync(cancel);
        if (now == state)
        {
            return null;
        }

        var words = await context.Database.SqlQuery<WordCount>($"SELECT term AS Word, doc AS Count FROM SearchWords").ToListAsync(cancel);
        return (now, new SearchVocabulary(words.Select(w => KeyValuePair.Create(w.Word, w.Count))));
    }

    /// <summary>What has every term of a plan, the best first.</summary>
    public static Task<List<FoundEntry>> FindAll(this KostelContext context, SearchPlan plan, SearchScope scope, CancellationToken cancel) =>
        context.Find(MatchExpression.Every(plan.Terms), scope, cancel);

    /// <summary>What has some of them, the best first.</summary>
    public static Task<List<FoundEntry>> FindSome(this KostelContext context, IReadOnlyList<PlannedTerm> terms, SearchScope scope, CancellationToken cancel) =>
        context.Find(MatchExpression.Any(terms), scope, cancel);

    /// <summary>The entries of passages.</summary>
    public static async Task<List<FoundEntry>> EntriesOf(this KostelContext context, IReadOnlyList<MeantPassage> passages, SearchScope scope, CancellationToken cancel)
    {
        var found = new List<FoundEntry>();
        foreach (var lecture in passages.GroupBy(p => p.LectureId))
        {
            var likeness = lecture.ToDictionary(p => p.Key, p => p.Likeness);
            var refs = JsonSerializer.Serialize(likeness.Keys);
            var rows = await context.Database.SqlQuery<EntryRow>(
                $"""
                SELECT e.Id, e.Kind, e.LectureId, e.CourseId, e.Ref, e.StartMs, e.EndMs, 0.0 AS Rank FROM SearchEntries e
                WHERE e.LectureId = {lecture.Key} AND e.Kind = 'Passage' AND e.Ref IN (SELECT value FROM json_each({refs}))
                AND ({scope.Speaker} IS NULL OR EXISTS (SELECT 1 FROM Speakers s WHERE s.LectureId = e.LectureId AND s.Key = e.Speaker AND s.Name = {scope.Speaker}))
                """).ToListAsync(cancel);
            found.AddRange(rows.Select(r => Entry(r) with { Score = likeness[r.Ref] }));
        }

        return found;
    }

    /// <summary>The lectures that a scope leaves.</summary>
    public static async Task<HashSet<string>> LecturesIn(this KostelContext context, SearchScope scope, CancellationToken cancel) =>
        [.. await context.Database.SqlQuery<string>(
            $"""
            SELECT l.Id AS Value FROM Lectures l LEFT JOIN Courses c ON c.Id = l.CourseId
            WHERE l.DeletedAt IS NULL AND ({scope.LectureId} IS NULL OR l.Id = {scope.LectureId}) AND ({scope.Course} IS NULL OR c.Title = {scope.Course})
            AND ({scope.From} IS NULL OR l.HeldOn >= {scope.From}) AND ({scope.To} IS NULL OR l.HeldOn <= {scope.To})
            """).ToListAsync(cancel)];

    /// <summary>The passages of entries, by the entry's number.</summary>
    public static async Task<Dictionary<long, PassageRow>> PassagesOf(this KostelContext context, IEnumerable<FoundEntry> entries, CancellationToken cancel)
    {
        var places = entries.Where(e => e.Kind == IndexedKind.Passage).ToDictionary(e => (e.LectureId!, e.Ref), e => e.Id);
        var ids = JsonSerializer.Serialize(places.Values);
        var rows = await context.Passages.FromSql(
            $"SELECT p.* FROM SearchEntries e JOIN Passages p ON p.LectureId = e.LectureId AND p.Key = e.Ref WHERE e.Id IN (SELECT value FROM json_each({ids}))")
            .AsNoTracking().ToListAsync(cancel);
        return rows.ToDictionary(r => places[(r.LectureId, r.Key)]);
    }

    /// <summary>The passages of entries with those beside them, in the order of their lectures.</summary>
    public static async Task<List<PassageRow>> PassagesAround(this KostelContext context, IEnumerable<FoundEntry> entries, CancellationToken cancel)
    {
        var ids = JsonSerializer.Serialize(entries.Where(e => e.Kind == IndexedKind.Passage).Select(e => e.Id));
        return await context.Passages.FromSql(
            $"""
            SELECT DISTINCT n.* FROM SearchEntries e JOIN Passages p ON p.LectureId = e.LectureId AND p.Key = e.Ref
            JOIN Passages n ON n.LectureId = p.LectureId AND n.Number BETWEEN p.Number - 1 AND p.Number + 1
            WHERE e.Id IN (SELECT value FROM json_each({ids})) ORDER BY n.LectureId, n.Number
            """).AsNoTracking().ToListAsync(cancel);
    }

    private static async Task<List<FoundEntry>> Find(this KostelContext context, string match, SearchScope scope, CancellationToken cancel) =>
        (match.Length == 0 ? [] : scope.IsNarrow ? await context.FindInside(match, scope, cancel) : await context.FindEverywhere(match, scope.OwnerId, cancel)).ConvertAll(Entry);

    /// <summary>Ranked inside of the index: the other tables are touched for the best alone.</summary>
    private static Task<List<EntryRow>> FindEverywhere(this KostelContext context, string match, int owner, CancellationToken cancel) =>
        context.Database.SqlQuery<EntryRow>(
            $"""
            SELECT e.Id, e.Kind, e.LectureId, e.CourseId, e.Ref, e.StartMs, e.EndMs, t.Rank FROM
            (SELECT rowid, rank AS Rank FROM SearchText WHERE SearchText MATCH {match} ORDER BY rank LIMIT {Most * 2}) t
            JOIN SearchEntries e ON e.Id = t.rowid LEFT JOIN Lectures l ON l.Id = e.LectureId
            WHERE l.DeletedAt IS NULL AND (e.OwnerId IS NULL OR e.OwnerId = {owner}) ORDER BY t.Rank LIMIT {Most}
            """).ToListAsync(cancel);

    private static Task<List<EntryRow>> FindInside(this KostelContext context, string match, SearchScope scope, CancellationToken cancel)
    {
        var kinds = scope.Kinds is { Count: > 0 } some ? JsonSerializer.Serialize(some.Select(k => k.ToString())) : null;
        return context.Database.SqlQuery<EntryRow>(
            $"""
            SELECT e.Id, e.Kind, e.LectureId, e.CourseId, e.Ref, e.StartMs, e.EndMs, bm25(SearchText) AS Rank FROM SearchText
            JOIN SearchEntries e ON e.Id = SearchText.rowid LEFT JOIN Lectures l ON l.Id = e.LectureId LEFT JOIN Courses c ON c.Id = coalesce(l.CourseId, e.CourseId)
            WHERE SearchText MATCH {match} AND l.DeletedAt IS NULL AND (e.OwnerId IS NULL OR e.OwnerId = {scope.OwnerId})
            AND ({scope.LectureId} IS NULL OR e.LectureId = {scope.LectureId}) AND ({scope.Course} IS NULL OR c.Title = {scope.Course})
            AND ({scope.From} IS NULL OR l.HeldOn >= {scope.From}) AND ({scope.To} IS NULL OR l.HeldOn <= {scope.To})
            AND ({kinds} IS NULL OR e.Kind IN (SELECT value FROM json_each({kinds})))
            AND ({scope.Speaker} IS NULL OR EXISTS (SELECT 1 FROM Speakers s WHERE s.LectureId = e.LectureId AND s.Key = e.Speaker AND s.Name = {scope.Speaker}))
            ORDER BY Rank LIMIT {Most}
            """).ToListAsync(cancel);
    }

    // BM25 of SQLite is the more negative the better.
    private static FoundEntry Entry(EntryRow r) => new(r.Id, Enum.Parse<IndexedKind>(r.Kind), r.LectureId, r.CourseId, r.Ref, r.StartMs, r.EndMs, -r.Rank);

    private sealed record EntryRow(long Id, string Kind, string? LectureId, int? CourseId, string Ref, int StartMs, int EndMs, double Rank);

    private sealed record WordCount(string Word, int Count);
}
