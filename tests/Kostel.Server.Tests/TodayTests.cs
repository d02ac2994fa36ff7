namespace Kostel.Server.Tests;

public sealed class TodayTests(SharedServer shared) : IClassFixture<SharedServer>
{
    [Fact]
    public async Task Of_many_lectures_that_nobody_opened_the_first_screen_lists_a_few_and_says_how_many_there_are()
    {
        for (var i = 0; i < 10; i++)
        {
            var early = await shared.Server.BringText();
            var version = (int)(await shared.Server.Get($"/api/lectures/{early}"))["version"]!;
            using var dated = await shared.Server.Send(HttpMethod.Put, $"/api/lectures/{early}", new { title = "Tides", heldOn = "2026-11-20", course = (string?)null, version });
            Assert.True(dated.IsSuccessStatusCode, await dated.Content.ReadAsStringAsync());
        }

        // The one that came last has no day, and is among them all the same.
        var last = await shared.Server.BringText();
        var today = await shared.Server.Get("/api/today");
        Assert.Contains(last, today["new"]!.AsArray().Select(l => (string)l!["id"]!));
        Assert.Equal(8, today["new"]!.AsArray().Count);
        Assert.True(today["newCount"]!.GetValue<int>() >= 10);
        Assert.Equal(0, today["dueLectures"]!.GetValue<int>());
    }
}
