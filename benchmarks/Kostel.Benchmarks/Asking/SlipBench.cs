using Kostel.Core.Answers;
using Kostel.Core.Transcripts;
using Kostel.Core.Retrieval;
using Kostel.Core.Text;

namespace Kostel.Benchmarks.Asking;

/// <summary>The same questions with a slip of the pen in their longest word: with slips forgiven, and, between quotation marks, not.</summary>
internal static class SlipBench
{
    private const int ShortestWord = 5;

    /// <summary>Letters that lie beside each other, each with the one to its right.</summary>
    private const string Keys = "qwertyuiopasdfghjklzxcvbnmq";

    public static void Run(string list, string folder, WordKnowledge known)
    {
        var texts = AskedText.ReadAll(list, folder, known);
        var (whole, forgiven, literal) = (new AskedCounts(), new AskedCounts(), new AskedCounts());
        var (slips, read, untouched) = (0, 0, 0);
        foreach (var text in texts)
        {
            var finder = new AnswerFinder([new AskedSource(null, text.Sentences)], known);
            foreach (var (question, n) in text.Questions.Select((q, n) => (q, n)))
            {
                if (FoldedWord.Of(question.Text).Where(w => w.Length >= ShortestWord && !StopWords.Contains(w.Text)).OrderByDescending(w => w.Length).Select(w => (FoldedWord?)w).FirstOrDefault() is not { } word)
                {
                    continue;
                }

                var (from, to) = (word.Start, word.Start + word.Length);
                var slip = Slip(question.Text[from..to], n);
                slips++;
                var asked = finder.Ask(question.Text);
                untouched += asked.Meant.Count == 0 ? 1 : 0;
                whole.Add(asked, question, Answers);
                var taken = finder.Ask(question.Text[..from] + slip + question.Text[to..]);
                read += taken.Meant.Any(m => m.Asked == slip) ? 1 : 0;
                forgiven.Add(taken, question, Answers);
                literal.Add(finder.Ask($"{question.Text[..from]}“{slip}”{question.Text[to..]}"), question, Answers);
            }

            bool Answers(Evidence line, HashSet<int> right) => right.Any(r => text.Sentences[r].StartMs < line.EndMs && text.Sentences[r].EndMs > line.StartMs);
        }

        Console.WriteLine($"{texts.Count} texts, {slips} questions, {untouched} of them read as they are; with a slip {read} read otherwise\n\n| | {AskedCounts.Head} |\n|---|---|---|---|---|---|");
        Console.WriteLine($"| as asked | {whole} |\n| with a slip | {forgiven} |\n| with a slip that is not forgiven | {literal} |");
    }

    /// <summary>A letter left out, put twice, exchanged with the next one, or the key beside it, in the middle of the word.</summary>
    private static string Slip(string word, int kind)
    {
        var at = word.Length / 2;
        return (kind % 4) switch
        {
            0 => word[..at] + word[(at + 1)..],
            1 => word[..at] + word[at] + word[at..],
            2 => word[..at] + Keys[(Keys.IndexOf(char.ToLowerInvariant(word[at])) is >= 0 and var key ? key : Keys.Length - 2) + 1] + word[(at + 1)..],
            _ => word[..at] + word[at + 1] + word[at] + word[(at + 2)..],
        };
    }
}
