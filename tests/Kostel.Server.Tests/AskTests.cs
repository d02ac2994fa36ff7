using System.Globalization;
using System.Net;
using System.Text;
using System.Text.Json.Nodes;

namespace Kostel.Server.Tests;

/// <summary>Asking a lecture, a course and everything; what is kept of it.</summary>
public sealed class AskTests(AskTests.Library library) : IClassFixture<AskTests.Library>
{
    private const string Course = "Beekeeping";

    private ServerProcess Server => library.Server;

    /// <summary>A course of three lectures, on three days of this and of last year, and a lecture outside of it.</summary>
    public sealed class Library : IAsyncLifetime
    {
        internal ServerProcess Server { get; } = new();

        public List<string> Ids { get; } = [];

        public async ValueTask InitializeAsync()
        {
            await Bring("Swarms", "2026-03-02", """
                A swarm is a part of the colony that leaves with the old queen. Swarms leave in May and June, on warm mornings. The hive loses half of its bees then.
                First look for queen cells on every frame. Then take the old queen out with three frames. Next put her into a new box. Finally give both boxes food for two weeks.
                """);
            await Bring("The mite", "2026-03-09", """
                The mite lives in the closed brood and sucks on the larvae. Count the mites that fall on a board in three days. More than ten mites a day are too many.
                In summer we use formic acid, and in winter oxalic acid. Formic acid goes through the wax, and oxalic acid does not.
                """);
            await Bring("The mite again", "2026-03-16", """
                Last time we spoke of the mite. More than five mites a day are too many in spring, by the new advice. The wax moth eats old comb.
                """);
            await Bring("Sheep", "2025-11-03", "A ewe eats two kilograms of hay a day. The lambs come in March.", course: "");
        }

        public ValueTask DisposeAsync()
        {
            Server.Dispose();
            return ValueTask.CompletedTask;
        }

        private async Task Bring(string title, string heldOn, string text, string course = Course)
        {
            var srt = new StringBuilder();
            var sentences = text.ReplaceLineEndings(" ").Split(". ", StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
            foreach (var (i, sentence) in sentences.Index())
            {
                srt.Append(CultureInfo.InvariantCulture, $"{i + 1}\n00:00:{i * 5:00},000 --> 00:00:{(i * 5) + 4:00},000\n{sentence.TrimEnd('.')}.\n\n");
            }

            var id = await Server.BringIn($"{title}.srt", Encoding.UTF8.GetBytes(srt.ToString()), title, course);
            var version = (int)(await Server.Get($"/api/lectures/{id}"))["version"]!;
            (await Server.Send(HttpMethod.Put, $"/api/lectures/{id}", new { title, heldOn, course, version })).EnsureSuccessStatusCode();
            Ids.Add(id);
        }
    }

    private Task<JsonNode> Ask(string text, object? more = null)
    {
        var body = (JsonObject)JsonNode.Parse(System.Text.Json.JsonSerializer.Serialize(more ?? new { }))!;
        body["text"] = text;
        return Server.Post("/api/questions", body);
    }

    private static string Quote(JsonNode asked, int line = 0) => asked["question"]!["answer"]!["lines"]![line]!["quote"]!.GetValue<string>();

    private static List<string> Scope(JsonNode asked) => asked["question"]!["answer"]!["scope"]!.AsArray().Select(s => (string)s!["words"]!).ToList();

    [Fact]
    public async Task A_question_begins_a_thread_of_its_lecture_and_is_answered_in_its_words()
    {
        var asked = await Ask("What is a swarm?", new { lecture = library.Ids[0] });
        Assert.Equal("said", (string?)asked["question"]!["answer"]!["state"]);
        Assert.Contains("leaves with the old queen", Quote(asked), StringComparison.Ordinal);
        Assert.Equal("What is a swarm?", (string?)asked["thread"]!["title"]);
        Assert.Contains((await Server.Get($"/api/threads?lecture={library.Ids[0]}")).AsArray(), t => (int)t!["id"]! == (int)asked["thread"]!["id"]!);
        Assert.DoesNotContain((await Server.Get("/api/threads")).AsArray(), t => (int)t!["id"]! == (int)asked["thread"]!["id"]!);
    }

    [Fact]
    public async Task What_no_lecture_says_is_not_called_said()
    {
        var asked = await Ask("Who invented the barometer?", new { course = Course });
        Assert.NotEqual("said", (string?)asked["question"]!["answer"]!["state"]);
        Assert.Contains("barometer", asked["question"]!["answer"]!["unheardWords"]!.AsArray().Select(w => (string)w!));
    }

    [Fact]
    public async Task A_question_that_leans_on_the_one_before_is_understood_in_its_thread_and_alone_if_wanted()
    {
        var first = await Ask("When do swarms leave?", new { lecture = library.Ids[0] });
        var thread = (int)first["thread"]!["id"]!;
        var second = await Ask("Why do they?", new { thread });
        Assert.NotEmpty(second["question"]!["answer"]!["taken"]!.AsArray());
        var alone = await Ask("Why do they?", new { thread, isAlone = true });
        Assert.Empty(alone["question"]!["answer"]!["taken"]!.AsArray());
        Assert.Equal(3, (await Server.Get($"/api/threads/{thread}"))["questions"]!.AsArray().Count);
    }

