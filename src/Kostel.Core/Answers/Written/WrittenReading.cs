using System.Globalization;
using System.Text.RegularExpressions;

namespace Kostel.Core.Answers.Written;

/// <summary>A sentence as a model wrote it.</summary>
/// <param name="Passages">The numbers that it names.</param>
/// <param name="IsOutside">It says itself that it is not from the passages.</param>
public sealed record WrittenSentence(string Text, IReadOnlyList<int> Passages, bool IsOutside);

/// <summary>Reads what a model wrote: sentences with the numbers of their passages.</summary>
public static partial class WrittenReading
{
    /// <summary>The sentences, in order. One without numbers has those of the next that has some on its line, as writers put them at the end.</summary>
    public static IReadOnlyList<WrittenSentence> Of(string text)
    {
        var sentences = new List<WrittenSentence>();
        foreach (var line in text.ReplaceLineEndings("\n").Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))
        {
            var waiting = new List<string>();
            foreach (Match part in Named().Matches(line))
            {
                var (words, numbers) = (Bare(part.Groups["words"].Value), part.Groups["numbers"].Value);
                if (words.Length > 0)
                {
                    waiting.AddRange(Split().Split(words).Where(s => s.Trim().Length > 0));
                }

                if (part.Groups["numbers"].Success)
                {
                    Add(waiting, numbers);
                    waiting.Clear();
                }
            }

            Add(waiting, "");
        }

        return sentences;

        void Add(List<string> texts, string numbers)
        {
            var isOutside = numbers.Contains(WritingPrompt.Outside, StringComparison.OrdinalIgnoreCase);
            var passages = Digits().Matches(numbers).Select(m => int.Parse(m.Value, CultureInfo.InvariantCulture)).Distinct().ToList();
            sentences.AddRange(texts.Select(t => new WrittenSentence(t.Trim(), passages, isOutside)));
        }
    }

    /// <summary>Without signs of a list or of emphasis.</summary>
    private static string Bare(string words) => Signs().Replace(words, "").Replace("**", "", StringComparison.Ordinal).Trim();

    [GeneratedRegex(@"(?<words>[^\[\]]*)(?:\[(?<numbers>[\d,;\s–-]*|outside)\]\s*[.!?]?)?", RegexOptions.IgnoreCase)]
    private static partial Regex Named();

    [GeneratedRegex(@"\d{1,4}")]
    private static partial Regex Digits();

    [GeneratedRegex(@"(?<=[.!?])\s+(?=\p{Lu})")]
    private static partial Regex Split();

    [GeneratedRegex(@"^\s*(?:[-*•]\s+|\d{1,2}[.)]\s+)")]
    private static partial Regex Signs();
}
