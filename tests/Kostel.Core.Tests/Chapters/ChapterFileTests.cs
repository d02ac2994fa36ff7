using Kostel.Core.Chapters;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Chapters;

public class ChapterFileTests
{
    private static readonly Chapter[] Odd = [new("Why = is; #1 \\ of two", 0, 61_500), new("Über alles,\nlines", 61_500, 90_000)];

    [Fact]
    public void Titles_with_every_special_sign_come_back_from_metadata() =>
        Assert.Equal(Odd.Select(c => new ChapterMark(c.Title, c.StartMs)), FfMetadata.Read(FfMetadata.Write(Odd)));

    [Fact]
    public void Time_bases_of_others_are_understood_and_what_is_damaged_is_passed_over()
    {
        const string Text = ";FFMETADATA1\nartist=Nobody\n# a comment\n[CHAPTER]\nTIMEBASE=1/90000\nSTART=180000\nEND=1\ntitle=Two\n[STREAM]\ntitle=No chapter\n[chapter]\nSTART=3000000000\ntitle=Three\n[CHAPTER]\nTIMEBASE=1/0\nSTART=1\n[CHAPTER]\nSTART=now\n";
        Assert.Equal([new ChapterMark("Two", 2_000), new ChapterMark("Three", 3_000)], FfMetadata.Read(Text));
        Assert.Throws<FormatException>(() => FfMetadata.Read(";FFMETADATA1\ntitle=x\n"));
    }

    [Fact]
    public void Chapters_are_told_from_transcripts_that_have_some()
    {
        Assert.True(ChapterFiles.IsOne(FfMetadata.Write(Odd)));
        Assert.True(ChapterFiles.IsOne(ChapterFiles.WriteJson(Odd).ToJsonString()));
        Assert.False(ChapterFiles.IsOne(TranscriptFormat.Write(Lecture.Of("The tide rises.", "It falls."))));
        Assert.False(ChapterFiles.IsOne("{"));
        Assert.False(ChapterFiles.IsOne("{\"chapters\":[]}"));
        Assert.Equal(Odd.Select(c => c.StartMs), ChapterFiles.Read(ChapterFiles.WriteJson(Odd).ToJsonString()).Select(c => c.StartMs));
    }
}
