using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Facts;

/// <summary>
/// The parts of a sentence that could be sentences themselves. Speech runs on, and a recogniser writes a comma, or nothing but
/// a capital, where a writer would put a full stop.
/// </summary>
public static class Clauses
{
    private const int Shortest = 5;

    private static readonly HashSet<string> Begins =
    [
        "On", "In", "The", "A", "An", "It", "If", "When", "This", "That", "So", "But", "And", "You", "We", "They", "There", "These", "Beside", "Around",
    ];

    /// <summary>Parts that start after a comma, that end before one, or that lie between capitals; never the whole sentence.</summary>
    public static IReadOnlyList<Sentence> Of(Sentence sentence)
    {
        var words = sentence.Words;
        var starts = new List<int> { 0 };
        var ends = new List<int> { words.Count };
        for (var i = 1; i < words.Count; i++)
        {
            var comma = words[i - 1].Text[^1] == ',';
            if (comma || (char.IsLower(words[i - 1].Text[^1]) && Begins.Contains(words[i].Text)))
            {
                starts.Add(i);
                ends.Add(i);
            }
        }

        return starts
            .SelectMany(from => ends.Where(to => to - from >= Shortest && to - from < words.Count).Select(to => Part(sentence, from, to)))
            .ToList();
    }

    /// <summary>Words <paramref name="from"/> to <paramref name="to"/> (exclusive) with a capital and a full stop.</summary>
    public static Sentence Part(Sentence sentence, int from, int to)
    {
        var words = sentence.Words.Skip(from).Take(to - from).ToList();
        words[0] = words[0] with { Text = WordForms.Capital(words[0].Text) };
        words[^1] = words[^1] with { Text = words[^1].Text.TrimEnd(',', ';', ':', '.') + "." };
        return new Sentence(sentence.PassageId, sentence.FirstWord + from, words);
    }
}
