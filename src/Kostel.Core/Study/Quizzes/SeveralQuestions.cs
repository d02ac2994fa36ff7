using System.Text.RegularExpressions;
using Kostel.Core.Answers;
using Kostel.Core.Answers.Forms;
using Kostel.Core.Grammar;
using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Statements;
using Kostel.Core.Text;

namespace Kostel.Core.Study.Quizzes;

/// <summary>Questions of which several choices are right: the things that a statement tells one after the other, among others that it does not.</summary>
internal static partial class SeveralQuestions
{
    private const int MostRight = 4, Wrong = 2, LongestItem = 4, LeastLeft = 2;
    private const double More = 0.1;

    /// <summary>The question of a statement, or null.</summary>
    public static QuestionDraft? Of(Statement statement, WrongChoices wrong, Random random)
    {
        var text = statement.Part.Text;
        var parts = Enumerations.In(text);
        if (parts.Count is < 3 or > MostRight || statement.Before.Count > 0)
        {
            return null;
        }

        var items = parts.Select(p => text[p.From..p.To].Trim(' ', ',', '.')).ToList();
        if (statement.Grammar is not { IsWhole: true } grammar || !Joined().IsMatch(text[parts[^2].From..parts[^1].To]) || Joined().Count(text[parts[0].From..parts[^1].To]) > 1 || AnyVerb(grammar, text, parts))
        {
            return null;
        }

        var stem = string.Concat(text.AsSpan(0, parts[0].From), CardContent.Gap, text.AsSpan(parts[^1].To));
        var others = wrong.For(NamedThing.Of(items.MaxBy(i => i.Length)!, ""), text, Wrong);
        if (others.Count < Wrong || items.Exists(i => i.Split(' ').Length > LongestItem || Tokens.ContentStems(i).Count == 0) || Tokens.ContentStems(stem).Distinct().Count() < LeastLeft)
        {
            return null;
        }

        var choices = items.Concat(others.Select(WordForms.Small)).ToArray();
        random.Shuffle(choices);
        return new QuestionDraft(
            new SeveralQuestion($"Which of these belong in the gap? Choose all that do. {stem}", [.. choices.Select(WordForms.Capital)], [.. Enumerable.Range(0, choices.Length).Where(i => items.Contains(choices[i]))]), statement.Source)
        {
            Worth = FactGaps.Worth(statement) + More,
        };
    }

    /// <summary>Clauses that stand side by side are no things.</summary>
    private static bool AnyVerb(SentenceGrammar grammar, string text, IReadOnlyList<QuotePart> parts)
    {
        var (first, end) = (text[..parts[0].From].Count(char.IsWhiteSpace), text[..parts[^1].To].Count(char.IsWhiteSpace) + 1);
        return grammar.Root.Leaves().Any(l => l.First >= first && l.First < end && (l.IsVerb || l.Tag.StartsWith('e') || l.Tag is "g"));
    }

    [GeneratedRegex(@"\b(?:and|or)\b")]
    private static partial Regex Joined();
}
