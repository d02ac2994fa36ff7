using System.Net;
using System.Text.Json.Nodes;

namespace Kostel.Server.Tests;

public sealed class EditTests(SharedServer shared) : IClassFixture<SharedServer>
{
    private readonly ServerProcess server = shared.Server;

    [Fact]
    public async Task A_correction_is_saved_taken_back_exactly_and_done_again()
    {
        var id = await server.BringText();
        var before = (await server.Get($"/api/lectures/{id}/transcript"))["passages"]!.ToJsonString();
        var result = await server.Rewrite(id, t => t.Replace("The tied", "The high tide", StringComparison.Ordinal));
        Assert.Equal("a correction", result["state"]!["undo"]!.GetValue<string>());
        var after = (await server.Get($"/api/lectures/{id}/transcript"))["passages"]!.ToJsonString();
        Assert.Contains("The high tide rises", after, StringComparison.Ordinal);

        var undone = await server.Post($"/api/lectures/{id}/edits/undo");
        Assert.Null(undone["state"]!["undo"]);
        Assert.Equal(before, (await server.Get($"/api/lectures/{id}/transcript"))["passages"]!.ToJsonString());
        await server.Post($"/api/lectures/{id}/edits/redo");
        Assert.Equal(after, (await server.Get($"/api/lectures/{id}/transcript"))["passages"]!.ToJsonString());
        using var nothing = await server.Send(HttpMethod.Post, $"/api/lectures/{id}/edits/redo");
        Assert.Equal("There is nothing to do again.", await ServerProcess.Detail(nothing));
    }

    [Fact]
    public async Task Typing_that_goes_on_in_a_passage_is_taken_back_at_once()
    {
        var id = await server.BringText();
        var text = await server.Text(id);
        await server.Rewrite(id, t => t.Replace("tied rises", "tid rises", StringComparison.Ordinal));
        await server.Rewrite(id, t => t.Replace("tid rises", "tide rises", StringComparison.Ordinal));
        await server.Post($"/api/lectures/{id}/edits/undo");
        Assert.Equal(text, await server.Text(id));
    }

    [Fact]
    public async Task An_edit_after_an_undo_drops_what_was_taken_back()
    {
        var id = await server.BringText();
        await server.Edit(id, new { kind = "speaker", speakerId = "v1", name = "Ines" });
        await server.Post($"/api/lectures/{id}/edits/undo");
        var result = await server.Edit(id, new { kind = "speaker", speakerId = "v1", name = "Tom" });
        Assert.Null(result["state"]!["redo"]);
    }

