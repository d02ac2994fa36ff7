using System.Diagnostics;
using Kostel.Core.Audio;
using Kostel.Core.Speech;
using Kostel.Core.Speech.Languages;
using Kostel.Media;

namespace Kostel.Speech.Tests;

/// <summary>From files of every make to words, with the real decoder, detector and recogniser.</summary>
public sealed class RecordingTests(Sound sound) : IClassFixture<Sound>, IDisposable
{
    private const string Text = "The harbour is quiet in the morning, and the boats come home before the rain.";
    private readonly string folder = Directory.CreateTempSubdirectory("kostel-recording-").FullName;

    [Theory]
    [InlineData("-ar 8000", "wav")]
    [InlineData("-ar 192000 -ac 8", "wav")]
    [InlineData("-ar 44100 -ac 2 -c:a libmp3lame -b:a 48k", "mp3")]
    [InlineData("-af aeval=val(0)+0.15", "wav")]
    [InlineData("-af volume=-58dB -c:a pcm_s24le", "wav")]
    [InlineData("-af volume=9dB", "wav")]
    [InlineData("-ac 6 -c:a flac", "flac")]
    public async Task Whatever_the_rate_the_channels_and_the_level_the_words_are_the_same(string made, string form)
    {
        var words = await Heard(await Recorded(made, form));
        Assert.InRange(WordErrorRate.Compare(Text, string.Join(' ', words)).Total, 0, 3);
    }

    [Fact]
    public async Task A_file_that_ends_in_the_middle_of_a_frame_gives_what_is_there()
    {
        var path = await Recorded("-c:a libmp3lame -b:a 64k", "mp3");
        var bytes = await File.ReadAllBytesAsync(path, TestContext.Current.CancellationToken);
        await File.WriteAllBytesAsync(path, bytes[..((bytes.Length / 2) + 7)], TestContext.Current.CancellationToken);
        Assert.StartsWith("The harbo", string.Join(' ', await Heard(path)), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("anullsrc=r=16000:cl=mono")]
    [InlineData("anoisesrc=color=white:sample_rate=16000:seed=3:amplitude=0.2")]
    [InlineData("anoisesrc=color=pink:sample_rate=16000:seed=3:amplitude=0.0005")]
    [InlineData("aevalsrc='0.3*sin(100*PI*t)+0.15*sin(200*PI*t)':s=16000")]
    public async Task What_is_no_speech_gives_no_words(string source)
    {
        var path = Path.Combine(folder, "none.wav");
        await Run("ffmpeg", $"-v error -y -f lavfi -i {source} -t 30 {path}");
        Assert.Empty(await Heard(path));
    }

    public void Dispose() => Directory.Delete(folder, recursive: true);

    private async Task<string> Recorded(string made, string form)
    {
        var spoken = Path.Combine(folder, "spoken.wav");
        using (var flite = Process.Start("flite", ["-voice", "slt", "-t", Text, "-o", spoken]))
        {
            await flite.WaitForExitAsync(TestContext.Current.CancellationToken);
        }

        var path = Path.Combine(folder, "made." + form);
        await Run("ffmpeg", $"-v error -y -i {spoken} {made} {path}");
        return path;
    }

    private static async Task Run(string program, string arguments)
    {
        using var process = Process.Start(program, arguments.Split(' ').Select(a => a.Trim('\'')));
        await process.WaitForExitAsync(TestContext.Current.CancellationToken);
        Assert.Equal(0, process.ExitCode);
    }

    private async Task<List<string>> Heard(string path)
    {
        var words = new List<string>();
        using var voice = sound.Engine.ListenForVoice();
        var pipeline = new TranscriptionPipeline(sound.Engine.Recogniser(SpokenLanguages.English, Accuracy.Fast, []), new SegmenterOptions(), 2);
        await foreach (var utterance in pipeline.Run(
            Recording.Decode(path, TestContext.Current.CancellationToken), voice, 0, 0, null, TestContext.Current.CancellationToken))
        {
            words.AddRange(utterance.Words.Select(w => w.Text));
        }

        return words;
    }
}
