using System.Globalization;
using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Quizzes;
using Kostel.Data.Rows;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

namespace Kostel.Data.Tests;

/// <summary>A database of every schema that there ever was, with a row of everything that it can hold, is brought to the present one and read.</summary>
public sealed class EarlierSchemaTests : IDisposable
{
    private const string Day = "2026-11-20 08:00:00", Quote = "The tide rises twice a day.";

    private readonly Library library = new();

    public static TheoryData<string> Schemas()
    {
        using var library = new Library();
        using var context = library.Open();
        return [.. context.Database.GetMigrations()];
    }

    [Theory]
    [MemberData(nameof(Schemas))]
    public async Task Everything_of_an_earlier_database_is_there(string schema)
    {
        var cancel = TestContext.Current.CancellationToken;
        await using (var old = library.Open())
        {
            await old.GetService<IMigrator>().MigrateAsync(schema, cancel);
            await Fill((SqliteConnection)old.Database.GetDbConnection());
        }

        library.Present();
        await using var context = library.Open();
        var lecture = await context.Lectures.Include(l => l.Course).SingleAsync(cancel);
        Assert.Equal(("Seas", "Tides"), (lecture.Title, lecture.Course!.Title));
        Assert.Equal(Quote, (await context.Transcript(lecture, cancel)).Passages[0].Text);
        Assert.Equal([("seas", Quote), ("seas", Quote)], (await context.Questions.SingleAsync(cancel)).Answer.Lines.Select(l => (l.LectureId!, l.Quote)));
        Assert.Equal("How often?", (await context.Threads.Include(t => t.Questions).SingleAsync(t => t.Questions.Count == 1, cancel)).Title);
        var part = Assert.Single((await context.Summaries.SingleAsync(cancel)).Parts);
        Assert.Equal(("Opening", "seas", Quote), (part.Chapter, part.Lines[0].LectureId, part.Lines[0].Quote));
        Assert.All(await context.Sheets.ToListAsync(cancel), s => Assert.Equal(("Twice.", Quote, "seas"), (s.Content.Lines().Single().Cells[0], s.Content.Sources().Single().Quote, s.Content.Sources().Single().LectureId)));
        Assert.All(await context.EarlierSheets.ToListAsync(cancel), s => Assert.True(s.Content.HasNoLine()));
        Assert.Equal(await context.Sheets.CountAsync(cancel), await context.EarlierSheets.CountAsync(cancel));
        var cards = await context.Cards.Include(c => c.Memories).OrderBy(c => c.Id).ToListAsync(cancel);
        Assert.Equal([new QuestionCard("How often?", "Twice."), new GapCard("It rises ____ a \"day\".", "Twice.")], cards.Select(c => c.Content));
        var card = cards[0];
        Assert.Equal((Quote, "seas", 1_000), (card.Source.Quote, card.Source.LectureId, card.Source.StartMs));
        Assert.Equal((2.5, PersonRow.TheOne, new DateTime(2026, 11, 20, 8, 0, 0)), (card.Memories[0].Stability!.Value, card.Memories[0].OwnerId, card.Memories[0].DueAt));
        Assert.Equal(PersonRow.TheOne, (await context.Reviews.SingleAsync(cancel)).OwnerId);
        var asked = Assert.IsType<ChoiceQuestion>(await context.Quizzes.SelectMany(q => q.Questions).Select(q => q.Content).SingleAsync(cancel));
        Assert.Equal(("How often?", 1), (asked.Stem, asked.Key));
        Assert.Equal(["Once", "Twice"], asked.Choices);
        Assert.Equal((Quote, "seas"), await context.Quizzes.SelectMany(q => q.Questions).Select(q => q.Source).AsAsyncEnumerable().Select(s => (s.Quote, s.LectureId!)).SingleAsync(cancel));
        Assert.Equal([0, -1], (await context.Attempts.SingleAsync(cancel)).Choices.Select(c => c.Chosen.Count == 0 ? -1 : c.Chosen[0]));
        Assert.Equal(new DateTime(2026, 11, 20, 8, 0, 0), (await context.Visits.SingleAsync(cancel)).At);
        Assert.All(await context.Episodes.ToListAsync(cancel), e => Assert.Equal(("k1", "https://slip.example/knots.vtt", "seas"), (e.Key, e.Captions[0].Address.ToString(), e.LectureId)));
        Assert.All(await context.Recordings.ToListAsync(cancel), r => Assert.Equal((3, 1_200), (r.NextPiece, r.Marks.Single().AtMs)));
        Assert.All(await context.RecordedWords.ToListAsync(cancel), w => Assert.Equal("tide", w.Words[1].Text));
        var job = await context.Jobs.SingleAsync(cancel);
        Assert.Equal(("transcription", JobState.Failed), (job.Kind, job.State));
        Assert.Contains("\"is\":", job.Payload, StringComparison.Ordinal);
        Assert.Empty(await context.Database.SqlQueryRaw<string>("SELECT \"table\" AS Value FROM pragma_foreign_key_check").ToListAsync(cancel));
    }

