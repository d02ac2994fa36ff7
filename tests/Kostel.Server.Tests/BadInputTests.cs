using System.Diagnostics;
using System.Net;
using System.Net.Http.Json;
using System.Text;

namespace Kostel.Server.Tests;

public sealed class BadInputTests(SharedServer shared) : IClassFixture<SharedServer>
{
    private ServerProcess Server => shared.Server;

    [Fact]
    public Task An_empty_file() => IsRefused("empty.mp3", [], "The file is empty");

    [Fact]
    public Task A_text_renamed_to_mp3() => IsRefused("notes.mp3", Encoding.UTF8.GetBytes("High water is at ten twenty five.\n"), "not a sound or video file");

    [Fact]
    public Task A_video_without_sound() => IsRefused("mute.mp4", Clips.Video(5, withSound: false), "This video has no sound");

    [Fact]
    public Task An_mp4_without_its_index()
    {
        // The index of this file stands in front; what follows it alone is what a copy cut off before the index looks like.
        var whole = Clips.WholeMp4;
        var media = Find(whole, "mdat") - 4;
        return IsRefused("cut.mp4", [.. whole[..32], .. whole[media..]], "cut off");
    }

    [Fact]
    public async Task An_mp4_that_breaks_off_gives_what_could_be_read()
    {
        var whole = Clips.WholeMp4;
        var id = await Server.BringIn("half.mp4", whole[..(whole.Length / 8)]);
        var lecture = await Server.Ended(id);
        Assert.Null(lecture["progress"]);
        Assert.Contains("ends early", lecture["notice"]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.NotEmpty(await Server.Text(id));
    }

    [Fact]
    public Task Silence() => HasNoSpeech("silence.wav", Clips.Silence(20));

    [Fact]
    public Task Noise() => HasNoSpeech("noise.wav", Clips.Noise(20));

    [Fact]
    public Task A_clip_of_a_third_of_a_second() => HasNoSpeech("blip.wav", Clips.Silence(0.3));

    [Fact]
    public async Task A_third_of_a_second_of_speech_does_no_harm()
    {
        var id = await Server.BringIn("syllable.mp3", Clips.Speech(0.3));
        Assert.Null((await Server.Ended(id))["progress"]);
    }

    [Theory]
    [InlineData("../../../etc/höhe 🌊.mp3", "höhe 🌊")]
    [InlineData("C:\\talks\\..\\ebb.mp3", "ebb")]
    [InlineData("..", "Recording")]
    public async Task A_name_that_would_lead_elsewhere(string name, string title)
    {
        var id = await Server.BringIn(name, Clips.Speech(3));
        var lecture = await Server.Ended(id);
        Assert.Equal(title, lecture["title"]!.GetValue<string>());
        Assert.DoesNotContain('/', lecture["sourceName"]!.GetValue<string>());
        Assert.True(File.Exists(Path.Combine(Server.Folder, "lectures", id, "original")));
    }

    [Fact]
    public async Task A_lecture_that_is_not_there_is_said_in_plain_words()
    {
        using var response = await Server.Http.GetAsync("/api/lectures/nowhere");
        Assert.Equal(HttpStatusCode.NotFound, response.StatusCode);
        Assert.Contains("not there", await response.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_second_window_does_not_overwrite_the_first()
    {
        var id = await Server.BringIn("two.mp3", Clips.Speech(3));
        var version = (await Server.Ended(id))["version"]!.GetValue<int>();
        using var first = await Server.Http.PutAsJsonAsync($"/api/lectures/{id}", new { title = "From the first window", heldOn = (string?)null, course = (string?)null, version });
        using var second = await Server.Http.PutAsJsonAsync($"/api/lectures/{id}", new { title = "From the second window", heldOn = (string?)null, course = (string?)null, version });
        Assert.Equal(HttpStatusCode.OK, first.StatusCode);
        Assert.Equal(HttpStatusCode.Conflict, second.StatusCode);
        Assert.Contains("another window", await second.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        Assert.Equal("From the first window", (await Server.Get($"/api/lectures/{id}"))["title"]!.GetValue<string>());
    }

    [Theory]
    [InlineData("list.mp3", "#EXTM3U\n#EXT-X-TARGETDURATION:10\n#EXTINF:9,\n{0}\n#EXT-X-ENDLIST\n")]
    [InlineData("list.m4a", "ffconcat version 1.0\nfile {0}\n")]
    [InlineData("list.mp4", "<?xml version=\"1.0\"?><MPD xmlns=\"urn:mpeg:dash:schema:mpd:2011\" type=\"static\"><Period><AdaptationSet mimeType=\"audio/mp4\"><Representation id=\"1\" bandwidth=\"1\"><BaseURL>{0}</BaseURL></Representation></AdaptationSet></Period></MPD>")]
    public async Task A_list_that_points_at_another_recording_of_this_computer(string name, string list)
    {
        var secret = Path.Combine(Server.Folder, "somebody-elses.mp3");
        await File.WriteAllBytesAsync(secret, Clips.Speech(8));
        var id = await Server.BringIn(name, Encoding.UTF8.GetBytes(string.Format(System.Globalization.CultureInfo.InvariantCulture, list, secret)));
        var lecture = await Server.Ended(id);
        Assert.Equal("failed", (string?)lecture["progress"]?["state"]);
        Assert.Empty(await Server.Text(id));
    }

    [Fact]
    public Task A_sound_of_one_sample_a_second() => IsRefused("slow.wav", Clips.Slow(55 * 3_600), "samples a second");

    [Fact]
    public async Task A_second_word_of_what_a_request_must_have_is_asked_for_in_plain_words()
    {
        using var answer = await Server.Send(HttpMethod.Post, "/api/questions", new { });
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        using var request = new HttpRequestMessage(HttpMethod.Post, "/api/questions") { Content = new StringContent($"{{\"text\":\"{new string('x', 20_000_000)}\"}}", Encoding.UTF8, "application/json") };
        request.Headers.ExpectContinue = true;
        using var huge = await Server.Http.SendAsync(request);
        Assert.Equal(HttpStatusCode.RequestEntityTooLarge, huge.StatusCode);
    }

    private async Task IsRefused(string name, byte[] bytes, string says)
    {
        var id = await Server.BringIn(name, bytes);
        var work = (await Server.Ended(id))["progress"]!;
        Assert.Equal("failed", work["state"]!.GetValue<string>());
        Assert.Contains(says, work["problem"]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.Equal(bytes.Length, new FileInfo(Path.Combine(Server.Folder, "lectures", id, "original")).Length);
    }

    private async Task HasNoSpeech(string name, byte[] bytes)
    {
        var id = await Server.BringIn(name, bytes);
        var lecture = await Server.Ended(id);
        Assert.Null(lecture["progress"]);
        Assert.Contains("No speech", lecture["notice"]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.Empty(await Server.Text(id));
        using var cards = await Server.Http.PostAsJsonAsync($"/api/lectures/{id}/cards", new { });
        Assert.Equal(HttpStatusCode.UnprocessableEntity, cards.StatusCode);
    }

    private static int Find(byte[] bytes, string name) => bytes.AsSpan().IndexOf(Encoding.ASCII.GetBytes(name));
}
