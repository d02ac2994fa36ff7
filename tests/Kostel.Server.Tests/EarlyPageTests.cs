using Kostel.Server.Features.Pages;

namespace Kostel.Server.Tests;

/// <summary>What is fetched early, by the address of a page.</summary>
public sealed class EarlyPageTests
{
    [Theory]
    [InlineData("/", "TodayScreen")]
    [InlineData("/library", "LibraryScreen")]
    [InlineData("/library/", "LibraryScreen")]
    [InlineData("/course/Tides and harbours", "CourseScreen")]
    [InlineData("/lecture/why-tides", "LectureScreen")]
    public void A_screen_that_is_opened_by_its_address(string address, string screen) => Assert.Contains(screen, EarlyPage.At(address)?.Screen, StringComparison.Ordinal);

    [Theory]
    [InlineData("/lecture")]
    [InlineData("/lecture/a/b")]
    [InlineData("/lecture/\"><script>")]
    [InlineData("/nowhere")]
    [InlineData("/Library2")]
    public void Nothing_of_what_is_no_such_screen(string address) => Assert.Null(EarlyPage.At(address));

    [Fact]
    public void Without_the_list_of_the_build_there_is_nothing_to_fetch() => Assert.Equal("", new EarlyFiles("/no/such/folder").Tags("src/features/today/TodayScreen.vue"));

    [Fact]
    public void What_a_screen_needs_is_fetched_with_all_that_it_rests_on_but_not_what_the_page_has_anyway()
    {
        var folder = Directory.CreateTempSubdirectory("kostel-early-");
        File.WriteAllText(Path.Combine(folder.FullName, "manifest.json"), """
            {"index.html": {"file": "assets/index.js", "imports": ["_base.js"], "assets": ["assets/literata-latin-wght-normal-1.woff2", "assets/other.woff2"]},
             "_base.js": {"file": "assets/base.js"},
             "_dialog.js": {"file": "assets/dialog.js", "css": ["assets/dialog.css"], "imports": ["_base.js", "src/A.vue"]},
             "src/A.vue": {"file": "assets/A.js", "imports": ["_dialog.js", "_base.js"]}}
            """);
        var tags = new EarlyFiles(folder.FullName).Tags("src/A.vue");
        folder.Delete(recursive: true);
        Assert.Equal(["/assets/A.js", "/assets/dialog.css", "/assets/dialog.js", "/assets/literata-latin-wght-normal-1.woff2"], tags.Split('"').Where(t => t.StartsWith('/')).Order());
    }
}
