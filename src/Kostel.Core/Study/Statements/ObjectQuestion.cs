using Kostel.Core.Text;

namespace Kostel.Core.Study.Statements;

/// <summary>A question for what the verb leads to: "The ascending limb pumps salt." asks "What does the ascending limb pump?"</summary>
internal static class ObjectQuestion
{
    private const int LongestRest = 7, LeastLeft = 2;

    private static readonly HashSet<string> Modals = ["can", "may", "must", "should", "will", "would", "could", "might", "cannot"];
    private static readonly HashSet<string> JoinsClauses = ["and", "but", "or", "because", "so", "if", "when", "while", "that", "which", "who", "than", "as", "until", "unless", "where", "it", "they", "them"];

    private static readonly HashSet<string> Leading = ["on", "from", "to", "with", "of", "for", "into", "through"];

    /// <summary>Behind these verbs "what" would ask for something else, or nobody speaks like that.</summary>
    private static readonly HashSet<string> NoObjects = ["become", "weigh", "cost", "last", "go", "come", "stay", "remain", "seem", "look", "feel", "be", "have", "take"];

    /// <summary>The question, or null where the statement is no plain "somebody does something".</summary>
    /// <param name="statement">What is stated.</param>
    /// <param name="missing">The words that are asked for.</param>
    public static string? Of(Statement statement, WordRun missing)
    {
        if (PlainSubject.Of(statement) is not { } subject || missing.First <= subject.End)
        {
            return null;
        }

        var words = statement.Part.Words.Select(w => w.Text).ToList();
        var between = words[(subject.End + 1)..missing.First];
        var rest = words[missing.End..];
        var leaves = statement.Grammar!.ByPlace;
        if (between.Concat(rest).Concat([words[missing.End - 1]]).SkipLast(1).Any(w => !char.IsLetterOrDigit(w[^1])) || rest.Count > LongestRest || between.Concat(rest).Select(Plain).Any(w => JoinsClauses.Contains(w) || w is "not" or "no" or "never")
            || Enumerable.Range(missing.End, rest.Count).Any(i => leaves.TryGetValue(i, out var leaf) && leaf.IsVerb))
        {
            return null;
        }

        var tail = string.Join(' ', rest).TrimEnd('.');
        tail = tail.Length == 0 ? "" : " " + tail;
        var asked = Asked(subject.Words[subject.End], subject.About, [.. subject.Words.Take(subject.End)], [.. between.Select(Plain)], tail, leaves.GetValueOrDefault(subject.End)?.Tag ?? "");
        return asked is not null && Tokens.ContentStems(asked).Distinct().Count() >= LeastLeft ? asked : null;
    }

    private static string? Asked(string verb, string about, List<string> named, List<string> between, string tail, string tag)
    {
        if (Modals.Contains(verb))
        {
            return between is [var does, .. var led] && led.Count <= 1 && led.All(Leading.Contains) && !NoObjects.Contains(does) ? $"What {verb} {about} {string.Join(' ', between)}{tail}?" : null;
        }

        if (WordForms.IsBeing(verb))
        {
            // "is made of", "is called": something is done to it.
            return between is [_, .. var led] && led.Count <= 1 && (between[0].EndsWith("ed", StringComparison.Ordinal) || IrregularForms.IsPast(between[0])) && (led.Count == 1 || between[0] == "called") ? $"What {verb} {about} {string.Join(' ', between)}{tail}?" : null;
        }

        var isMany = named.Contains("and") || (named[^1].EndsWith('s') && !named[^1].EndsWith("ss", StringComparison.Ordinal));
        if (between.Count > 1 || tag.StartsWith("v-d", StringComparison.Ordinal) || !tag.StartsWith('v') || Plainly(verb, isMany) is not { } plain || NoObjects.Contains(plain))
        {
            return null;
        }

        return between.TrueForAll(Leading.Contains) ? $"What {(isMany ? "do" : "does")} {about} {string.Join(' ', between.Prepend(plain))}{tail}?" : null;
    }

    /// <summary>The verb behind "does" or "do"; null where its form does not go with what it is said of.</summary>
    private static string? Plainly(string verb, bool isMany) =>
        isMany ? verb.EndsWith('s') && !verb.EndsWith("ss", StringComparison.Ordinal) || verb.EndsWith("ed", StringComparison.Ordinal) || IrregularForms.BaseOf(verb) != verb ? null : verb
        : !verb.EndsWith('s') || verb.EndsWith("ss", StringComparison.Ordinal) ? null
        : VerbForms.FromThirdPerson(verb);

    private static string Plain(string word) => word.ToLowerInvariant().Trim(',', '.', ';', ':');
}
