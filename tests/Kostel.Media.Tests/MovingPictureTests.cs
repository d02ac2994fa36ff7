namespace Kostel.Media.Tests;

public sealed class MovingPictureTests : IDisposable
{
    /// <summary>Three slides of twenty seconds.</summary>
    private const string Slides =
        "-f lavfi -i color=white:s=320x180:r=10:d=20 -f lavfi -i color=gray:s=320x180:r=10:d=20 -f lavfi -i color=navy:s=320x180:r=10:d=20 -f lavfi -i sine=duration=60 ";

    private const string Joined = "-filter_complex [0:v][1:v][2:v]concat=n=3[v] -map [v] -map 3:a -c:v libx264 -pix_fmt yuv420p ";

    private readonly Made made = new();

    [Theory]
    [InlineData("-g 40 -sc_threshold 0")]
    [InlineData("-g 70 -sc_threshold 0")]
    [InlineData("-g 9999 -sc_threshold 0")]
    [InlineData("")]
    public async Task Slides_are_found_at_their_second_wherever_the_file_has_its_key_pictures(string keys)
    {
        var changes = await MovingPicture.SlideChangesOf(made.File("slides.mp4", Slides + Joined + keys), 60_000, TestContext.Current.CancellationToken);
        Assert.Equal(2, changes.Count);
        Assert.InRange(changes[0], 19_500, 21_000);
        Assert.InRange(changes[1], 39_500, 41_000);
    }

    [Fact]
    public async Task A_film_shows_no_slides()
    {
        var film = made.File("film.mp4", "-f lavfi -i gradients=s=160x90:speed=0.2:seed=3:r=5 -f lavfi -i sine=duration=40 -t 40 -g 10 -c:v libx264 -pix_fmt yuv420p");
        Assert.Empty(await MovingPicture.SlideChangesOf(film, 40_000, TestContext.Current.CancellationToken));
    }

    [Fact]
    public async Task What_is_no_video_shows_no_slides_and_has_no_picture()
    {
        var words = made.Text("words.mp4", "This is no video at all.");
        Assert.Empty(await MovingPicture.SlideChangesOf(words, 40_000, TestContext.Current.CancellationToken));
        await Assert.ThrowsAsync<MediaProblemException>(() => MovingPicture.Still(words, 0, 320, Path.Combine(made.Folder, "still.jpg"), TestContext.Current.CancellationToken));
        Assert.False(File.Exists(Path.Combine(made.Folder, "still.jpg")));
    }

    [Fact]
    public async Task A_picture_at_a_time_is_as_wide_as_asked_for()
    {
        var still = Path.Combine(made.Folder, "still.jpg");
        await MovingPicture.Still(made.File("slides.mp4", Slides + Joined), 25_000, 160, still, TestContext.Current.CancellationToken);
        var bytes = await File.ReadAllBytesAsync(still, TestContext.Current.CancellationToken);
        Assert.Equal([0xFF, 0xD8], bytes[..2]);
        await Assert.ThrowsAsync<MediaProblemException>(() => MovingPicture.Still(Path.Combine(made.Folder, "slides.mp4"), 90_000, 160, still + "2", TestContext.Current.CancellationToken));
    }

    [Fact]
    public async Task A_picture_is_never_wider_than_its_video()
    {
        var (video, own, large) = (made.File("slides.mp4", Slides + Joined), Path.Combine(made.Folder, "own.jpg"), Path.Combine(made.Folder, "large.jpg"));
        await MovingPicture.Still(video, 25_000, 320, own, TestContext.Current.CancellationToken);
        await MovingPicture.Still(video, 25_000, 4_000, large, TestContext.Current.CancellationToken);
        Assert.Equal(await File.ReadAllBytesAsync(own, TestContext.Current.CancellationToken), await File.ReadAllBytesAsync(large, TestContext.Current.CancellationToken));
    }

    public void Dispose() => made.Dispose();
}
