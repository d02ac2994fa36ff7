using Microsoft.EntityFrameworkCore;

namespace Kostel.Data.Search;

/// <summary>
/// The library's index of words: FTS5 without a copy of the texts, filled by triggers, so that it follows every change in the same
/// transaction whatever way that comes. It is made of other tables and can be made anew from them at any time; that is done where
/// it is missing, is of another form, or lost a trigger with a table that was rebuilt.
/// </summary>
public static class SearchSchema
{
    /// <summary>Goes up with every change of what is written here or in <see cref="IndexedRows"/>.</summary>
    private const int Form = 3;

    private const string Tables = """
        CREATE TABLE SearchState (Form INTEGER NOT NULL, Changes INTEGER NOT NULL);
        CREATE TABLE SearchEntries (
            Id INTEGER PRIMARY KEY, Kind TEXT NOT NULL, LectureId TEXT, CourseId INTEGER, Ref TEXT NOT NULL,
            StartMs INTEGER NOT NULL, EndMs INTEGER NOT NULL, Speaker TEXT, OwnerId INTEGER);
        CREATE INDEX SearchEntriesByPlace ON SearchEntries (LectureId, Kind, Ref);
        CREATE VIRTUAL TABLE SearchText USING fts5(Text, content='', tokenize='unicode61 remove_diacritics 2');
        INSERT INTO SearchText(SearchText, rank) VALUES ('secure-delete', 1);
        CREATE VIRTUAL TABLE SearchWords USING fts5vocab('SearchText', 'row');
        """;

    private const string None = """
        DROP TABLE IF EXISTS SearchWords;
        DROP TABLE IF EXISTS SearchText;
        DROP TABLE IF EXISTS SearchEntries;
        DROP TABLE IF EXISTS SearchState;
        """;

    /// <summary>Makes the index where it is not there or not whole.</summary>
    public static void Ensure(KostelContext context)
    {
        if (IsWhole(context))
        {
            return;
        }

        using var all = context.Database.BeginTransaction();
        foreach (var rows in IndexedRows.All)
        {
            Run(context, string.Concat(Names(rows).Select(n => $"DROP TRIGGER IF EXISTS {n};")));
        }

        Run(context, None);
        Run(context, Tables);
        foreach (var rows in IndexedRows.All)
        {
            Run(context, Fill(rows));
            Run(context, Triggers(rows));
        }

        Run(context, $"INSERT INTO SearchState VALUES ({Form}, 1);");
        all.Commit();
    }

    private static bool IsWhole(KostelContext context)
    {
        var tables = context.Database.SqlQueryRaw<string>("SELECT name AS Value FROM sqlite_master WHERE name LIKE 'Search%'").ToHashSet();
        return tables.Contains("SearchState") && tables.Contains("SearchText") && tables.Contains("SearchEntries")
            && IndexedRows.All.SelectMany(Names).All(tables.Contains)
            && context.Database.SqlQueryRaw<int>("SELECT Form AS Value FROM SearchState").ToList() is [Form];
    }

    private static string[] Names(IndexedRows rows) =>
        [$"Search{rows.Kind}Added", $"Search{rows.Kind}Changed", $"Search{rows.Kind}Removed"];

    private static string Fill(IndexedRows rows) => $"""
        INSERT INTO SearchEntries (Kind, LectureId, CourseId, Ref, StartMs, EndMs, Speaker, OwnerId) SELECT {Entry(rows)} FROM {rows.Table} r WHERE {rows.Which};
        INSERT INTO SearchText (rowid, Text) SELECT e.Id, coalesce({rows.Text}, '') FROM {rows.Table} r JOIN SearchEntries e ON {Same(rows, "e.")};
        """;

    private static string Triggers(IndexedRows rows)
    {
        var (added, removed) = (Add(rows), Remove(rows));
        return $"""
            CREATE TRIGGER Search{rows.Kind}Added AFTER INSERT ON {rows.Table} BEGIN {added} {Count} END;
            CREATE TRIGGER Search{rows.Kind}Changed AFTER UPDATE OF {rows.Columns} ON {rows.Table} BEGIN {removed} {added} {Count} END;
            CREATE TRIGGER Search{rows.Kind}Removed AFTER DELETE ON {rows.Table} BEGIN {removed} {Count} END;
            """;
    }

    private const string Count = "UPDATE SearchState SET Changes = Changes + 1;";

    private static string Add(IndexedRows rows) => Of("new", $"""
        INSERT INTO SearchEntries (Kind, LectureId, CourseId, Ref, StartMs, EndMs, Speaker, OwnerId) SELECT {Entry(rows)} WHERE {rows.Which};
        INSERT INTO SearchText (rowid, Text) SELECT e.Id, coalesce({rows.Text}, '') FROM SearchEntries e WHERE {Same(rows, "e.")};
        """);

    private static string Remove(IndexedRows rows) => Of("old", $"""
        INSERT INTO SearchText (SearchText, rowid, Text) SELECT 'delete', e.Id, coalesce({rows.Text}, '') FROM SearchEntries e WHERE {Same(rows, "e.")};
        DELETE FROM SearchEntries WHERE {Same(rows, "")};
        """);

    private static string Entry(IndexedRows rows) =>
        $"'{rows.Kind}', {rows.Lecture}, {rows.Course}, {rows.Ref}, {rows.Start}, {rows.End}, {rows.Speaker}, {rows.Owner}";

    private static string Same(IndexedRows rows, string entry) =>
        $"{entry}Kind = '{rows.Kind}' AND {entry}LectureId IS {rows.Lecture} AND {entry}CourseId IS {rows.Course} AND {entry}Ref = CAST({rows.Ref} AS TEXT)";

    /// <summary>The same of the row that a trigger has before or after the change.</summary>
    private static string Of(string row, string sql) => System.Text.RegularExpressions.Regex.Replace(sql, @"\br\.", row + ".", System.Text.RegularExpressions.RegexOptions.CultureInvariant);

    // The statements hold braces of JSON paths nowhere; nothing in them comes from outside.
    private static void Run(KostelContext context, string sql) => context.Database.ExecuteSqlRaw(sql);
}
