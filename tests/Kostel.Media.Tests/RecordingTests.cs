using Kostel.Core.Chapters;
using Kostel.Core.Transcripts;

namespace Kostel.Media.Tests;

public sealed class RecordingTests : IDisposable
{
    private const string Tone = "-f lavfi -i sine=frequency=440:duration=2:sample_rate=44100";

    private readonly Made made = new();

    [Theory]
    [InlineData("a.wav")]
    [InlineData("a.mp3")]
    [InlineData("a.ogg")]
    [InlineData("a.flac")]
    [InlineData("a.m4a")]
    public async Task Sound_comes_as_sixteen_thousand_samples_a_second_of_one_channel(string name)
    {
        var path = made.File(name, $"{Tone} -ac 2");
        var facts = await Recording.Probe(path, TestContext.Current.CancellationToken);
        Assert.InRange(facts.DurationMs, 1_900, 2_150);
        Assert.False(facts.HasPicture);
        long samples = 0;
        var loudest = 0f;
        await foreach (var piece in Recording.Decode(path, TestContext.Current.CancellationToken))
        {
            samples += piece.Length;
            loudest = Math.Max(loudest, piece.Span.ToArray().Max());
        }

        Assert.InRange(samples, 30_400, 34_400);
        Assert.InRange(loudest, 0.05f, 1f);
    }

    /// <summary>FFmpeg itself reads the chapters that Kostel writes for it, and puts them into a file.</summary>
    [Fact]
    public async Task Chapters_that_are_written_for_FFmpeg_stand_in_the_file_that_it_makes()
    {
        Chapter[] chapters = [new("One; and = all", 0, 900), new("Two", 900, 2_000)];
        var metadata = made.Text("chapters.txt", FfMetadata.Write(chapters));
        var path = made.File("with.m4a", $"{Tone} -i {metadata} -map_metadata 1 -c:a aac");
        Assert.Equal(chapters.Select(c => new ChapterMark(c.Title, c.StartMs)), (await Recording.Probe(path, TestContext.Current.CancellationToken)).Tags.Chapters);
    }

    [Fact]
    public async Task A_video_has_a_picture_and_a_cover_is_none()
    {
        var video = made.File("v.mp4", $"-f lavfi -i testsrc=duration=2:size=64x64:rate=5 {Tone} -shortest");
        Assert.True((await Recording.Probe(video, TestContext.Current.CancellationToken)).HasPicture);
        var cover = made.File("cover.png", "-f lavfi -i color=red:size=32x32 -frames:v 1");
        var song = made.File("song.mp3", $"{Tone} -i {cover} -map 0:a -map 1:v -disposition:v attached_pic");
        Assert.False((await Recording.Probe(song, TestContext.Current.CancellationToken)).HasPicture);
    }

    [Fact]
    public async Task What_is_no_recording_is_refused_with_its_reason_and_a_code()
    {
        await Refused(made.Text("empty.mp3", ""), "empty");
        await Refused(made.Text("words.mp3", "This is no sound at all."), "not a sound or video file");
        await Refused(Path.Combine(made.Folder, "gone.mp3"), "not there");
        await Refused(made.File("mute.mp4", "-f lavfi -i testsrc=duration=1:size=64x64:rate=5"), "no sound");
        await Refused(made.File("slow.wav", "-f lavfi -i sine=duration=1:sample_rate=44100 -ar 1000"), "samples a second");
    }

    [Fact]
    public async Task A_list_that_names_another_recording_is_not_followed()
    {
        var other = made.File("other.wav", Tone);
        await Refused(made.Text("list.mp3", $"#EXTM3U\n#EXT-X-TARGETDURATION:2\n#EXTINF:2,\n{other}\n#EXT-X-ENDLIST\n"), "not a sound or video file of a kind");
        await Refused(made.Text("concat.mp3", $"ffconcat version 1.0\nfile {other}\n"), "not a sound or video file");
    }

    [Fact]
    public async Task A_file_that_is_cut_off_gives_the_sound_that_there_is()
    {
        var whole = made.File("whole.wav", Tone);
        var bytes = await File.ReadAllBytesAsync(whole, TestContext.Current.CancellationToken);
        await File.WriteAllBytesAsync(whole, bytes[..(bytes.Length / 2)], TestContext.Current.CancellationToken);
        long samples = 0;
        await foreach (var piece in Recording.Decode(whole, TestContext.Current.CancellationToken))
        {
            samples += piece.Length;
        }

        Assert.InRange(samples, 14_000, 18_000);
    }

    [Fact]
    public async Task Asking_what_cannot_be_read_gives_nothing() =>
        Assert.Null(await Recording.TryProbe(made.Text("words.mp3", "This is no sound at all."), TestContext.Current.CancellationToken));

    public void Dispose() => made.Dispose();

    private static async Task Refused(string path, string reason)
    {
        var problem = await Assert.ThrowsAsync<MediaProblemException>(() => Recording.Probe(path, TestContext.Current.CancellationToken));
        Assert.Contains(reason, problem.Message, StringComparison.OrdinalIgnoreCase);
        Assert.Equal("media", problem.Code);
    }
}
