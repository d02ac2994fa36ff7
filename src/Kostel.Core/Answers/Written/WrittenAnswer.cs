using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Answers.Written;

/// <summary>A sentence that a model wrote, compared with what it names.</summary>
/// <param name="Passages">Places in the list of passages, from 0.</param>
/// <param name="Doubts">What of it is not borne out; empty where all is.</param>
/// <param name="IsOutside">Knowledge from elsewhere, which was asked for; not compared with anything.</param>
public sealed record CheckedSentence(string Text, IReadOnlyList<int> Passages, IReadOnlyList<SentenceDoubt> Doubts, bool IsOutside);

/// <summary>An answer that a model wrote, beside the lecture's own sentences.</summary>
/// <param name="Host">Whose model.</param>
/// <param name="Instructions">The name of the instructions that it was written by; null for none.</param>
/// <param name="Passages">What it was given, and the sentences point to.</param>
public sealed record WrittenAnswer(string Host, string Model, DateTime WrittenAt, string? Instructions, IReadOnlyList<CheckedSentence> Sentences, IReadOnlyList<Evidence> Passages)
{
    /// <summary>The same as of a lecture.</summary>
    public WrittenAnswer In(string? lectureId) => this with { Passages = Passages.Select(p => p.In(lectureId)).ToList() };

    /// <summary>Reads and compares what a model wrote.</summary>
    /// <exception cref="FormatException">It is no answer: nothing at all, or none of its sentences names a passage.</exception>
    public static IReadOnlyList<CheckedSentence> Check(string text, WritingRequest request, WordKnowledge known)
    {
        var check = new SentenceCheck(known);
        var numbers = request.Passages.Select((p, i) => (p.Number, Place: i)).ToDictionary(p => p.Number, p => p.Place);
        var sentences = WrittenReading.Of(text);
        if (sentences.Count == 0 || sentences.All(s => Tokens.Of(s.Text).Count < ShortestSentence))
        {
            throw new FormatException("The model wrote nothing that could be read.");
        }

        if (request.Language == "English" && IsForeign(text))
        {
            throw new FormatException("The model wrote in another language.");
        }

        if (sentences.All(s => s.Passages.Count == 0 && !s.IsOutside) && !sentences.Any(s => SaysNothing(s.Text)))
        {
            throw new FormatException("The model named no passage for what it wrote.");
        }

        return sentences.Where(s => !SaysNothing(s.Text)).Select(s =>
        {
            var isOutside = s.IsOutside && request.AllowsOutside && s.Passages.Count == 0;
            var places = s.Passages.Where(numbers.ContainsKey).Select(n => numbers[n]).ToList();
            var doubts = isOutside ? [] : places.Count < s.Passages.Count ? [new SentenceDoubt(Doubt.NoPassage, [])] : check.Of(s.Text, places.Select(p => request.Passages[p].Source.Quote).ToList());
            return new CheckedSentence(s.Text, places, doubts, isOutside);
        }).ToList();
    }

    /// <summary>English has a word of every day in every third place or so.</summary>
    private static bool IsForeign(string text) => Tokens.Of(text) is { Count: >= FewestWords } words && words.Count(StopWords.Contains) < words.Count * EveryDay;

    private const int FewestWords = 8, ShortestSentence = 3;

    private const double EveryDay = 0.15;

    private static bool SaysNothing(string sentence) => sentence.StartsWith("The passages do not say", StringComparison.OrdinalIgnoreCase);
}