    [Fact]
    public async Task What_jobs_were_asked_for_is_what_they_are_asked_for()
    {
        var cancel = TestContext.Current.CancellationToken;
        await using (var old = library.Open())
        {
            await old.GetService<IMigrator>().MigrateAsync("FirmGround", cancel);
            var database = (SqliteConnection)old.Database.GetDbConnection();
            Insert(database, "Lectures", new() { ["Id"] = "seas", ["Title"] = "Seas" });
            Insert(database, "Jobs", new() { ["Id"] = 1, ["LectureId"] = "seas", ["Accuracy"] = "Accurate", ["Language"] = "es", ["LanguageIsGuessed"] = 1, ["ByService"] = 1, ["Voices"] = 3, ["Stage"] = "Listening", ["State"] = "Waiting" });
            Insert(database, "Jobs", new() { ["Id"] = 2, ["LectureId"] = "seas", ["Accuracy"] = "Fast", ["OnlyVoices"] = 1, ["Voices"] = 2, ["Stage"] = "Checking", ["State"] = "Done" });
            Insert(database, "Settings", new() { ["Name"] = "day-begins", ["Value"] = "3" });
            Insert(database, "Settings", new() { ["Name"] = "door", ["Value"] = "key" });
        }

        library.Present();
        await using var context = library.Open();
        var jobs = await context.Jobs.OrderBy(j => j.Id).ToListAsync(cancel);
        Assert.Equal(["transcription", "voices"], jobs.Select(j => j.Kind));
        Assert.Equal("""{"v":1,"is":{"choice":{"accuracy":1,"language":"es","byService":true,"voices":3},"languageIsGuessed":true}}""", jobs[0].Payload);
        Assert.Equal("""{"v":1,"is":{"voices":2}}""", jobs[1].Payload);
        Assert.Equal(("3", "key"), (await context.Setting(PersonRow.TheOne, "day-begins", cancel), await context.Setting("door", cancel)));
    }

    public void Dispose() => library.Dispose();

