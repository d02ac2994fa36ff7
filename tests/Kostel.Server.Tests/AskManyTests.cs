using System.Text;
using System.Text.Json.Nodes;

namespace Kostel.Server.Tests;

/// <summary>More lectures than are asked whole: the places that speak of a matter are found and asked.</summary>
public sealed class AskManyTests
{
    private static readonly (string Animal, string Food, int Count)[] Lectures =
    [
        ("heron", "frogs", 3), ("badger", "worms", 5), ("mink", "trout", 7), ("kestrel", "voles", 9), ("dormouse", "hazelnuts", 11), ("hedgehog", "slugs", 13), ("swift", "gnats", 15),
        ("marten", "squirrels", 17), ("crane", "grain", 19), ("beaver", "bark", 21), ("viper", "lizards", 23), ("lynx", "deer", 25), ("stoat", "rabbits", 27), ("raven", "carrion", 29),
    ];

    [Fact]
    public async Task The_lecture_that_speaks_of_it_answers_and_only_words_that_nobody_said_are_called_unheard()
    {
        using var server = new ServerProcess();
        foreach (var (animal, food, count) in Lectures)
        {
            await server.BringIn($"{animal}.srt", Encoding.UTF8.GetBytes($"1\n00:00:01,000 --> 00:00:05,000\nThe {animal} mostly eats {food}.\n\n2\n00:00:06,000 --> 00:00:09,000\nIts young stay in the nest for {count} weeks.\n"), $"The {animal}");
        }

        var asked = await Ask(server, "What does the dormouse eat?");
        Assert.Equal("The dormouse", (string?)asked["lectures"]![0]!["title"]);
        Assert.Contains("hazelnuts", (string?)asked["lines"]![0]!["quote"], StringComparison.Ordinal);
        Assert.Equal(["zeppelin"], (await Ask(server, "Does the mink like a zeppelin?"))["unheardWords"]!.AsArray().Select(w => (string)w!).Where(w => w != "like"));
    }

    private static async Task<JsonNode> Ask(ServerProcess server, string text) => (await server.Post("/api/questions", new { text }))["question"]!["answer"]!;
}
