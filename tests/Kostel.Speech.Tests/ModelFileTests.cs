namespace Kostel.Speech.Tests;

public sealed class ModelFileTests(Sound sound) : IClassFixture<Sound>, IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("kostel-models-").FullName;

    [Fact]
    public void The_decoder_has_six_layers_and_one_row_for_each_token()
    {
        var weights = DecoderModelFile.Read(sound.Models.PathOf("english-decoder.onnx"));
        Assert.Equal(6, weights.Layers.Count);
        Assert.Equal((32_768, 288, 36), (weights.Tokens.Outputs, weights.Width, weights.HeadSize));
        Assert.All(weights.Layers, l => Assert.Equal((2_304, 288, 1_152), (l.Up.Outputs, l.Up.Inputs, l.Down.Inputs)));
        Assert.Equal(16, weights.InverseFrequencies.Length);
    }

    [Theory]
    [InlineData(0)]
    [InlineData(7)]
    [InlineData(100_000)]
    public void A_file_that_is_cut_off_is_refused_in_words(int bytes)
    {
        var whole = File.ReadAllBytes(sound.Models.PathOf("english-decoder.onnx"));
        var path = Path.Combine(folder, "cut.onnx");
        File.WriteAllBytes(path, whole[..bytes]);
        Assert.Contains("model file", Assert.Throws<InvalidDataException>(() => DecoderModelFile.Read(path)).Message);
    }

    [Fact]
    public void A_file_that_is_something_else_is_refused_in_words()
    {
        var path = Path.Combine(folder, "text.onnx");
        File.WriteAllText(path, string.Concat(Enumerable.Repeat("This is no model. ", 500)));
        Assert.Contains("model file", Assert.Throws<InvalidDataException>(() => DecoderModelFile.Read(path)).Message);
    }

    [Fact]
    public void A_script_without_a_token_table_is_refused_in_words()
    {
        var path = Path.Combine(folder, "table.js");
        File.WriteAllText(path, "export default 1");
        Assert.Equal("table.js holds no token table.", Assert.Throws<InvalidDataException>(() => TokenTable.Read(path)).Message);
    }

    public void Dispose() => Directory.Delete(folder, recursive: true);
}
