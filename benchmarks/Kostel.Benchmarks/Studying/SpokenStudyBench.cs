using System.Globalization;
using Kostel.Benchmarks.Asking;
using Kostel.Core.Chapters;
using Kostel.Core.Grammar;
using Kostel.Core.Study.Statements;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Benchmarks.Studying;

/// <summary>The same of texts as they were written, and of what the recogniser wrote of them when they were spoken; and every line in which the two differ, to be read.</summary>
internal static class SpokenStudyBench
{
    /// <param name="texts">With their key facts.</param>
    /// <param name="transcripts">A folder with a transcript for each text that was spoken.</param>
    /// <param name="weights">By which sentences of a text are worth knowing, learned from others.</param>
    /// <param name="finder">Finds chapters.</param>
    /// <param name="grammar">Reads sentences.</param>
    /// <param name="known">What is known of words.</param>
    public static void Run(IReadOnlyList<StudyText> texts, string transcripts, Func<StudyText, double[]> weights, ChapterFinder finder, IGrammar grammar, WordKnowledge known)
    {
        Console.WriteLine("| text | | summary of 12 % | 25 % | in 20 cards | in 12 questions |\n|---|---|---|---|---|---|");
        var (all, differ) = (new List<(bool IsSpoken, int Facts, int[] Counts)>(), new List<string>());
        foreach (var text in texts.Where(t => File.Exists(FileOf(t))))
        {
            var heard = TranscriptFormat.Read(File.ReadAllText(FileOf(text)));
            var said = Sentences.Of(heard.Passages);
            var spoken = text with { Sentences = Timed(text.Sentences, SpokenBench.Places(text.Sentences, said)), Transcript = heard with { Chapters = finder.Find(said, heard.DurationMs) } };
            foreach (var (of, isSpoken) in new[] { (text, false), (spoken, true) })
            {
                var made = StudyBench.Make(of, new StudyGround(of.Transcript, grammar, weights(text), known));
                var counts = made.Select(of.Covered).ToArray();
                all.Add((isSpoken, of.Facts.Count, counts));
                Console.WriteLine($"| {of.Name} | {(isSpoken ? "spoken" : "written")} | {string.Join(" | ", counts)} |");
                if (isSpoken)
                {
                    var words = text.Sentences.SelectMany(s => Tokens.ContentStems(string.Join(' ', NumberWords.ToDigits(Tokens.Of(s.Text))))).ToHashSet();
                    differ.AddRange(made.SelectMany(m => m).Select(m => m.Source.Quote).Distinct().Where(q => !Tokens.ContentStems(string.Join(' ', NumberWords.ToDigits(Tokens.Of(q)))).All(words.Contains)).Select(q => $"{text.Name}: {q}"));
                }
            }
        }

        foreach (var way in all.GroupBy(a => a.IsSpoken))
        {
            var facts = (double)way.Sum(w => w.Facts);
            Console.WriteLine($"| **{(way.Key ? "spoken" : "written")}** | {facts} facts | {string.Join(" | ", Enumerable.Range(0, way.First().Counts.Length).Select(i => string.Create(CultureInfo.InvariantCulture, $"{100 * way.Sum(w => w.Counts[i]) / facts:0.0} %")))} |");
        }

        Console.WriteLine($"\n{differ.Count} lines that material rests on hold a word that the text does not have:\n{string.Join('\n', differ)}");

        string FileOf(StudyText text) => Path.Combine(transcripts, text.Name.Replace('/', '-') + ".json");
    }

    /// <summary>The written sentences at the times at which they were heard; those of which nothing was heard, at none.</summary>
    private static List<Sentence> Timed(IReadOnlyList<Sentence> written, List<(int From, int To)?> places) =>
        [.. written.Select((s, i) => s with { Words = [.. s.Words.Select(w => w with { StartMs = places[i]?.From ?? -1, EndMs = places[i]?.To ?? -1 })] })];
}
