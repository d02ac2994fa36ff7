using Kostel.Core.Study.Statements;
using Kostel.Core.Text;

namespace Kostel.Core.Study.Quizzes;

/// <summary>
/// Choices for what a statement ends with: what the lecture ends other statements with, of the same <see cref="EndingForm"/> and about as long, which speaks of something else than the question and the right one.
/// </summary>
/// <param name="endings">What the lecture's statements end with.</param>
/// <param name="words">Tells what is used alike.</param>
internal sealed class WrongEndings(IEnumerable<FactGap> endings, WordKnowledge words)
{
    private const double MostLonger = 1.8, LengthLess = 0.4, SameBefore = 0.3, SameBeginning = 0.2;
    private const int MostWords = 2;

    /// <summary>They stand for what their own sentence names.</summary>
    private static readonly HashSet<string> Pointing = ["he", "she", "his", "her", "him", "it", "its", "they", "them", "their", "this", "these", "that", "those", "one", "ones", "other", "others", "same", "here", "there", "such"];

    private readonly ILookup<EndingForm, FactGap> byForm = endings.Where(e => IsOfOnePiece(e) && !Tokens.Of(e.Missing).Any(Pointing.Contains)).ToLookup(e => EndingForm.Of(e, words.Lexicon));

    /// <summary>Endings that could stand in each other's place as far as their form tells; those of no known role are in none.</summary>
    public IEnumerable<IReadOnlyList<FactGap>> OfOneForm => byForm.Where(f => f.Key.Role != EndingRole.Other).Select(f => f.ToList());

    /// <summary>Whether either of two of one form could be taken for the other.</summary>
    public static bool CanBeMixedUp(FactGap a, FactGap b) => IsAsLong(a.Missing, b.Missing);

    /// <summary>Up to <paramref name="count"/> of them, the ones most alike first.</summary>
    public IReadOnlyList<string> For(FactGap right, int count)
    {
        var taken = Tokens.ContentStems($"{right.Missing} {right.Front}").ToHashSet();
        var chosen = new List<string>();
        var form = EndingForm.Of(right, words.Lexicon);
        if (form.Role == EndingRole.Other)
        {
            return [];
        }

        foreach (var other in byForm[form].DistinctBy(o => o.Missing.ToLowerInvariant()).Where(o => o.Statement.Sentence != right.Statement.Sentence && IsAsLong(o.Missing, right.Missing)).OrderByDescending(o => Plausible(o, right)))
        {
            var stems = Tokens.ContentStems(other.Missing).ToList();
            if (stems.Count > 0 && !stems.Exists(taken.Contains))
            {
                chosen.Add(other.Missing);
                taken.UnionWith(stems);
            }

            if (chosen.Count == count)
            {
                break;
            }
        }

        return chosen;
    }

    /// <summary>"The house | to a daughter" belongs together in its own sentence only.</summary>
    private static bool IsOfOnePiece(FactGap ending) => ending.Run.Count <= 2 || ending.Statement.Grammar?.Root.All().Any(p => p.Parts.Count > 0 && p.First == ending.Run.First && p.End == ending.Run.End) == true;

    private static bool IsAsLong(string a, string b) =>
        Math.Max(a.Length, b.Length) <= (MostLonger * Math.Min(a.Length, b.Length)) + 3 && Math.Abs(a.Count(char.IsWhiteSpace) - b.Count(char.IsWhiteSpace)) <= MostWords;

    private double Plausible(FactGap other, FactGap right) =>
        words.Vectors.Similarity(LastOf(other), LastOf(right)) + (EndingForm.WordBefore(other) == EndingForm.WordBefore(right) ? SameBefore : 0) + (BeginsAlike(other, right) ? SameBeginning : 0) - (LengthLess * Math.Abs(other.Missing.Length - right.Missing.Length) / right.Missing.Length);

    private static bool BeginsAlike(FactGap a, FactGap b) => Tokens.Of(a.Missing)[0] is var first && Tokens.Of(b.Missing)[0] is var other && (first == other || (EndingFeatures.IsArticle(first) && EndingFeatures.IsArticle(other)));

    private static string LastOf(FactGap ending) => Tokens.Of(ending.Missing).LastOrDefault(w => !StopWords.Contains(w)) ?? "";
}
