using Kostel.Core.Study.Facts;
using Kostel.Core.Study.Statements;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Quizzes;

/// <summary>Questions that match terms with what they are, and statements with their numbers.</summary>
internal static class MatchQuestions
{
    private const int Fewest = 3, Most = 4, LongestItem = 24;

    /// <summary>Of a long lecture's gaps the worthiest are enough.</summary>
    private const int MostTried = 60;

    /// <summary>Several facts are asked for at once.</summary>
    private const double More = 0.3;

    /// <summary>How likely each gap must be a good one: four in one question fail together.</summary>
    private const double Sure = 0.45;

    /// <summary>Terms and their meanings; null where the lecture defines too few.</summary>
    public static QuestionDraft? OfTerms(IReadOnlyList<Definition> definitions, Random random)
    {
        var pairs = definitions.Where(d => !Tokens.ContentStems(d.Term).Any(Tokens.ContentStems(d.Meaning).Contains) && d.Meaning.Split(' ').Length <= LongestItem).DistinctBy(d => d.Meaning).Take(Most)
            .Select(d => (Item: WordForms.Capital(d.Term), Partner: WordForms.Capital(d.Meaning), Place: Evidence.Of(d.Sentence))).ToList();
        return Draft("What is each of these?", pairs, 1 + More, random);
    }

    /// <summary>Statements and their numbers, by four; none where the lecture has too few.</summary>
    public static IEnumerable<QuestionDraft> OfNumbers(IReadOnlyList<FactGap> gaps, Random random) =>
        gaps.Where(g => g.Number is not null && g.Statement.Before.Count == 0 && g.Front.Split(' ').Length <= LongestItem)
            .OrderByDescending(g => FactGaps.Worth(g.Statement))
            .DistinctBy(g => g.Statement.Sentence)
            .Chunk(Most)
            .Select(chunk => chunk.DistinctBy(g => g.Missing.ToLowerInvariant()).OrderBy(g => g.Statement.Sentence).ToList())
            .Select(few => Draft("Which number belongs in which gap?", few.ConvertAll(g => (g.Front, WordForms.Capital(g.Missing), g.Statement.Source)), few.Select(g => FactGaps.Worth(g.Statement)).DefaultIfEmpty(0).Average() + More, random))
            .OfType<QuestionDraft>();

    /// <summary>Statements and what is missing in them, three or four that could be mixed up; the worthiest first, none twice.</summary>
    /// <param name="gaps">Of one form.</param>
    public static IEnumerable<QuestionDraft> OfGaps(IEnumerable<FactGap> gaps, Func<FactGap, FactGap, bool> canBeMixedUp, Random random)
    {
        var left = gaps.Where(g => g.Chance >= Sure && g.Statement.Before.Count == 0 && g.Front.Split(' ').Length <= LongestItem && Tokens.ContentStems(g.Missing).Any()).OrderByDescending(FactGaps.Worth).Take(MostTried).ToList();
        while (left.Count >= Fewest)
        {
            var few = new List<FactGap>();
            foreach (var gap in left)
            {
                if (few.Count < Most && few.TrueForAll(f => f.Statement.Sentence != gap.Statement.Sentence && !ShareWord(f.Missing, gap.Missing) && canBeMixedUp(f, gap)))
                {
                    few.Add(gap);
                }
            }

            left.RemoveAll(g => g == few[0] || (few.Count >= Fewest && few.Exists(f => f.Statement.Sentence == g.Statement.Sentence)));
            if (Draft("What belongs in which gap?", [.. few.OrderBy(g => g.Statement.Sentence).Select(g => (g.Front, WordForms.Capital(g.Missing), g.Statement.Source))], few.Average(FactGaps.Worth) + More, random) is { } draft)
            {
                yield return draft;
            }
        }
    }

    /// <summary>"The small tank" and "the large tank": which is meant where could be disputed.</summary>
    private static bool ShareWord(string some, string other) => Tokens.ContentStems(some).Intersect(Tokens.ContentStems(other)).Any();

    private static QuestionDraft? Draft(string stem, List<(string Item, string Partner, Evidence Place)> pairs, double worth, Random random)
    {
        if (pairs.Count < Fewest)
        {
            return null;
        }

        var order = Enumerable.Range(0, pairs.Count).ToArray();
        random.Shuffle(order);
        var content = new MatchQuestion(
            stem, [.. pairs.Select(p => p.Item)], [.. order.Select(o => pairs[o].Partner)], [.. pairs.Select((_, i) => Array.IndexOf(order, i))], [.. pairs.Select(p => p.Place)]);
        return new QuestionDraft(content, pairs[0].Place) { Worth = worth };
    }
}
