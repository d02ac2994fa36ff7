using Kostel.Core.Speech;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests;

/// <summary>Small invented transcripts.</summary>
internal static class Lecture
{
    /// <summary>Words of a text, 400 ms each, one after the other.</summary>
    public static IReadOnlyList<Word> Words(string text, int startMs = 0, double confidence = 0.95) =>
        text.Split(' ', StringSplitOptions.RemoveEmptyEntries)
            .Select((w, i) => new Word(w, startMs + (i * 400), startMs + (i * 400) + 380, confidence))
            .ToList();

    public static Sentence Sentence(string text, double confidence = 0.95) => new("p1", 0, Words(text, 0, confidence));

    /// <summary>Sentences that are said one after the other, each a passage of its own.</summary>
    public static List<Sentence> Said(params string[] sentences)
    {
        var at = 0;
        return sentences.Select((s, i) => new Sentence($"p{i}", 0, s.Split(' ').Select(w => new Word(w, at += 100, at + 90, 1)).ToList())).ToList();
    }

    /// <summary>A lecture whose paragraphs are utterances with a pause of two seconds between them.</summary>
    public static Transcript Of(params string[] paragraphs)
    {
        var utterances = new List<Utterance>();
        var at = 500;
        foreach (var paragraph in paragraphs)
        {
            var words = Words(paragraph, at);
            utterances.Add(new Utterance(utterances.Count, at * 16L, (words[^1].EndMs + 100) * 16L, words));
            at = words[^1].EndMs + 2_000;
        }

        return TranscriptBuilder.Build(utterances, at);
    }

    /// <summary>The paragraphs of one of the demonstration's lecture texts.</summary>
    public static string[] DemoParagraphs(string name) =>
        File.ReadAllText(Path.Combine(Reference.Root, "demo", "texts", name + ".txt"))
            .Split('\n')
            .Skip(5)
            .Select(l => l.Trim())
            .Where(l => l.Length > 0 && l != "---" && !l.StartsWith('['))
            .ToArray();
}
