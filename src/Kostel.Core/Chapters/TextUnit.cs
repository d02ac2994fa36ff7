using Kostel.Core.Transcripts;

namespace Kostel.Core.Chapters;

/// <summary>What a chapter can begin with: a sentence, or, where somebody speaks or writes without a stop, a piece of one.</summary>
/// <param name="Sentence">The words.</param>
/// <param name="IsWhole">Whether it begins where a sentence does.</param>
internal sealed record TextUnit(Sentence Sentence, bool IsWhole)
{
    private const int LongestWords = 60, PieceWords = 25;

    /// <summary>The words joined.</summary>
    public string Text { get; } = Sentence.Text;

    /// <summary>Start of the first word, in milliseconds.</summary>
    public int StartMs => Sentence.StartMs;

    /// <summary>End of the last word, in milliseconds.</summary>
    public int EndMs => Sentence.EndMs;

    /// <summary>The units of sentences, in order.</summary>
    public static List<TextUnit> Of(IReadOnlyList<Sentence> sentences) => sentences.Where(s => s.Words.Count > 0).SelectMany(Of).ToList();

    private static IEnumerable<TextUnit> Of(Sentence sentence)
    {
        if (sentence.Words.Count <= LongestWords)
        {
            yield return new TextUnit(sentence, true);
            yield break;
        }

        Word[] words = [.. sentence.Words];
        for (var at = 0; at < words.Length;)
        {
            // What is left over at the end is not a piece by itself.
            var take = words.Length - at < PieceWords * 2 ? words.Length - at : PieceWords;
            yield return new TextUnit(new Sentence(sentence.PassageId, sentence.FirstWord + at, words[at..(at + take)]), at == 0);
            at += take;
        }
    }
}
