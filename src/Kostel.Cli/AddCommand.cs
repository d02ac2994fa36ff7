using System.CommandLine;
using System.Globalization;
using System.Net.Http.Json;
using System.Text.Json;
using Kostel.Core.Links;
using Kostel.Core.Speech;
using Kostel.Core.Speech.Languages;

namespace Kostel.Cli;

/// <summary><c>add FILE_OR_LINK…</c>: brings files and links in to the Kostel that is open.</summary>
internal static class AddCommand
{
    public static Command Create()
    {
        var things = new Argument<string[]>("FILE_OR_LINK") { Description = "Recordings, videos, texts, or addresses that begin with https:// or http://.", Arity = ArgumentArity.OneOrMore };
        var course = new Option<string>("--course") { Description = "The course that they go into.", DefaultValueFactory = _ => "" };
        var title = new Option<string>("--title") { Description = "A title, where only one thing is added." };
        var date = new Option<DateOnly?>("--date") { Description = "When it was held: 2026-11-05." };
        var language = new Option<string>("--language") { Description = "The code of what is spoken; found out without." };
        var accuracy = new Option<Accuracy>("--accuracy") { Description = "accurate or fast.", DefaultValueFactory = _ => Accuracy.Accurate };
        var data = LibraryCommands.Folder();
        var command = new Command("add", "Brings files and links in to the Kostel that is open.") { things, course, title, date, language, accuracy, data };
        command.SetAction(async (parsed, cancel) =>
        {
            var wanted = parsed.GetRequiredValue(things);
            var said = new SaidOf(parsed.GetValue(course)!, parsed.GetValue(title), parsed.GetValue(date), parsed.GetValue(language), parsed.GetValue(accuracy));
            if (said.Title is not null && wanted.Length > 1)
            {
                throw new FormatException("A title is for one thing; give several without one.");
            }

            if (said.Language is { } code && !SpokenLanguages.IsCode(code))
            {
                throw new FormatException("A language has a code of two or three letters.");
            }

            using var http = OpenKostel.Reach(parsed.GetValue(data)!.FullName);
            foreach (var thing in wanted)
            {
                var added = IsLink(thing) ? await Link(http, thing, said, cancel) : (await OpenKostel.Upload(http, new FileInfo(thing), said, cancel)).Told;
                await Console.Out.WriteLineAsync(added);
            }
        });
        return command;
    }

    private static bool IsLink(string thing) => thing.StartsWith("https://", StringComparison.OrdinalIgnoreCase) || thing.StartsWith("http://", StringComparison.OrdinalIgnoreCase);

    private static async Task<string> Link(HttpClient http, string text, SaidOf said, CancellationToken cancel)
    {
        var address = LinkAddress.Read(text).AbsoluteUri;
        using var looked = await http.PostAsJsonAsync("/api/links/look", new { addresses = new[] { address } }, cancel);
        var result = (await OpenKostel.Read(looked, cancel))[0];
        if (result.GetProperty("found") is not { ValueKind: JsonValueKind.Object } found)
        {
            throw new IOException(result.GetProperty("problem").GetString());
        }

        if (found.GetProperty("kind").GetString() == "feed")
        {
            using var followed = await http.PostAsJsonAsync("/api/feeds", new { address = found.GetProperty("media").GetString(), course = said.Course, isFollowed = true }, cancel);
            var feed = await OpenKostel.Read(followed, cancel);
            return $"{feed.GetProperty("title").GetString()} is followed: new episodes come in by themselves.";
        }

        var link = new
        {
            address,
            media = found.GetProperty("media").GetString(),
            kind = found.GetProperty("kind").GetString(),
            title = said.Title ?? found.GetProperty("title").GetString(),
            titleIsGuessed = said.Title is null && found.GetProperty("titleIsGuessed").GetBoolean(),
            heldOn = said.Date?.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture) ?? found.GetProperty("date").GetString(),
            captions = found.GetProperty("captions").EnumerateArray().Cast<JsonElement?>().FirstOrDefault(),
            use = "beside",
            chapters = found.GetProperty("chapters"),
        };
        var choice = new { accuracy = said.Accuracy.ToString().ToLowerInvariant(), language = said.Language };
        using var brought = await http.PostAsJsonAsync("/api/links", new { links = new[] { link }, course = said.Course, choice }, cancel);
        var id = (await OpenKostel.Read(brought, cancel)).GetProperty("lectureIds")[0].GetString();
        return $"“{link.title}” is on its way: {http.BaseAddress}lecture/{id}";
    }
}
