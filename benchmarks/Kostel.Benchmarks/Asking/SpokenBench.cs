using Kostel.Core.Answers;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Benchmarks.Asking;

/// <summary>The same questions to texts as they were written, and to what the recogniser wrote of them when they were spoken.</summary>
internal static class SpokenBench
{
    /// <param name="transcripts">A folder with a transcript for each text that was spoken.</param>
    public static void Run(string list, string folder, string transcripts, WordKnowledge known)
    {
        var texts = AskedText.ReadAll(list, folder, known).FindAll(t => File.Exists(Path.Combine(transcripts, t.Name + ".json")));
        var (written, spoken) = (new AskedCounts(), new AskedCounts());
        foreach (var text in texts)
        {
            var heard = TranscriptFormat.Read(File.ReadAllText(Path.Combine(transcripts, text.Name + ".json")));
            var said = Sentences.Of(heard.Passages);
            var where = Places(text.Sentences, said);
            Count(new AnswerFinder([new AskedSource(null, text.Sentences)], known), text, (e, right) => right.Any(r => text.Sentences[r].StartMs < e.EndMs && text.Sentences[r].EndMs > e.StartMs), written);
            Count(new AnswerFinder([new AskedSource(null, said)], known), text, (e, right) => right.Any(r => where[r] is var (from, to) && from < e.EndMs && to > e.StartMs), spoken);
        }

        Console.WriteLine($"{texts.Count} texts, {written.Count} questions\n\n| | {AskedCounts.Head} |\n|---|---|---|---|---|---|");
        Console.WriteLine($"| written | {written} |\n| spoken, as the recogniser wrote it | {spoken} |");
    }

    private static void Count(AnswerFinder finder, AskedText text, Func<Evidence, HashSet<int>, bool> answers, AskedCounts counts)
    {
        foreach (var question in text.Questions)
        {
            counts.Add(finder.Ask(question.Text), question, answers);
        }
    }

    /// <summary>When each written sentence is said, by the words that were heard of it.</summary>
    public static List<(int From, int To)?> Places(IReadOnlyList<Sentence> written, IReadOnlyList<Sentence> said)
    {
        var (own, heard) = (written.SelectMany((s, i) => s.Words.Select(w => (w.Text, Sentence: i))).ToList(), said.SelectMany(s => s.Words).ToList());
        var times = new Dictionary<int, (int From, int To)>();
        var (i, j) = (0, 0);
        foreach (var change in WordDiff.Between(own.Select(w => w.Text), heard.Select(w => w.Text)))
        {
            for (; i < change.OldStart; i++, j++)
            {
                Add(own[i].Sentence, heard[j]);
            }

            (i, j) = (change.OldStart + change.OldCount, change.NewStart + change.NewCount);
        }

        for (; i < own.Count && j < heard.Count; i++, j++)
        {
            Add(own[i].Sentence, heard[j]);
        }

        return written.Select((_, s) => times.TryGetValue(s, out var t) ? t : ((int, int)?)null).ToList();

        void Add(int sentence, Word word) => times[sentence] = times.TryGetValue(sentence, out var t) ? (Math.Min(t.From, word.StartMs), Math.Max(t.To, word.EndMs)) : (word.StartMs, word.EndMs);
    }
}
