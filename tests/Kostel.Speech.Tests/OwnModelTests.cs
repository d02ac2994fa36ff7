using System.Text;
using Kostel.Core.Problems;
using Kostel.Core.Speech;
using Kostel.Core.Speech.Languages;
using Kostel.Speech.Own;

namespace Kostel.Speech.Tests;

/// <summary>Weights that a person brings in: the two sets that there are, from folders and under other names, and broken ones.</summary>
public sealed class OwnModelTests(Sound sound) : IClassFixture<Sound>, IDisposable
{
    private readonly string root = Directory.CreateTempSubdirectory("kostel-own-").FullName;
    private readonly DateOnly today = new(2026, 11, 5);

    /// <summary>The models as they are fetched, with a folder for own ones apart from everybody's.</summary>
    private ModelFolder Models()
    {
        var folder = Directory.CreateDirectory(Path.Combine(root, "models")).FullName;
        foreach (var model in sound.Models.Pinned.Where(m => sound.Models.IsThere(m.Name) && !File.Exists(Path.Combine(folder, m.Name))))
        {
            File.CreateSymbolicLink(Path.Combine(folder, model.Name), sound.Models.PathOf(model.Name));
        }

        return ModelFolder.Open(folder, Environment.GetEnvironmentVariable("KOSTEL_MODEL_LOCK")!);
    }

    [Theory]
    [InlineData(SpokenLanguages.English, "english", 6, 288)]
    [InlineData(SpokenLanguages.Spanish, "spanish", 8, 416)]
    public async Task Weights_under_other_names_are_found_tried_and_hear_as_those_that_are_known(string language, string stem, int layers, int width)
    {
        sound.Need(language);
        var models = Models();
        var folder = Folder(("one.onnx", $"{stem}-encoder.onnx"), ("two/three.onnx", $"{stem}-decoder.onnx"), ("two/pieces.js", "token-table.js"));
        File.WriteAllText(Path.Combine(folder, "LICENSE.md"), "# Free for all\n\nUse it as you like.");
        var clip = await Clip(language);
        var model = OwnModelInstall.Add(models, folder, language, " Lecture hall ", clip, today, Cancel);
        Assert.Equal(("Lecture hall", layers, width, "Free for all", true), (model.Name, model.Layers, model.Width, model.LicenceLine, model.HasTokens));
        Assert.InRange(WordErrorRate.Compare(await File.ReadAllTextAsync(ClipPath(language, "txt"), Cancel), model.Wrote).Rate, 0, 0.2);
        Directory.Delete(folder, recursive: true);

        using var engine = SpeechEngine.Load(models);
        var known = (await Sound.Recognise(engine.Recogniser(language, Accuracy.Accurate, []), clip))[0].Words;
        var own = (await Sound.Recognise(engine.Recogniser(language, Accuracy.Accurate, [], "lecture HALL"), clip))[0].Words;
        Assert.Equal(known.Select(w => w.Text), own.Select(w => w.Text));
        var apart = known.Zip(own, (a, b) => Math.Abs(a.StartMs - b.StartMs)).Order().ToList();
        TestContext.Current.TestOutputHelper?.WriteLine($"{string.Join(' ', model.Heads.Select(h => $"{h.Layer}:{string.Join(',', h.Heads)}"))}; starts apart by {apart[apart.Count / 2]} ms (median), {apart[(int)(apart.Count * 0.9)]} ms (90 %)");
        Assert.InRange(apart[apart.Count / 2], 0, 60);

        Assert.Contains("taken", Assert.Throws<NotValidException>(() => OwnModelInstall.Add(models, root, language, "LECTURE hall", clip, today, Cancel)).Message);
        models.Own.Remove("Lecture Hall");
        Assert.Empty(models.Own.All());
        Assert.Contains("may have been removed", Assert.Throws<ModelProblemException>(() => engine.Recogniser(language, Accuracy.Fast, [], "Lecture hall")).Message);
    }

    [Fact]
    public async Task A_language_that_only_own_weights_hear_is_there_with_them()
    {
        var models = Models();
        OwnModelInstall.Add(models, Folder(("e.onnx", "english-encoder.onnx"), ("d.onnx", "english-decoder.onnx")), "de", "Hörsaal", await Clip(SpokenLanguages.English), today, Cancel);
        Assert.Contains("de", SpeechEngine.Languages(models));
        using var engine = SpeechEngine.Load(models);
        Assert.NotNull(engine.Network("de").OpenDecoder());
    }

    [Theory]
    [InlineData("model.decoder.layers.2.post_attention_layernorm.weight_merged_0", "layers.2.post_attention_layernorm")]
    [InlineData("model.decoder.layers.5.input_layernorm.weight_merged_0", "layers.5.input_layernorm")]
    [InlineData("model.decoder.norm.weight_merged_0", "model.decoder.norm")]
    public async Task A_missing_tensor_is_named(string tensor, string named)
    {
        var folder = Folder(("e.onnx", "english-encoder.onnx"), ("d.onnx", "english-decoder.onnx"));
        Rewrite(Path.Combine(folder, "d.onnx"), tensor, tensor[..^1] + "X");
        var problem = await Refused(folder);
        Assert.Contains("d.onnx cannot be used. The model file has no", problem);
        Assert.Contains(named, problem);
    }

