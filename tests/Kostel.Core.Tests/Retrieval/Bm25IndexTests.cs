using Kostel.Core.Retrieval;
using Kostel.Core.Text;
using Microsoft.Data.Sqlite;

namespace Kostel.Core.Tests.Retrieval;

public class Bm25IndexTests
{
    /// <summary>Against bm25() of SQLite's FTS5 on the sentences of a demonstration lecture.</summary>
    [Theory]
    [InlineData("dew point")]
    [InlineData("radiation fog sunrise")]
    [InlineData("temperature of the sea")]
    public void The_order_is_that_of_SQLite(string query)
    {
        var texts = Lecture.DemoParagraphs("09-fog").SelectMany(p => p.Split(". ")).ToList();
        using var connection = new SqliteConnection("Data Source=:memory:");
        connection.Open();
        Execute(connection, "CREATE VIRTUAL TABLE t USING fts5(body)");
        foreach (var text in texts)
        {
            Execute(connection, "INSERT INTO t VALUES ($p)", text);
        }

        var words = Tokens.Of(query);
        using var command = connection.CreateCommand();
        command.CommandText = "SELECT rowid - 1, -bm25(t) FROM t WHERE t MATCH $p ORDER BY bm25(t), rowid";
        command.Parameters.AddWithValue("$p", string.Join(" OR ", words));
        using var reader = command.ExecuteReader();
        var theirs = new List<(int Row, double Score)>();
        while (reader.Read())
        {
            theirs.Add((reader.GetInt32(0), reader.GetDouble(1)));
        }

        var scores = new Bm25Index(texts.Select(Tokens.Of).ToList()).Scores(words);
        var ours = scores.Select((s, i) => (Row: i, Score: s)).Where(s => s.Score > 0).OrderByDescending(s => s.Score).ThenBy(s => s.Row);
        Assert.Equal(theirs.Select(t => t.Row), ours.Select(o => o.Row));
        Assert.All(theirs, t => Assert.Equal(t.Score, scores[t.Row], 4));
    }

    [Fact]
    public void An_empty_collection_has_no_scores() => Assert.Empty(new Bm25Index([]).Scores(["tide"]));

    private static void Execute(SqliteConnection connection, string sql, string? parameter = null)
    {
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        command.Parameters.AddWithValue("$p", (object?)parameter ?? DBNull.Value);
        command.ExecuteNonQuery();
    }
}