    [Fact]
    public async Task Two_windows_never_overwrite_each_other_in_one_passage_and_both_write_in_different_ones()
    {
        var id = await server.BringText();
        var first = await server.Passage(id);
        var text = first["text"]!.GetValue<string>();
        await server.Edit(id, new { kind = "split", passageId = "p1", expected = text, atWord = 6 });
        await server.Rewrite(id, t => t.Replace("tied", "tide", StringComparison.Ordinal));

        // A window that still shows the text before that correction.
        using var late = await server.Send(HttpMethod.Post, $"/api/lectures/{id}/edits", new { edit = new { kind = "rewrite", passageId = "p1", expected = "The tied rises twice a day.", text = "Mine." } });
        Assert.Equal(HttpStatusCode.Conflict, late.StatusCode);
        Assert.Contains("another window", await ServerProcess.Detail(late), StringComparison.Ordinal);
        var second = (await server.Passage(id, 1))["text"]!.GetValue<string>();
        await server.Edit(id, new { kind = "rewrite", passageId = "p2", expected = second, text = second + " So it is." });
        Assert.EndsWith("So it is.", await server.Text(id), StringComparison.Ordinal);
        Assert.StartsWith("The tide rises twice a day.", await server.Text(id), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Twenty_edits_at_once_are_all_made_or_refused_and_the_text_stays_whole()
    {
        var id = await server.BringText();
        var passage = await server.Passage(id);
        var answers = await Task.WhenAll(Enumerable.Range(0, 20).Select(n => server.Send(HttpMethod.Post, $"/api/lectures/{id}/edits", new
        {
            edit = new { kind = "rewrite", passageId = "p1", expected = passage["text"]!.GetValue<string>(), text = $"Version {n} of it." },
        })));
        Assert.Equal(1, answers.Count(a => a.StatusCode == HttpStatusCode.OK));
        Assert.Equal(19, answers.Count(a => a.StatusCode == HttpStatusCode.Conflict));
        Assert.Matches(@"^Version \d+ of it\.$", await server.Text(id));
    }

    [Fact]
    public async Task The_text_is_compared_with_what_was_there_first()
    {
        var id = await server.BringText();
        Assert.Empty((await server.Get($"/api/lectures/{id}/differences")).AsArray());
        await server.Rewrite(id, t => t.Replace("The tied", "The tide", StringComparison.Ordinal));
        var difference = Assert.Single((await server.Get($"/api/lectures/{id}/differences")).AsArray())!;
        Assert.Equal(("tied", "tide"), (difference["before"]!.GetValue<string>(), difference["after"]!.GetValue<string>()));
    }

    [Fact]
    public async Task Edits_that_make_no_sense_are_refused_in_plain_words()
    {
        var id = await server.BringText();
        var text = (await server.Passage(id))["text"]!.GetValue<string>();
        async Task Refused(object edit, HttpStatusCode status)
        {
            using var answer = await server.Send(HttpMethod.Post, $"/api/lectures/{id}/edits", new { edit });
            Assert.Equal(status, answer.StatusCode);
            Assert.NotEmpty(await ServerProcess.Detail(answer));
        }

        await Refused(new { kind = "split", passageId = "p1", expected = text, atWord = 900 }, HttpStatusCode.UnprocessableEntity);
        await Refused(new { kind = "join", passageId = "p1", expected = text }, HttpStatusCode.UnprocessableEntity);
        await Refused(new { kind = "give", passageId = "p1", speakerId = "v7" }, HttpStatusCode.UnprocessableEntity);
        await Refused(new { kind = "replace", places = new[] { new { passageId = "p1", firstWord = -4, wordCount = 2, expected = "", text = "" } } }, HttpStatusCode.Conflict);
        await Refused(new { kind = "fly" }, HttpStatusCode.BadRequest);
        Assert.Equal(text, await server.Text(id));
    }

    [Fact]
    public async Task A_phrase_is_replaced_over_the_course_and_in_what_was_made_after_a_preview()
    {
        var id = await server.BringText(course: "Seas");
        var other = await server.BringText(course: "Seas");
        await server.Post($"/api/lectures/{id}/marks", new { kind = "note", startMs = 1_000, endMs = 4_000, quote = "The tied rises twice a day.", text = "Learn the spring tied." });
        var again = await server.Post($"/api/lectures/{id}/elsewhere", new { before = "The tied rises.", after = "The tide rises." });
        Assert.Equal(("tied", "tide", 2, 1), (again["phrase"]!.GetValue<string>(), again["replacement"]!.GetValue<string>(), again["places"]!.GetValue<int>(), again["made"]!.GetValue<int>()));

        var found = await server.Post($"/api/lectures/{id}/find", new { phrase = "tied", replacement = "tide", wholeCourse = true });
        Assert.Equal([id, other], found["lectures"]!.AsArray().Select(l => l!["lectureId"]!.GetValue<string>()).Order().OrderBy(l => l == other));
        Assert.Equal("Learn the spring tide.", found["made"]![0]!["after"]!.GetValue<string>());
        var places = found["lectures"]!.AsArray().Select(l => new
        {
            lectureId = l!["lectureId"]!.GetValue<string>(),
            places = l["places"]!.AsArray().Select(p => p!["place"]!.DeepClone()).ToArray(),
        });
        var done = await server.Post($"/api/lectures/{id}/replace", new { phrase = "tied", text = "tide", lectures = places, made = found["made"]!.AsArray().Select(m => m!["key"]!.GetValue<string>()) });
        Assert.Equal((4, 1), (done["places"]!.GetValue<int>(), done["made"]!.GetValue<int>()));
        Assert.DoesNotContain("tied", await server.Text(other), StringComparison.Ordinal);
        var mark = (await server.Get($"/api/lectures/{id}/marks"))[0]!;
        Assert.Equal("Learn the spring tide.", mark["text"]!.GetValue<string>());
        Assert.Null(mark["now"]);
    }

    [Fact]
    public async Task What_was_made_from_words_that_change_is_flagged_plays_the_same_second_and_takes_the_new_words()
    {
        var id = await server.BringText(await File.ReadAllTextAsync(Path.Combine(ServerProcess.Root, "demo", "transcripts", "01-why-tides.json"), TestContext.Current.CancellationToken), "why.json");
        var summary = (await server.Post($"/api/lectures/{id}/summary"))["summary"]!.AsArray();
        await server.Post($"/api/lectures/{id}/cards");
        await server.Post("/api/questions", new { text = "What is the range of a tide?", lecture = id });
        var line = summary[0]!["lines"]![0]!;
        var word = line["quote"]!.GetValue<string>().Split(' ').MaxBy(w => w.Length)!.Trim('.', ',');
        var found = await server.Post($"/api/lectures/{id}/find", new { phrase = word, replacement = "kelpie", wholeCourse = false });
        await server.Post($"/api/lectures/{id}/replace", new
        {
            phrase = word,
            text = "kelpie",
            lectures = new[] { new { lectureId = id, places = found["lectures"]![0]!["places"]!.AsArray().Select(p => p!["place"]!.DeepClone()).ToArray() } },
            made = Array.Empty<string>(),
        });

        var study = await server.Get($"/api/lectures/{id}/study");
        var flagged = study["summary"]![0]!["lines"]![0]!;
        Assert.Equal(line["startMs"]!.GetValue<int>(), flagged["startMs"]!.GetValue<int>());
        Assert.Equal(line["quote"]!.GetValue<string>(), flagged["quote"]!.GetValue<string>());
        Assert.Contains("kelpie", flagged["now"]!.GetValue<string>(), StringComparison.OrdinalIgnoreCase);

        await server.Post($"/api/lectures/{id}/sources", new { key = study["summaryKey"]!.GetValue<string>() });
        var taken = (await server.Get($"/api/lectures/{id}/study"))["summary"]![0]!["lines"]![0]!;
        Assert.Null(taken["now"]);
        Assert.Contains("kelpie", taken["quote"]!.GetValue<string>(), StringComparison.OrdinalIgnoreCase);
    }

    [Fact]
    public async Task A_cards_wording_is_corrected_and_its_reviews_stay()
    {
        var id = await server.BringText(await File.ReadAllTextAsync(Path.Combine(ServerProcess.Root, "demo", "transcripts", "01-why-tides.json"), TestContext.Current.CancellationToken), "why.json");
        var card = (await server.Post($"/api/lectures/{id}/cards"))["cards"]![0]!;
        await server.Post($"/api/cards/{card["id"]}/reviews", new { grade = "recalled", memoryVersion = card["memoryVersion"]!.GetValue<int>() });

        // What was learned of it is apart from its wording: the grade is in nobody's way.
        var wording = new { front = "What is it?", back = "That.", version = card["version"]!.GetValue<int>() };
        using var saved = await server.Send(HttpMethod.Put, $"/api/cards/{card["id"]}", wording);
        Assert.Equal(HttpStatusCode.NoContent, saved.StatusCode);
        using var stale = await server.Send(HttpMethod.Put, $"/api/cards/{card["id"]}", wording);
        Assert.Equal(HttpStatusCode.Conflict, stale.StatusCode);
        Assert.Equal("changed-elsewhere", (string?)JsonNode.Parse(await stale.Content.ReadAsStringAsync())!["code"]);
        var now = (await server.Get($"/api/lectures/{id}/study"))["cards"]!.AsArray().Single(c => c!["id"]!.GetValue<int>() == card["id"]!.GetValue<int>())!;
        Assert.Equal(("What is it?", false), (now["front"]!.GetValue<string>(), now["isNew"]!.GetValue<bool>()));
    }

    [Fact]
    public async Task A_replacement_over_the_course_is_taken_back_and_done_again_with_what_was_made()
    {
        var id = await server.BringText(course: "Seas again");
        var other = await server.BringText(course: "Seas again");
        await server.Post($"/api/lectures/{id}/marks", new { kind = "note", startMs = 1_000, endMs = 4_000, quote = "The tied rises twice a day.", text = "Learn the spring tied." });
        async Task<string> Note() => (await server.Get($"/api/lectures/{id}/marks"))[0]!["text"]!.GetValue<string>();
        var (text, elsewhere) = (await server.Text(id), await server.Text(other));
        var found = await server.Post($"/api/lectures/{id}/find", new { phrase = "tied", replacement = "tide", wholeCourse = true });
        var done = await server.Post($"/api/lectures/{id}/replace", new
        {
            phrase = "tied",
            text = "tide",
            lectures = found["lectures"]!.AsArray().Select(l => new { lectureId = l!["lectureId"]!.GetValue<string>(), places = l["places"]!.AsArray().Select(p => p!["place"]!.DeepClone()).ToArray() }),
            made = found["made"]!.AsArray().Select(m => m!["key"]!.GetValue<string>()),
        });
        var edits = done["edits"]!.AsArray().ToDictionary(e => e!["lectureId"]!.GetValue<string>(), e => e!["edit"]!.GetValue<int>());
        Assert.Equal("Learn the spring tide.", await Note());

        foreach (var (lecture, edit) in edits)
        {
            await server.Post($"/api/lectures/{lecture}/edits/undo?only={edit}");
        }

        Assert.Equal((text, elsewhere, "Learn the spring tied."), (await server.Text(id), await server.Text(other), await Note()));
        await server.Post($"/api/lectures/{id}/edits/redo");
        Assert.Equal("Learn the spring tide.", await Note());
        Assert.DoesNotContain("tied", await server.Text(id), StringComparison.Ordinal);

        // The note was written anew meanwhile: it stays, and that is said.
        var mark = (await server.Get($"/api/lectures/{id}/marks"))[0]!;
        using var anew = await server.Send(HttpMethod.Put, $"/api/lectures/{id}/marks/{mark["id"]}", new { kind = "note", text = "My own words.", resolved = (string?)null, version = mark["version"]!.GetValue<int>() });
        Assert.True(anew.IsSuccessStatusCode);
        Assert.Equal(1, (await server.Post($"/api/lectures/{id}/edits/undo"))["leftAlone"]!.GetValue<int>());
        Assert.Equal((text, "My own words."), (await server.Text(id), await Note()));

        // Another edit since: what is asked for is not the last one any more.
        await server.Post($"/api/lectures/{other}/edits/redo");
        await server.Edit(other, new { kind = "chapter", startMs = 0, title = "Seas" });
        using var late = await server.Send(HttpMethod.Post, $"/api/lectures/{other}/edits/undo?only={edits[other]}");
        Assert.Equal(HttpStatusCode.UnprocessableEntity, late.StatusCode);
        Assert.Contains("changed again", await ServerProcess.Detail(late), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_cards_wording_is_taken_back_step_by_step()
    {
        var id = await server.BringText(await File.ReadAllTextAsync(Path.Combine(ServerProcess.Root, "demo", "transcripts", "01-why-tides.json"), TestContext.Current.CancellationToken), "why.json");
        var card = (await server.Post($"/api/lectures/{id}/cards"))["cards"]![0]!;
        async Task<JsonNode> Now() => (await server.Get($"/api/lectures/{id}/study"))["cards"]!.AsArray().Single(c => c!["id"]!.GetValue<int>() == card["id"]!.GetValue<int>())!;
        async Task Word(string front)
        {
            using var answer = await server.Send(HttpMethod.Put, $"/api/cards/{card["id"]}", new { front, back = "That.", version = (await Now())["version"]!.GetValue<int>() });
            Assert.Equal(HttpStatusCode.NoContent, answer.StatusCode);
        }

        await Word("What is it?");
        var state = (await server.Get($"/api/lectures/{id}/transcript"))["state"]!;
        Assert.Equal(("the wording of a card", false), (state["undo"]!.GetValue<string>(), state["isEdited"]!.GetValue<bool>()));
        Assert.Equal(0, (await server.Post($"/api/lectures/{id}/edits/undo"))["leftAlone"]!.GetValue<int>());
        Assert.Equal((card["front"]!.GetValue<string>(), card["back"]!.GetValue<string>()), ((await Now())["front"]!.GetValue<string>(), (await Now())["back"]!.GetValue<string>()));
        await server.Post($"/api/lectures/{id}/edits/redo");
        Assert.Equal("What is it?", (await Now())["front"]!.GetValue<string>());

        await Word("And what is that?");
        await server.Post($"/api/lectures/{id}/edits/undo");
        Assert.Equal("What is it?", (await Now())["front"]!.GetValue<string>());
    }
}
