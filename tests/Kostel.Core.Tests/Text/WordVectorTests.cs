using System.Buffers.Binary;
using Kostel.Core.Text;

namespace Kostel.Core.Tests.Text;

public class WordVectorTests
{
    private static byte[] Table() => WordTable.Of(("the", 0, 100), ("tide", 100, 0), ("ebb", 80, 60));

    [Fact]
    public void Words_are_found_compared_and_weighed_by_their_rarity()
    {
        var vectors = WordVectors.Read(new MemoryStream(Table()));
        Assert.Equal((3, 2), (vectors.Count, vectors.Size));
        Assert.Equal(0.8, vectors.Similarity("tide", "ebb"), 5);
        Assert.Equal(0, vectors.Similarity("tide", "the"), 5);
        Assert.Equal(0, vectors.Similarity("tide", "quay"));
        Assert.True(vectors.WeightOf("the") < vectors.WeightOf("ebb"));
        Assert.Equal(1, vectors.WeightOf("quay"));
        Assert.Equal(-1, vectors.PlaceOf("quay"));
        Assert.Equal([0, 0.5, 1], new[] { "the", "tide", "quay" }.Select(vectors.RarityOf).Select(r => Math.Round(r, 9)));
        var sum = new float[2];
        Assert.True(vectors.AddTo("ebb", 2, sum));
        Assert.False(vectors.AddTo("quay", 2, sum));
        Assert.Equal([1.6f, 1.2f], sum.Select(x => MathF.Round(x, 4)));
    }

    [Fact]
    public void What_is_no_table_or_cut_off_is_refused_in_words()
    {
        Assert.Contains("no table", Assert.Throws<InvalidDataException>(() => WordVectors.Read(new MemoryStream([1, 2, 3]))).Message);
        Assert.Contains("cut off", Assert.Throws<InvalidDataException>(() => WordVectors.Read(new MemoryStream(Table()[..^4]))).Message);
        var huge = Table();
        BinaryPrimitives.WriteInt32LittleEndian(huge.AsSpan(8), int.MaxValue);
        Assert.Contains("damaged", Assert.Throws<InvalidDataException>(() => WordVectors.Read(new MemoryStream(huge))).Message);
        Assert.Equal(0, WordVectors.None.Count);
    }

    [Fact]
    public void Kinds_of_words_are_known_in_every_form()
    {
        var lexicon = Lexicon.Read(new StringReader("run 10 300 0 0\ntide 30 1 0 0\nquick 1 0 50 2\nberry 5 0 0 0"));
        Assert.Equal(300, lexicon.KindsOf("running").Verb);
        Assert.Equal(31, lexicon.KindsOf("tides").Noun + lexicon.KindsOf("tides").Verb);
        Assert.Equal(5, lexicon.KindsOf("berries").Noun);
        Assert.Equal(1, lexicon.KindsOf("tide").NounShare, 1);
        Assert.True(lexicon.IsVerbForm("running", "ing"));
        Assert.False(lexicon.IsVerbForm("morning", "ing"));
        Assert.Equal(0, lexicon.KindsOf("quay").Total);
        Assert.Throws<InvalidDataException>(() => Lexicon.Read(new StringReader("run ten 1 0 0")));
    }
}
