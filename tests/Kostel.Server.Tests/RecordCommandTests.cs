namespace Kostel.Server.Tests;

/// <summary>Recording from the command line; FFmpeg makes up what the device hears.</summary>
public sealed class RecordCommandTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("kostel-recorded-").FullName;

    public void Dispose() => Directory.Delete(folder, recursive: true);

    [Fact]
    public async Task A_recording_stops_by_itself_and_is_in_the_library_under_its_course()
    {
        var data = Path.Combine(folder, "data");
        using var server = new ServerProcess(data);
        var (exit, output, errors) = CommandLine.Run("record", "--device", "lavfi:sine=frequency=300", "--for", "2s", "--course", "Tides", "--folder", folder, "--data", data);
        Assert.True(exit == 0, errors);
        var id = output.Trim().Split('/')[^1];
        await server.Ended(id);
        var lecture = await server.Get($"/api/lectures/{id}");
        Assert.Equal("Tides", (string)lecture["course"]!);
        Assert.StartsWith("Tides, ", (string)lecture["title"]!, StringComparison.Ordinal);
        Assert.InRange((int)lecture["durationMs"]!, 1_900, 2_100);

        // It is in the library; nothing is left lying about.
        Assert.Empty(Directory.GetFiles(folder, "*.wav"));
    }

    [Fact]
    public void Where_Kostel_is_not_open_the_sound_is_kept_in_a_file_and_it_is_said_how_to_bring_it_in()
    {
        var (exit, output, errors) = CommandLine.Run("record", "--device", "lavfi:sine=frequency=300", "--for", "1s", "--title", "Fog / quay", "--folder", folder, "--data", Path.Combine(folder, "none"));
        Assert.True(exit == 0, errors);
        Assert.Contains("./kostel add", errors, StringComparison.Ordinal);
        var file = new FileInfo(output.Trim());
        Assert.StartsWith("Fog   quay", file.Name, StringComparison.Ordinal);
        Assert.Equal(44 + 32_000, file.Length);
    }

    [Fact]
    public void A_device_that_gives_out_leaves_what_it_gave_and_a_plain_line()
    {
        var (exit, output, errors) = CommandLine.Run("record", "--device", "lavfi:sine=duration=0.5", "--for", "5s", "--folder", folder, "--data", Path.Combine(folder, "none"));
        Assert.Equal(1, exit);
        Assert.Contains("gives no sound any more", errors, StringComparison.Ordinal);
        Assert.InRange(new FileInfo(output.Trim()).Length, 15_000, 17_000);
    }

    [Theory]
    [InlineData("--for", "tomorrow")]
    [InlineData("--device", "nowhere")]
    public void What_makes_no_sense_is_refused_before_anything_is_recorded(string option, string value)
    {
        var (exit, _, errors) = CommandLine.Run("record", option, value, "--folder", folder, "--data", folder);
        Assert.Equal(1, exit);
        Assert.NotEmpty(errors);
        Assert.Empty(Directory.GetFiles(folder));
    }
}
