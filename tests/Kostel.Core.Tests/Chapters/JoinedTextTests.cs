using Kostel.Core.Chapters;
using Kostel.Core.Text;

namespace Kostel.Core.Tests.Chapters;

public sealed class JoinedTextTests
{
    private static readonly string[][] Pieces =
    [
        ["The bridge over the northern canal opened after nine weeks of welding.", "Lorries crossed the bridge before noon and the canal office counted them.", "Engineers welding the last plate of the bridge waved from the canal."],
        ["Goalkeeper and captain quarrelled during the second half of the match.", "The captain left the match with a bandage and the goalkeeper stayed.", "Supporters blamed goalkeeper and captain for the lost match."],
        ["Frost damaged three quarters of the apricot blossom in the valley.", "Growers burnt straw among the apricot trees all night against the frost.", "The valley expects few apricots after such a frost."],
        ["An orchestra of schoolchildren rehearsed the symphony in the gymnasium.", "Violins and trumpets filled the gymnasium as the orchestra tuned.", "The symphony ends with trumpets, and the orchestra cheered."],
    ];

    [Fact]
    public void Pieces_about_quite_different_things_are_joined_texts_and_are_divided_by_their_words_alone()
    {
        string[] units = [.. Enumerable.Range(0, 4).SelectMany(_ => Pieces).Select((p, n) => (p, n)).SelectMany(p => p.p.Select(s => Renamed(s, p.n)))];
        Assert.True(JoinedTexts.Are(new TopicSegmentation(units, WordVectors.None)));
    }

    [Fact]
    public void A_lecture_that_comes_back_to_its_words_is_none()
    {
        var units = Enumerable.Range(0, 40).Select(i => $"The tide rises for six hours and the range of tide number {i} depends on the moon.").ToList();
        Assert.False(JoinedTexts.Are(new TopicSegmentation(units, WordVectors.None)));
    }

    [Theory]
    [InlineData(0)]
    [InlineData(1)]
    [InlineData(9)]
    public void A_few_sentences_are_none(int count) => Assert.False(JoinedTexts.Are(new TopicSegmentation(Enumerable.Repeat("A bell rings.", count).ToList(), WordVectors.None)));

    /// <summary>The words of each piece are its own.</summary>
    private static string Renamed(string sentence, int piece) => string.Join(' ', sentence.TrimEnd('.').Split(' ').Select(w => w.Length > 4 ? $"{w}{(char)('a' + piece)}" : w)) + ".";
}
