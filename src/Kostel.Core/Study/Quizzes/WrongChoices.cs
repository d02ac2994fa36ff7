using Kostel.Core.Study.Statements;
using Kostel.Core.Text;

namespace Kostel.Core.Study.Quizzes;

/// <summary>
/// Choices that somebody who half knows would take: things that the same lecture speaks of, of the form and length of the right one, which neither the question nor the right one names; where there are too few, others of its kind.
/// </summary>
/// <remarks>T. Haladyna, S. Downing and M. Rodriguez, "A review of multiple-choice item-writing guidelines", 2002: plausible, alike in length and form, independent of each other.</remarks>
/// <param name="things">What the lecture names.</param>
/// <param name="others">Words of the same kind that it does not use, for where it names too little.</param>
internal sealed class WrongChoices(IReadOnlyList<NamedThing> things, OtherWords others)
{
    private const int MoreWords = 2, Enough = 2;
    private const double Alike = 0.15, MostLonger = 2.2, LengthLess = 0.3, ArticleLess = 0.6;

    /// <summary>With these a name says which only by what was said before.</summary>
    private static readonly HashSet<string> Pointing = ["other", "others", "same", "first", "second", "third", "last", "next", "whole", "own", "former", "latter", "such", "only"];

    private readonly ILookup<(bool, bool, bool), NamedThing> byForm = things.Where(t => !Tokens.Of(t.Name).Any(w => NumberWords.IsNumber(w) || Pointing.Contains(w))).ToLookup(Form);

    /// <summary>Up to <paramref name="count"/> of them in the form in which the right one fills its place, the ones most alike in form first.</summary>
    public IReadOnlyList<string> For(NamedThing right, string question, int count)
    {
        var taken = Tokens.ContentStems($"{right.Name} {question}").ToHashSet();
        var chosen = new List<string>();
        foreach (var (thing, isSaid) in byForm[Form(right)].Where(t => IsAlike(t, right)).OrderByDescending(t => Plausible(t, right)).Select(t => (t, true)).Concat(Beside(right).Select(t => (t, false))))
        {
            var stems = Tokens.ContentStems(thing.Name).ToList();
            if (stems.Count > 0 && !stems.Exists(taken.Contains) && (chosen.Count < Enough || (isSaid && IsArticled(thing, right) && others.Likeness(thing, right) >= Alike)))
            {
                chosen.Add(right.IsArticleOutside || right.Article.Length == 0 ? thing.Name : $"{(right.Article == "the" ? "the" : thing.Article)} {thing.Name}");
                taken.UnionWith(stems);
            }

            if (chosen.Count == count)
            {
                break;
            }
        }

        return chosen;
    }

    /// <summary>Gaps for things that could stand in each other's place as far as their form tells.</summary>
    public static IEnumerable<IReadOnlyList<FactGap>> OfOneForm(IEnumerable<FactGap> gaps) =>
        gaps.Where(g => g.Number is null && !Tokens.Of(g.Missing).Any(w => NumberWords.IsNumber(w) || Pointing.Contains(w))).ToLookup(g => Form(g.Thing)).Select(f => f.ToList());

    /// <summary>Whether either of two of one form could be taken for the other.</summary>
    public static bool CanBeMixedUp(FactGap a, FactGap b) => IsAlike(a.Thing, b.Thing) && IsAlike(b.Thing, a.Thing) && IsArticled(a.Thing, b.Thing) && IsArticled(b.Thing, a.Thing);

    /// <summary>Used alike, as long, and behind the same article.</summary>
    private double Plausible(NamedThing thing, NamedThing right) =>
        others.Likeness(thing, right) - (LengthLess * Math.Abs(thing.Name.Length - right.Name.Length) / right.Name.Length) - (IsArticled(thing, right) ? 0 : ArticleLess);

    /// <summary>Whether its article does not tell it from the right one: anything can be "the" one, but not "a" one.</summary>
    private static bool IsArticled(NamedThing thing, NamedThing right) => right.Article == "the" || thing.Article == right.Article || (right.Article is "a" or "an" && thing.Article is "a" or "an");

    private IEnumerable<NamedThing> Beside(NamedThing right) =>
        others.OfOneKindWith(right.Name).Select(n => new NamedThing(n, right.Article, right.IsArticleOutside)).Select(t => t with { Article = t.Article is "a" or "an" ? (t.BeginsWithVowel ? "an" : "a") : t.Article }).Where(t => Form(t) == Form(right) && IsAlike(t, right));

    /// <summary>Other numbers with the unit of the right one: those of the lecture first, then the usual slips, half and double.</summary>
    public static IReadOnlyList<string> ForNumber(FactGap gap, IEnumerable<Facts.Quantity> others, int count)
    {
        var right = gap.Number!;
        var there = others.Where(q => q.Unit == right.Unit && q.Sentence != right.Sentence && Math.Abs(q.Value - right.Value) > 0.001 && q.WordCount == right.WordCount).DistinctBy(q => q.Value)
            .OrderBy(q => Math.Abs(Math.Log((q.Value + 0.1) / (right.Value + 0.1)))).Select(q => (q.Value, q.Text)).ToList();
        var words = gap.Missing.Split(' ');
        var slips = words.Length == 2 && char.IsDigit(words[0][0]) && right.Value > 0
            ? new[] { right.Value * 2, right.Value / 2, right.Value * 10, right.Value / 10 }.Where(v => v == Math.Floor(v) || v < 10).Select(v => (Value: v, Text: $"{v.ToString("0.##", System.Globalization.CultureInfo.InvariantCulture)} {words[1]}"))
            : [];
        return [.. there.Concat(slips).DistinctBy(q => q.Value).Where(q => Math.Abs(q.Value - right.Value) > 0.001).Take(count).Select(q => q.Text)];
    }

    /// <summary>What is counted stands for what is counted, several for several, names for names: otherwise the form alone tells which is wrong.</summary>
    private static (bool, bool, bool) Form(NamedThing thing) => (thing.Article.Length > 0, thing.IsPlural, char.IsUpper(thing.Name[0]));

    /// <summary>Nearly of the length of the right one, and behind the same article.</summary>
    private static bool IsAlike(NamedThing thing, NamedThing right)
    {
        var (a, b) = (thing.Name, right.Name);
        return (!right.IsArticleOutside || right.Article == "the" || thing.BeginsWithVowel == right.BeginsWithVowel)
            && Math.Abs(a.Count(char.IsWhiteSpace) - b.Count(char.IsWhiteSpace)) <= MoreWords && Math.Max(a.Length, b.Length) <= (MostLonger * Math.Min(a.Length, b.Length)) + 4;
    }
}
