namespace Kostel.Server.Tests;

public sealed class TodayTests(SharedServer shared) : IClassFixture<SharedServer>
{
    [Fact]
    public async Task Of_many_lectures_that_nobody_opened_the_first_screen_lists_a_few_and_says_how_many_there_are()
    {
        for (var i = 0; i < 10; i++)
        {
            await shared.Server.BringText();
        }

        var today = await shared.Server.Get("/api/today");
        Assert.Equal(8, today["new"]!.AsArray().Count);
        Assert.True(today["newCount"]!.GetValue<int>() >= 10);
        Assert.Equal(0, today["dueLectures"]!.GetValue<int>());
    }
}
