using Kostel.Core.Speech;
using Kostel.Core.Transcripts;
using Kostel.Speech;

namespace Kostel.Server.Tests;

public sealed class TranscribeCommandTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("kostel-cli-").FullName;

    [Fact]
    public void The_transcript_goes_to_standard_output_and_progress_elsewhere()
    {
        var clip = Write("fog.mp3", Clips.Speech(12));
        var (exit, output, errors) = Run("transcribe", clip, "--to", "json");
        Assert.Equal(0, exit);
        Assert.Contains("Recognising", errors, StringComparison.Ordinal);
        Assert.NotEmpty(TranscriptFormat.Read(output).Passages);
    }

    [Fact]
    public void Terms_and_accuracy_are_taken_and_lines_that_are_no_terms_reported()
    {
        var clip = Write("fog.mp3", Clips.Speech(6));
        var terms = Write("terms.txt", "fog bank\nof\n"u8.ToArray());
        var (exit, output, errors) = Run("transcribe", clip, "--accuracy", "accurate", "--terms", terms);
        Assert.Equal(0, exit);
        Assert.NotEmpty(output);
        Assert.Contains("a term needs three letters or more.", errors, StringComparison.Ordinal);
    }

    [Fact]
    public void A_list_of_terms_that_is_not_there_is_said()
    {
        var (exit, _, errors) = Run("transcribe", Write("fog.mp3", Clips.Speech(3)), "--terms", Path.Combine(folder, "none.txt"));
        Assert.NotEqual(0, exit);
        Assert.Contains("There is no file", errors, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("vtt", "WEBVTT")]
    [InlineData("srt", "1\n00:00:0")]
    [InlineData("txt", "")]
    public void It_writes_each_form_to_a_file(string form, string begins)
    {
        var clip = Write("fog.mp3", Clips.Speech(6));
        var to = Path.Combine(folder, "out");
        Assert.Equal(0, Run("transcribe", clip, "--to", form, "--out", to).Exit);
        Assert.StartsWith(begins, File.ReadAllText(to), StringComparison.Ordinal);
    }

    [Fact]
    public void What_a_reader_must_know_of_the_recording_is_said_beside_the_transcript()
    {
        var (exit, output, errors) = Run("transcribe", Write("nothing.wav", Clips.Silence(5)));
        Assert.Equal(0, exit);
        Assert.Equal("", output.Trim());
        Assert.Contains("No speech was heard", errors, StringComparison.Ordinal);
        var cut = Run("transcribe", Write("cut.mp4", Clips.WholeMp4[..(Clips.WholeMp4.Length / 16)]), "--to", "json");
        Assert.NotEmpty(TranscriptFormat.Read(cut.Output).Passages);
        Assert.Contains("ends early", cut.Errors, StringComparison.Ordinal);
    }

    [Fact]
    public void A_file_that_is_no_recording_ends_with_a_reason_and_no_output()
    {
        var (exit, output, errors) = Run("transcribe", Write("notes.mp3", "only text"u8.ToArray()));
        Assert.NotEqual(0, exit);
        Assert.Empty(output);
        Assert.Contains("not a sound or video file", errors, StringComparison.Ordinal);
    }

    [Fact]
    public void A_model_file_that_was_changed_is_refused()
    {
        var models = Directory.CreateDirectory(Path.Combine(folder, "models")).FullName;
        foreach (var file in Directory.GetFiles(ServerProcess.Models, "*.onnx").Append(Path.Combine(ServerProcess.Models, "token-table.js")))
        {
            File.Copy(file, Path.Combine(models, Path.GetFileName(file)));
        }

        File.AppendAllText(Path.Combine(models, "english-encoder.onnx"), "x");
        using var engine = SpeechEngine.Load(ModelFolder.Open(models, Path.Combine(ServerProcess.Root, "models/models.lock.json")));
        var problem = Assert.Throws<ModelProblemException>(() => engine.Recogniser("en", Accuracy.Fast, []));
        Assert.Contains("damaged", problem.Message, StringComparison.Ordinal);
    }

    /// <summary>Five clips of read speech with their text, from Debian's pocketsphinx-testdata: 71 words, at most two wrong.</summary>
    [Fact]
    public void Real_read_speech_is_nearly_word_perfect()
    {
        const string Clips = "/usr/share/pocketsphinx/test/data/librivox";
        var total = 0;
        foreach (var line in File.ReadLines(Path.Combine(Clips, "transcription")))
        {
            var at = line.LastIndexOf('(');
            var said = line[..at].Replace("<s>", "", StringComparison.Ordinal).Replace("</s>", "", StringComparison.Ordinal);
            var (_, heard, _) = Run("transcribe", Path.Combine(Clips, line[(at + 1)..^1] + ".wav"), "--to", "json");
            total += WordErrorRate.Compare(said, string.Join(' ', TranscriptFormat.Read(heard).Passages.Select(p => p.Text))).Total;
        }

        Assert.InRange(total, 0, 2);
    }

    public void Dispose() => Directory.Delete(folder, recursive: true);

    private static (int Exit, string Output, string Errors) Run(params string[] arguments) => CommandLine.Run(arguments);

    private string Write(string name, byte[] bytes)
    {
        var path = Path.Combine(folder, name);
        File.WriteAllBytes(path, bytes);
        return path;
    }
}