    [Fact]
    public async Task A_matrix_of_another_shape_is_named_with_what_was_expected()
    {
        // The dimensions 288 × 1,152 stand in the file as two variable-length numbers; turned round they fit the bytes, and nothing else.
        var folder = Folder(("e.onnx", "english-encoder.onnx"), ("d.onnx", "english-decoder.onnx"));
        var path = Path.Combine(folder, "d.onnx");
        var bytes = await File.ReadAllBytesAsync(path, Cancel);
        var at = bytes.AsSpan().IndexOf((ReadOnlySpan<byte>)[0x08, 0x80, 0x09, 0x08, 0xA0, 0x02]);
        Assert.True(at > 0);
        ((ReadOnlySpan<byte>)[0x08, 0xA0, 0x02, 0x08, 0x80, 0x09]).CopyTo(bytes.AsSpan(at));
        await File.WriteAllBytesAsync(path, bytes, Cancel);
        var problem = await Refused(folder);
        Assert.Contains("does not fit together", problem);
        Assert.Contains("expected were 1152 in and 288 out", problem);
    }

    [Fact]
    public async Task Files_of_another_kind_are_refused_and_nothing_is_kept()
    {
        Assert.Contains("No ONNX file", await Refused(Folder()));
        Assert.Contains("voice.onnx: another network, from input", await Refused(Folder(("voice.onnx", "voice-activity.onnx"), ("e.onnx", "english-encoder.onnx"))));
        Assert.Contains("no encoder", await Refused(Folder(("d.onnx", "english-decoder.onnx"))));
        Assert.Contains("both decoders", await Refused(Folder(("e.onnx", "english-encoder.onnx"), ("d.onnx", "english-decoder.onnx"), ("f.onnx", "english-decoder.onnx"))));
        Assert.Contains("There is no folder", await Refused(Path.Combine(root, "nowhere")));
        var cut = Folder(("e.onnx", "english-encoder.onnx"));
        await File.WriteAllBytesAsync(Path.Combine(cut, "d.onnx"), (await File.ReadAllBytesAsync(sound.Models.PathOf("english-decoder.onnx"), Cancel))[..1_000_000], Cancel);
        Assert.Contains("d.onnx", await Refused(cut));
        var table = Folder(("e.onnx", "english-encoder.onnx"), ("d.onnx", "english-decoder.onnx"));
        await File.WriteAllLinesAsync(Path.Combine(table, "tokens.txt"), Enumerable.Range(0, 40_000).Select(i => $"▁{i}"), Cancel);
        Assert.Contains("40000 pieces, and the decoder knows only 32768", await Refused(table));
        await File.WriteAllTextAsync(Path.Combine(table, "tokenizer.json"), "{\"model\":[]}", Cancel);
        File.Delete(Path.Combine(table, "tokens.txt"));
        Assert.Contains("holds no token table", await Refused(table));
        Assert.Empty(Models().Own.All());
    }

    [Fact]
    public async Task An_encoder_of_another_size_does_not_belong_to_the_decoder()
    {
        sound.Need(SpokenLanguages.Spanish);
        Assert.Contains("do not belong together: expected were about", await Refused(Folder(("e.onnx", "spanish-encoder.onnx"), ("d.onnx", "english-decoder.onnx"))));
    }

    [Theory]
    [InlineData("en", "fast")]
    [InlineData("en", "")]
    [InlineData("English", "Hall")]
    public void A_name_or_a_language_that_makes_no_sense_is_refused(string language, string name) =>
        Assert.Throws<NotValidException>(() => OwnModelInstall.Add(sound.Models, root, language, name, new float[16_000], today, Cancel));

    /// <inheritdoc/>
    public void Dispose() => Directory.Delete(root, recursive: true);

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private static string ClipPath(string language, string ending) =>
        Path.Combine(Path.GetDirectoryName(Environment.GetEnvironmentVariable("KOSTEL_MODEL_LOCK"))!, "clips", $"{language}.{ending}");

    private static Task<float[]> Clip(string language) => Sound.Read(ClipPath(language, "opus"));

    private async Task<string> Refused(string folder)
    {
        var clip = await Clip(SpokenLanguages.English);
        var models = Models();
        var problem = Assert.Throws<ModelProblemException>(() => OwnModelInstall.Add(models, folder, SpokenLanguages.English, "Hall", clip, today, Cancel));
        Assert.Empty(models.Own.All());
        return problem.Message;
    }

    private string Folder(params (string As, string Model)[] files)
    {
        var folder = Directory.CreateDirectory(Path.Combine(root, Guid.NewGuid().ToString("N"))).FullName;
        foreach (var (name, model) in files)
        {
            var path = Path.Combine(folder, name);
            Directory.CreateDirectory(Path.GetDirectoryName(path)!);
            File.Copy(sound.Models.PathOf(model), path);
        }

        return folder;
    }

    private static void Rewrite(string path, string from, string to)
    {
        var bytes = File.ReadAllBytes(path);
        var (old, now) = (Encoding.ASCII.GetBytes(from), Encoding.ASCII.GetBytes(to));
        var found = 0;
        for (var at = bytes.AsSpan().IndexOf(old); at >= 0; at = bytes.AsSpan().IndexOf(old))
        {
            now.CopyTo(bytes, at);
            found++;
        }

        Assert.True(found > 0);
        File.WriteAllBytes(path, bytes);
    }
}
