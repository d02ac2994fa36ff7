using Kostel.Core.Answers;
using Kostel.Core.Retrieval;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Benchmarks.Asking;

/// <summary>The same questions as people type them: with a slip of the pen in the longest word (forgiven, and between quotation marks not), without signs and capitals, with words around them that ask for nothing.</summary>
internal static class OtherwiseAsked
{
    private const int ShortestWord = 5;

    /// <summary>Letters that lie beside each other, each with the one to its right.</summary>
    private const string Keys = "qwertyuiopasdfghjklzxcvbnmq";

    private static readonly (string Name, Func<string, int, string> Ask)[] Ways =
    [
        ("as asked", (q, _) => q),
        ("with a slip", (q, n) => Slipped(q, n, s => s)),
        ("with a slip that is not forgiven", (q, n) => Slipped(q, n, s => $"“{s}”")),
        ("in small letters, without a question mark", (q, _) => q.ToLowerInvariant().TrimEnd('?')),
        ("in capitals", (q, _) => q.ToUpperInvariant()),
        ("\"Can you tell me: …\"", (q, _) => "Can you tell me: " + q),
        ("\"Sorry, I didn't get this. …\"", (q, _) => "Sorry, I didn't get this. " + q),
        ("\"hi, … thanks\"", (q, _) => $"hi, {q} thanks"),
        ("\"… Please explain it in simple words.\"", (q, _) => q + " Please explain it in simple words."),
        ("\"What did the lecturer say about this: …\"", (q, _) => "What did the lecturer say about this: " + q),
        ("\"could you please help me understand … ?\"", (q, _) => "could you please help me understand " + char.ToLowerInvariant(q[0]) + q[1..]),
        ("\"… I missed that part of the lecture\"", (q, _) => q + " I missed that part of the lecture"),
        ("\"I have an exam tomorrow and I need to know, …\"", (q, _) => "I have an exam tomorrow and I need to know, " + q),
        ("\"Quick one: …\"", (q, _) => "Quick one: " + q),
        ("\"Not sure I caught this bit. …\"", (q, _) => "Not sure I caught this bit. " + q),
        ("\"… My notes are a mess here.\"", (q, _) => q + " My notes are a mess here."),
        ("\"For the final: …\"", (q, _) => "For the final: " + q),
        ("\"Good evening! … Many thanks in advance.\"", (q, _) => $"Good evening! {q} Many thanks in advance."),
        ("\"My friend asked me …\"", (q, _) => "My friend asked me " + char.ToLowerInvariant(q[0]) + q[1..]),
        ("its telling words alone", (q, _) => string.Join(' ', Tokens.Of(q).Where(w => !StopWords.Contains(w)))),
    ];

    public static void Run(string list, string folder, WordKnowledge known)
    {
        var texts = AskedText.ReadAll(list, folder, known).ConvertAll(t => (Text: t, Finder: new AnswerFinder([new AskedSource(null, t.Sentences)], known)));
        Console.WriteLine($"{texts.Count} texts\n\n| | {AskedCounts.Head} | questions | read with other words |\n|---|---|---|---|---|---|---|---|");
        var readOtherwise = new List<string>();
        foreach (var (name, ask) in Ways)
        {
            var (counts, read) = (new AskedCounts(), 0);
            foreach (var (text, finder) in texts)
            {
                foreach (var (question, n) in text.Questions.Select((q, n) => (q, n)))
                {
                    var answer = finder.Ask(ask(question.Text, n));
                    read += answer.Meant.Count > 0 ? 1 : 0;
                    readOtherwise.AddRange(name == Ways[0].Name ? answer.Meant.Select(m => $"{m.Asked} as {m.Meant}: {question.Text}") : []);
                    counts.Add(answer, question, (line, right) => right.Any(r => text.Sentences[r].StartMs < line.EndMs && text.Sentences[r].EndMs > line.StartMs));
                }
            }

            Console.WriteLine($"| {name} | {counts} | {counts.Count} | {read} |");
        }

        Console.WriteLine(readOtherwise.Count > 0 ? "\nAs they were written, read with another word:\n  " + string.Join("\n  ", readOtherwise) : "");
    }

    private static string Slipped(string question, int n, Func<string, string> dress)
    {
        var word = FoldedWord.Of(question).Where(w => w.Length >= ShortestWord && !StopWords.Contains(w.Text)).OrderByDescending(w => w.Length).FirstOrDefault();
        return word.Length == 0 ? question : question[..word.Start] + dress(Slip(question.Substring(word.Start, word.Length), n)) + question[(word.Start + word.Length)..];
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
