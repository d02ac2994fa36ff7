using Kostel.Core.Lectures;
using Kostel.Core.Study.Sheets;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Study;

public sealed class KeptSheetTests
{
    private static readonly Evidence Place = new("p1", 0, 1_000, "Water is wet.");

    private static readonly Sheet Wet = new(
        ["Cue", "Note"], [new SheetPart("Water", [new SheetLine(["Water", "Wet."], Place), new SheetLine(["Ice", ""], IsOwn: true)], IsOwn: true)], Place, [new SheetLine(["Steam", "Hot."], Place)]);

    [Fact]
    public void A_sheet_comes_back_out_of_a_file_with_what_the_person_made_of_it()
    {
        var kept = LectureFormat.ReadThings(Written())!.Sheets![0];
        Assert.Equal((SheetForm.Cues, "My notes"), (kept.Form, kept.Name));
        Assert.Equal(Wet.Texts(), kept.Content.Texts());
        Assert.Equal([false, true], kept.Content.Lines().Select(l => l.IsOwn));
        Assert.True(kept.Content.Parts[0].IsOwn);
        Assert.Equal("Steam", kept.Content.LeftOut![0].Cells[0]);
        Assert.Equal(Place, kept.Content.Foot);
    }

    [Theory]
    [InlineData("\"Ice\",", "")]
    [InlineData("\"Ice\",", "null,")]
    [InlineData("\"Cue\",", "")]
    [InlineData("\"form\": \"cues\"", "\"form\": \"poem\"")]
    [InlineData("\"end\": 1", "\"end\": -1")]
    public void A_senseless_one_is_refused(string good, string bad)
    {
        var text = Written();
        Assert.Contains(good, text, StringComparison.Ordinal);
        Assert.Throws<FormatException>(() => LectureFormat.ReadThings(text.Replace(good, bad, StringComparison.Ordinal)));
    }

    [Fact]
    public void Pictures_go_with_it_by_their_names()
    {
        var pictured = Wet with { Parts = [new SheetPart("", [new SheetLine(["Ice", ""], Place, IsOwn: true, "ice.png")])] };
        var kept = LectureFormat.ReadThings(Written(pictured, new Dictionary<string, byte[]?> { ["ice.png"] = [1, 2, 3], ["gone.png"] = null }))!.Sheets![0];
        Assert.Equal([1, 2, 3], kept.Pictures!["ice.png"]!);
        Assert.Null(kept.Pictures["gone.png"]);
        Assert.Equal(["ice.png"], kept.Content.Pictures());
        Assert.Equal(["new.png"], kept.Content.WithPictures(_ => "new.png").Pictures());
        Assert.Empty(kept.Content.WithPictures(_ => null).Pictures());
    }

    private static string Written() => Written(Wet, null);

    private static string Written(Sheet sheet, IReadOnlyDictionary<string, byte[]?>? pictures) => LectureFormat.Write(new KeptLecture(
        Lecture.Of("Water is wet."), new KeptThings(new LectureFacts("Wet"), Sheets: [new KeptSheet(SheetForm.Cues, "My notes", new DateTime(2026, 3, 1, 10, 0, 0, DateTimeKind.Utc), sheet, pictures)])));
}
