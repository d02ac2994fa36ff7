using System.Text;

namespace Kostel.Media.Tests;

public sealed class PictureTests : IDisposable
{
    private readonly Made made = new();

    [Theory]
    [InlineData("p.png")]
    [InlineData("p.jpg")]
    [InlineData("p.gif")]
    public async Task What_follows_a_picture_is_gone_once_it_is_written_anew(string name)
    {
        var path = made.File(name, "-f lavfi -i testsrc=size=64x48 -frames:v 1");
        await File.AppendAllTextAsync(path, "<script>somebody's own</script>", TestContext.Current.CancellationToken);
        var kept = await Picture.WriteAnew(path, Path.Combine(made.Folder, "kept"), TestContext.Current.CancellationToken);
        Assert.DoesNotContain("script", Encoding.Latin1.GetString(await File.ReadAllBytesAsync(kept, TestContext.Current.CancellationToken)), StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_is_no_picture_is_refused() =>
        await Assert.ThrowsAsync<MediaProblemException>(() => Picture.WriteAnew(made.Text("p.png", "no picture"), Path.Combine(made.Folder, "kept"), TestContext.Current.CancellationToken));

    public void Dispose() => made.Dispose();
}