    private static Task Fill(SqliteConnection database)
    {
        const string Words = """[{"text":"The","startMs":1000,"endMs":1100,"confidence":0.9},{"text":"tide","startMs":1100,"endMs":1200,"confidence":0.9},{"text":"rises","startMs":1200,"endMs":1300,"confidence":0.9},{"text":"twice","startMs":1300,"endMs":1400,"confidence":0.9},{"text":"a","startMs":1400,"endMs":1500,"confidence":0.9},{"text":"day.","startMs":1500,"endMs":1600,"confidence":0.9}]""";
        var source = $$"""{"passageId":"p1","startMs":1000,"endMs":1600,"quote":"{{Quote}}"}""";
        var line = $$"""{"text":"{{Quote}}","passageId":"p1","startMs":1000,"endMs":1600,"chapter":"Opening"}""";
        var isPresent = Columns(database, "CardMemories").Count > 0;
        if (isPresent)
        {
            // As the present form writes it.
            line = $$"""{"passageId":"p1","startMs":1000,"endMs":1600,"quote":"{{Quote}}","lectureId":"seas"}""";
            source = Stored(line);
        }

        string Stored(string json) => isPresent ? "{\"v\":1,\"is\":" + json + "}" : json;
        Insert(database, "Courses", new() { ["Id"] = 1, ["Title"] = "Tides" });
        Insert(database, "Lectures", new() { ["Id"] = "seas", ["Title"] = "Seas", ["CourseId"] = 1, ["Language"] = "en", ["OpenedAt"] = Day, ["MadeWith"] = "Fast", ["HasSound"] = 1 });
        Insert(database, "Speakers", new() { ["LectureId"] = "seas", ["Key"] = "v1", ["Name"] = "Voice 1" });
        Insert(database, "Passages", new() { ["LectureId"] = "seas", ["Key"] = "p1", ["SpeakerKey"] = "v1", ["StartMs"] = 1000, ["EndMs"] = 1600, ["Words"] = Stored(Words) });
        Insert(database, "Threads", new() { ["Id"] = 1, ["OwnerId"] = 1, ["LectureId"] = "seas", ["Title"] = "How often?", ["ChangedAt"] = Day });
        Insert(database, "Questions", new() { ["Id"] = 1, ["ThreadId"] = 1, ["LectureId"] = "seas", ["OwnerId"] = 1, ["Text"] = "How often?", ["AskedAt"] = Day, ["Answer"] = Stored("{\"isSaid\":true,\"lines\":[" + line + "," + line + "],\"unheardWords\":[\"spring\"]}") });
        Insert(database, "Summaries", new() { ["Id"] = 1, ["LectureId"] = "seas", ["MadeAt"] = Day, ["Parts"] = Stored("[{\"chapter\":\"Opening\",\"startMs\":0,\"lines\":[" + (isPresent ? line : source) + "]}]") });
        Insert(database, "Sheets", new() { ["Id"] = 1, ["LectureId"] = "seas", ["OwnerId"] = 1, ["Form"] = "Points", ["Name"] = "Key points", ["MadeAt"] = Day, ["ChangedAt"] = Day, ["Content"] = Stored("{\"columns\":[\"Point\"],\"parts\":[{\"heading\":\"Opening\",\"lines\":[{\"cells\":[\"Twice.\"],\"source\":" + line + "}]}]}") });
        Insert(database, "EarlierSheets", new() { ["SheetId"] = 1, ["Name"] = "Points", ["At"] = Day, ["Content"] = Stored("""{"columns":["Point"],"parts":[]}""") });
        Insert(database, "Cards", new() { ["Id"] = 1, ["LectureId"] = "seas", ["Front"] = "How often?", ["Back"] = "Twice.", ["Content"] = Stored("""{"kind":"question","question":"How often?","answer":"Twice."}"""), ["Source"] = source, ["SourceKey"] = "1000-1600", ["Stability"] = 2.5, ["Difficulty"] = 5.0, ["DueAt"] = Day, ["ReviewedAt"] = Day, ["CreatedAt"] = Day });
        Insert(database, "Cards", new() { ["Id"] = 2, ["LectureId"] = "seas", ["Front"] = "It rises ____ a \"day\".", ["Back"] = "Twice.", ["Content"] = Stored("""{"kind":"gap","statement":"It rises ____ a \"day\".","missing":"Twice."}"""), ["Source"] = source, ["SourceKey"] = "1-2", ["DueAt"] = Day, ["CreatedAt"] = Day });
        Insert(database, "CardMemories", new() { ["CardId"] = 1, ["OwnerId"] = 1, ["Stability"] = 2.5, ["Difficulty"] = 5.0, ["DueAt"] = Day });
        Insert(database, "Visits", new() { ["LectureId"] = "seas", ["OwnerId"] = 1, ["At"] = Day });
        Insert(database, "Reviews", new() { ["Id"] = 1, ["CardId"] = 1, ["OwnerId"] = 1, ["Grade"] = "Recalled", ["At"] = Day });
        Insert(database, "Quizzes", new() { ["Id"] = 1, ["LectureId"] = "seas", ["MadeAt"] = Day });
        Insert(database, "QuizQuestionRow", new() { ["QuizId"] = 1, ["Stem"] = "How often?", ["Content"] = Stored("""{"kind":"choice","stem":"How often?","choices":["Once","Twice"],"key":1}"""), ["Choices"] = Stored("""["Once","Twice"]"""), ["Key"] = 1, ["Source"] = source });
        Insert(database, "Attempts", new() { ["Id"] = 1, ["QuizId"] = 1, ["OwnerId"] = 1, ["FinishedAt"] = Day, ["Choices"] = Stored("[0,-1]") });
        Insert(database, "Jobs", new() { ["Id"] = 1, ["LectureId"] = "seas", ["Accuracy"] = "Fast", ["Kind"] = "transcription", ["Payload"] = Stored("""{"choice":{"accuracy":0}}"""), ["Stage"] = "Checking", ["State"] = "Failed" });
        Insert(database, "Feeds", new() { ["Id"] = 1, ["Address"] = "https://slip.example/feed", ["Title"] = "Slip", ["CourseId"] = 1, ["IsFollowed"] = 1 });
        Insert(database, "Episodes", new() { ["FeedId"] = 1, ["Key"] = "k1", ["Title"] = "Knots", ["Media"] = "https://slip.example/knots.mp3", ["Captions"] = Stored("""[{"address":"https://slip.example/knots.vtt","type":"text/vtt"}]"""), ["LectureId"] = "seas" });
        Insert(database, "Recordings", new() { ["Id"] = "quay", ["OwnerId"] = 1, ["Title"] = "Quay", ["KeepsSound"] = 1, ["State"] = "Open", ["HeldOn"] = "2026-11-20", ["StartedAt"] = Day, ["TouchedAt"] = Day, ["Turn"] = "t1", ["NextPiece"] = 3, ["Samples"] = 24_000, ["Marks"] = Stored("""[{"kind":0,"atMs":1200,"text":""}]""") });
        Insert(database, "RecordedWords", new() { ["RecordingId"] = "quay", ["Number"] = 0, ["Words"] = Stored(Words) });
        return Task.CompletedTask;
    }