    [Fact]
    public async Task A_course_is_asked_and_the_answer_names_its_lectures()
    {
        var asked = await Ask("How many mites a day are too many?", new { course = Course });
        var answer = asked["question"]!["answer"]!;
        Assert.Equal(["The mite", "The mite again"], answer["lectures"]!.AsArray().Select(l => (string)l!["title"]!).Order());
        Assert.True((bool)answer["differs"]!);
        Assert.Equal("number", (string?)answer["form"]);
    }

    [Fact]
    public async Task Lectures_are_set_side_by_side()
    {
        var answer = (await Ask("How many mites a day are too many?", new { course = Course, compares = true }))["question"]!["answer"]!;
        Assert.Equal("comparison", (string?)answer["form"]);
        Assert.Equal(["The mite", "The mite again"], answer["sides"]!.AsArray().Select(s => (string)s!["name"]!));
        Assert.True((bool)answer["differs"]!);
    }

    [Theory]
    [InlineData("In the last lecture, how many mites are too many?", "the last lecture", "five")]
    [InlineData("How many mites are too many, from 3 March to 10 March?", "from 3 March to 10 March", "ten")]
    [InlineData("How many mites are too many, as we heard since 15 March 2026?", "since 15 March 2026", "five")]
    public async Task Days_and_numbers_of_lectures_are_understood_and_shown(string text, string scope, string says)
    {
        var asked = await Ask(text, new { course = Course });
        Assert.Equal([scope], Scope(asked));
        Assert.Contains(says, Quote(asked), StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_was_understood_of_where_to_look_can_be_taken_off()
    {
        var asked = await Ask("In the last lecture, what do swarms do?", new { course = Course, off = new[] { "lectures" } });
        Assert.Empty(Scope(asked));
        Assert.Contains("warm", Quote(asked), StringComparison.Ordinal);
        Assert.Equal(["lectures"], asked["question"]!["answer"]!["off"]!.AsArray().Select(k => (string)k!));
    }

    [Fact]
    public async Task A_stretch_alone_is_asked()
    {
        var asked = await Ask("Which acid is used?", new { lecture = library.Ids[1], fromMs = 0, toMs = 9_000 });
        Assert.DoesNotContain("acid", Quote(asked), StringComparison.Ordinal);
        using var backwards = await Server.Send(HttpMethod.Post, "/api/questions", new { text = "Why?", lecture = library.Ids[1], fromMs = 9_000, toMs = 0 });
        Assert.Equal(HttpStatusCode.BadRequest, backwards.StatusCode);
    }

    [Fact]
    public async Task Steps_come_in_their_order()
    {
        var answer = (await Ask("How do I move the old queen into a new box?", new { lecture = library.Ids[0] }))["question"]!["answer"]!;
        Assert.Equal("steps", (string?)answer["form"]);
        Assert.Equal(4, answer["items"]!.AsArray().Count);
    }

    [Fact]
    public async Task A_thread_is_renamed_found_by_its_name_taken_away_and_brought_back()
    {
        var asked = await Ask("What eats old comb?", new { course = Course });
        var thread = (int)asked["thread"]!["id"]!;
        (await Server.Send(HttpMethod.Put, $"/api/threads/{thread}", new { title = "Moths and butterflies" })).EnsureSuccessStatusCode();
        Assert.Contains((await Server.Get("/api/search?text=butterflies"))["threads"]!.AsArray(), t => (int)t!["id"]! == thread);
        Assert.Contains((await Server.Get("/api/search?text=comb&kinds=question"))["threads"]!.AsArray(), t => (int)t!["id"]! == thread && (string?)t["course"] == Course);
        (await Server.Send(HttpMethod.Delete, $"/api/threads/{thread}")).EnsureSuccessStatusCode();
        Assert.Empty((await Server.Get("/api/search?text=butterflies"))["threads"]!.AsArray());
        using (var gone = await Server.Http.GetAsync($"/api/threads/{thread}", TestContext.Current.CancellationToken))
        {
            Assert.Equal(HttpStatusCode.NotFound, gone.StatusCode);
        }

        (await Server.Send(HttpMethod.Post, $"/api/threads/{thread}/restore", new { })).EnsureSuccessStatusCode();
        Assert.Single((await Server.Get("/api/search?text=butterflies"))["threads"]!.AsArray());
    }

    [Fact]
    public async Task A_thread_is_taken_away_with_links_to_the_seconds()
    {
        var thread = (int)(await Ask("How many mites a day are too many?", new { course = Course }))["thread"]!["id"]!;
        var text = await Server.Http.GetStringAsync($"/api/threads/{thread}/export?format=md", TestContext.Current.CancellationToken);
        Assert.Contains("## How many mites a day are too many?", text, StringComparison.Ordinal);
        Assert.Matches(@"- \[0:0?(\d+)\]\(http://[^)]*/lecture/[^)]*\?t=\1\) [^\n]*More than ten mites a day are too many\. \(The mite\)", text);
        var document = await Server.Http.GetByteArrayAsync($"/api/threads/{thread}/export?format=docx", TestContext.Current.CancellationToken);
        Assert.Equal("PK"u8, document.AsSpan(0, 2));
    }

    [Fact]
    public async Task The_person_chooses_the_place_that_answers_and_the_thread_keeps_it()
    {
        var asked = await Ask("How do I see how bad it is?", new { lecture = library.Ids[1] });
        var question = (int)asked["question"]!["id"]!;
        var chosen = await Server.Post($"/api/questions/{question}/place", new { lecture = library.Ids[1], startMs = 5_500, endMs = 8_000 });
        Assert.True((bool)chosen["answer"]!["isChosen"]!);
        var kept = await Server.Get($"/api/threads/{asked["thread"]!["id"]}");
        Assert.Contains("Count the mites", (string?)kept["questions"]![0]!["answer"]!["lines"]![0]!["quote"], StringComparison.Ordinal);
        using var elsewhere = await Server.Send(HttpMethod.Post, $"/api/questions/{question}/place", new { lecture = library.Ids[0], startMs = 0, endMs = 4_000 });
        Assert.Equal(HttpStatusCode.BadRequest, elsewhere.StatusCode);
    }

    [Fact]
    public async Task An_answer_becomes_a_card_once()
    {
        var card = new { front = "What is a swarm?", back = "A part of the colony that leaves with the old queen.", startMs = 0, endMs = 4_000 };
        var made = await Server.Post($"/api/lectures/{library.Ids[0]}/cards/own", card);
        Assert.Contains("A swarm is", (string?)made["source"]!["quote"], StringComparison.Ordinal);
        Assert.Contains((await Server.Get("/api/review")).AsArray(), c => (int)c!["id"]! == (int)made["id"]!);
        using var again = await Server.Send(HttpMethod.Post, $"/api/lectures/{library.Ids[0]}/cards/own", card);
        Assert.Equal(HttpStatusCode.Conflict, again.StatusCode);
    }

    [Fact]
    public async Task An_answer_quotes_what_is_there_a_moment_after_an_edit()
    {
        var id = await Server.BringText("1\n00:00:01,000 --> 00:00:04,000\nThe pump moves four litres a minute.\n", "pump.srt");
        await Server.Rewrite(id, t => t.Replace("four", "nine", StringComparison.Ordinal));
        Assert.Contains("nine litres", Quote(await Ask("How many litres does the pump move?", new { lecture = id })), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Everything_is_asked_in_passing_and_nothing_is_kept()
    {
        var before = (await Server.Get("/api/threads")).AsArray().Count;
        var all = await Server.Get("/api/answer?text=" + Uri.EscapeDataString("How much hay does a ewe eat?"));
        Assert.Equal("said", (string?)all["answer"]!["state"]);
        Assert.Equal("Sheep", (string?)all["answer"]!["lectures"]![0]!["title"]);
        var course = await Server.Get("/api/answer?text=" + Uri.EscapeDataString("How much hay does a ewe eat?") + $"&course={Course}&from=2026-03-05");
        Assert.Equal(2, (int)course["asked"]!);
        Assert.Equal(before, (await Server.Get("/api/threads")).AsArray().Count);
    }

    [Theory]
    [InlineData("x")]
    [InlineData("the of and")]
    [InlineData("<b>what</b> \u0001 is a swarm?")]
    [InlineData("¿Qué es un enjambre?")]
    public async Task Odd_questions_get_a_plain_answer(string text) =>
        Assert.Contains((string?)(await Ask(text, new { course = Course }))["question"]!["answer"]!["state"], new[] { "said", "perhaps", "notSaid" });

    [Fact]
    public async Task What_is_not_there_is_said_plainly()
    {
        foreach (var body in new object[] { new { text = "Why?", lecture = "nowhere" }, new { text = "Why?", course = "No such course" }, new { text = "Why?", thread = 987_654 } })
        {
            using var answer = await Server.Send(HttpMethod.Post, "/api/questions", body);
            Assert.Equal(HttpStatusCode.NotFound, answer.StatusCode);
        }

        using var tooLong = await Server.Send(HttpMethod.Post, "/api/questions", new { text = new string('a', 10_000), course = Course });
        Assert.Equal(HttpStatusCode.BadRequest, tooLong.StatusCode);
    }

    [Fact]
    public async Task Questions_asked_at_once_are_all_answered()
    {
        var asked = await Task.WhenAll(Enumerable.Range(0, 6).Select(_ => Ask("What is a swarm?", new { course = Course })));
        Assert.Equal(6, asked.Select(a => (int)a["thread"]!["id"]!).Distinct().Count());
    }

    [Fact]
    public async Task A_course_offers_questions_that_it_answers()
    {
        var worth = (await Server.Get($"/api/questions/worth?course={Course}")).AsArray().Select(q => (string)q!).ToList();
        foreach (var question in worth)
        {
            Assert.Equal("said", (string?)(await Ask(question, new { course = Course }))["question"]!["answer"]!["state"]);
        }
    }
}
