using System.Text.RegularExpressions;
using Kostel.Core.Study.Facts;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Quizzes;

/// <summary>Questions that ask for an order which the lecturer told as one: "First …", "Then …", "Last …".</summary>
internal static partial class OrderQuestions
{
    private const int Fewest = 3, Most = 5, FarthestApart = 3, Longest = 18, Shortest = 3;
    private const double Worth = 1;

    /// <summary>One for each such order.</summary>
    public static IEnumerable<QuestionDraft> Of(IReadOnlyList<Sentence> sentences, IReadOnlyList<Chapter> chapters, Func<int, bool> isOfCourse, Random random)
    {
        var steps = new List<int>();
        foreach (var i in Enumerable.Range(0, sentences.Count).Where(i => Step().IsMatch(sentences[i].Text) && !isOfCourse(i)))
        {
            if (steps.Count > 0 && (i - steps[^1] > FarthestApart || ChapterOf(i) != ChapterOf(steps[^1]) || First().IsMatch(sentences[i].Text)))
            {
                if (Draft() is { } draft)
                {
                    yield return draft;
                }

                steps.Clear();
            }

            steps.Add(i);
        }

        if (Draft() is { } last)
        {
            yield return last;
        }

        int ChapterOf(int i) => chapters.TakeWhile(c => c.EndMs <= sentences[i].StartMs).Count();

        QuestionDraft? Draft()
        {
            var items = steps.Take(Most).Select(i => (Text: Item(sentences[i]), Place: Evidence.Of(sentences[i]))).ToList();
            if (items.Count < Fewest || !First().IsMatch(sentences[steps[0]].Text) || items.Exists(s => s.Text is null) || !steps.Take(Most).All(i => QuotableSentence.IsHeardWell(sentences[i])))
            {
                return null;
            }

            var order = Enumerable.Range(0, items.Count).ToArray();
            random.Shuffle(order);
            if (order.SequenceEqual(Enumerable.Range(0, order.Length)))
            {
                // What stands in its order already would have to be left as it is, which looks like no answer.
                Array.Reverse(order);
            }

            return new QuestionDraft(
                new OrderQuestion("Put these into their order.", [.. order.Select(o => items[o].Text!)], [.. items.Select((_, i) => Array.IndexOf(order, i))]),
                new Evidence(items[0].Place.PassageId, items[0].Place.StartMs, items[^1].Place.EndMs, string.Join(' ', sentences.Skip(steps[0]).Take(steps[items.Count - 1] - steps[0] + 1).Select(s => s.Text))))
            { Worth = Worth };
        }
    }

    /// <summary>The step without the word that gives its place away; null where it is none by itself.</summary>
    private static string? Item(Sentence sentence)
    {
        var text = WordForms.Capital(Step().Replace(sentence.Text, "").TrimEnd('.', '?', '!'));
        var words = Tokens.Of(text);
        return words.Count is >= Shortest and <= Longest && words[0] is not ("that" or "it" or "they" or "there" or "which" or "one") && !words.Any(w => w is "first" or "second" or "third" or "last" or "next") ? text : null;
    }

    private const string Lead = @"^(?:(?:and|so|but|okay|well|right|now),? )*";

    private const string Places = "first(?:ly)?|second(?:ly)?|third(?:ly)?|fourth|then|next|after that|afterwards|finally|last(?:ly)?(?: of all)?";

    [GeneratedRegex($"{Lead}(?:{Places}),? (?:comes? )?", RegexOptions.IgnoreCase)]
    private static partial Regex Step();

    [GeneratedRegex(Lead + @"first", RegexOptions.IgnoreCase)]
    private static partial Regex First();
}