    /// <summary>Inserts a row with those columns that the table has; what it requires besides is empty. Nothing, where there is no such table.</summary>
    private static void Insert(SqliteConnection database, string table, Dictionary<string, object> row)
    {
        var columns = Columns(database, table);
        if (columns.Count == 0)
        {
            return;
        }

        foreach (var (name, type) in columns.Where(c => c.Value.IsRequired).Select(c => (c.Key, c.Value.Type)))
        {
            row.TryAdd(name, type == "TEXT" ? name.EndsWith("At", StringComparison.Ordinal) ? Day : "" : 0);
        }

        var given = row.Where(r => columns.ContainsKey(r.Key)).ToList();
        using var command = database.CreateCommand();
        command.CommandText = $"INSERT INTO \"{table}\" ({string.Join(", ", given.Select(g => $"\"{g.Key}\""))}) VALUES ({string.Join(", ", given.Select((_, i) => $"${i}"))})";
        for (var i = 0; i < given.Count; i++)
        {
            command.Parameters.AddWithValue($"${i.ToString(CultureInfo.InvariantCulture)}", given[i].Value);
        }

        command.ExecuteNonQuery();
    }

    private static Dictionary<string, (string Type, bool IsRequired)> Columns(SqliteConnection database, string table)
    {
        if (database.State != System.Data.ConnectionState.Open)
        {
            database.Open();
        }

        using var command = database.CreateCommand();
        command.CommandText = $"SELECT name, type, \"notnull\" AND dflt_value IS NULL FROM pragma_table_info('{table}')";
        using var reader = command.ExecuteReader();
        var columns = new Dictionary<string, (string, bool)>();
        while (reader.Read())
        {
            columns[reader.GetString(0)] = (reader.GetString(1), reader.GetBoolean(2));
        }

        return columns;
    }
}
