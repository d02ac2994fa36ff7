using Kostel.Core.Transcripts;

namespace Kostel.Core.Captions;

/// <summary>A plain text with a sentence on each line, as such texts are kept for study of language.</summary>
/// <param name="Sentences">In order, with times estimated from the length of the words.</param>
/// <param name="Lines">The line of each, counted from 1.</param>
public sealed record LinedText(IReadOnlyList<Sentence> Sentences, IReadOnlyList<int> Lines)
{
    private const int FewestLines = 4, MostWordsALine = 60;

    /// <summary>Until when it lasts.</summary>
    public int DurationMs => Sentences.Count == 0 ? 0 : Sentences[^1].EndMs;

    /// <summary>Reads a text that is written so; null for one that is not: with whole paragraphs on its lines, or only a few lines.</summary>
    public static LinedText? Read(string text)
    {
        var sentences = new List<Sentence>();
        var numbers = new List<int>();
        var at = 0;
        var lines = TextLines.Of(text);
        var names = TurnNames.In(lines.Where(l => l.Length > 0).ToList());
        var turn = 1;
        for (var i = 0; i < lines.Count; i++)
        {
            // Another turn is another passage.
            var (name, said) = names.Divide(lines[i]);
            turn += name is null ? 0 : 1;
            var words = TextLines.Words(said);
            if (words.Length == 0)
            {
                continue;
            }

            var spoken = new List<Word>(words.Length);
            foreach (var word in words)
            {
                var end = at + ((word.Length + 1) * PlainText.MsPerLetter);
                spoken.Add(new Word(word, at, end, 1));
                at = end;
            }

            sentences.Add(new Sentence($"p{turn}", 0, spoken));
            numbers.Add(i + 1);
        }

        return sentences.Count >= FewestLines && sentences.Average(s => s.Words.Count) <= MostWordsALine && sentences.Count(s => s.Words.Count > MostWordsALine) <= sentences.Count / 10
            ? new LinedText(sentences, numbers)
            : null;
    }
}
