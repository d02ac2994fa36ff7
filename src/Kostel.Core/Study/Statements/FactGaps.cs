using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Facts;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Statements;

/// <summary>A statement without the words that it is for.</summary>
/// <param name="Front">The statement with a gap, behind what it leans on.</param>
/// <param name="Missing">What belongs there, as it was said.</param>
/// <param name="Number">The number that it is; null for a phrase.</param>
internal sealed record FactGap(Statement Statement, string Front, string Missing, Quantity? Number)
{
    /// <summary>A thing, as it could fill a gap: with its article, be it in the gap or before it, and without.</summary>
    public NamedThing Thing => NamedThing.Of(Missing, Tokens.Of(Front[..Math.Max(0, Front.IndexOf(CardContent.Gap, StringComparison.Ordinal))]).LastOrDefault() ?? "");

    /// <summary>A card that asks for it.</summary>
    public CardDraft Card => Question is null
        ? new(new GapCard(Front, WordForms.Capital(Missing) + "."), Statement.Source)
        : CardDraft.Asking(Question, WordForms.Capital(Missing) + ".", Statement.Source);

    /// <summary>The same as a question, where it is what something is stated of; null where no plain one can be formed.</summary>
    public string? Question { get; init; }
}

/// <summary>
/// What to ask for in statements that are worth knowing: their number, or the phrase that says what is new in them. A statement that leans on the one before it brings that along.
/// </summary>
internal sealed class FactGaps(IReadOnlyList<Sentence> sentences, IReadOnlyList<Chapter> chapters)
{
    private const int Shortest = 5, Longest = 34, OftenEnough = 2, Often = 4, MostQuantities = 2, LeastLeft = 2, LongestGap = 6;

    /// <summary>A statement that is less likely to be worth knowing makes none.</summary>
    private const double LeastWorth = 0.2, OwnShare = 0.5;

    /// <summary>What is asked for is rather of the matter than of what is said besides (judgements).</summary>
    private const double BesidesLess = 0.8, OfTheMatter = 0.4;

    private static readonly HashSet<string> PointsAway =
    [
        "he", "she", "his", "her", "tonight", "today", "yesterday", "tomorrow", "here", "example", "above", "let's", "let", "we'll", "everybody", "please", "welcome", "thank", "thanks", "slide", "lecture",
        "imagine", "picture", "suppose", "someone", "somebody",
    ];

    /// <summary>With these the speaker tells of himself: understood, but rarely what is to be learned.</summary>
    private static readonly HashSet<string> OfTheSpeaker = ["i", "my", "me", "i'm", "i've", "i'll", "i'd", "mine", "myself"];

    private static readonly HashSet<string> PointingOpeners = ["that", "such", "there", "so", "also", "what", "who", "why", "how", "which", "same", "it", "they"];

    /// <summary>Words that say nothing by themselves: a gap that holds no other asks for nothing.</summary>
    private static readonly HashSet<string> Vague =
    [
        "one", "ones", "thing", "things", "lot", "answer", "question", "way", "ways", "time", "times", "it", "they", "them", "you", "we", "us", "that", "this", "something", "anything", "nothing", "everything", "other", "others", "more", "less", "much", "many",
        "some", "all", "both", "cent", "rule", "example", "reason", "case", "problem", "matter", "each", "same", "too", "very", "good", "bad", "bit", "kind", "kinds", "sort", "part", "parts", "words", "questions", "points", "reasons", "people", "place", "yourself", "itself", "themselves", "here", "there", "what", "whatever", "who", "i", "me", "he", "she", "his", "her", "its", "their", "your",
    ];

    private static readonly HashSet<string> Owners = ["its", "their"];

    /// <summary>Behind these a phrase is a thing and neither a verb nor a quality.</summary>
    private static readonly HashSet<string> BeforeThings = ["a", "an", "the", "of", "in", "with", "on", "from", "by", "for", "each", "every", "into", "without", "between"];

    private readonly bool[] isOfCourse = [.. FactFeatures.Of(sentences, chapters).Select((f, i) => FactFeatures.IsOfCourse(f) || FactFeatures.Greets(sentences[i].Text))];
    private readonly Dictionary<string, PhraseUse> phrases = KeyPhrases.Count(sentences);
    private readonly Dictionary<string, int> spoken = sentences.SelectMany(s => Tokens.ContentStems(s.Text).Distinct()).GroupBy(w => w).ToDictionary(g => g.Key, g => g.Count());
    private PhraseIndex? said;

    /// <summary>Whether a sentence speaks of the course and not of its matter.</summary>
    public bool IsOfCourse(int sentence) => isOfCourse[sentence];

    /// <summary>The gap of a statement; null where it is not worth one, or cannot be understood by itself.</summary>
    public FactGap? Of(Statement statement)
    {
        if (!CanBeAsked(statement))
        {
            return null;
        }

        return WithoutNumber(statement.Part) is var (rest, number)
            ? new FactGap(statement, Asides.Without(statement.Context + rest), number.Text, number)
            : (WithoutPhrase(statement) ?? WithoutTerm(statement.Part)) is var (left, missing)
                ? new FactGap(statement, Asides.Without(statement.Context + left), missing, null) { Question = statement.Before.Count == 0 ? SubjectQuestion.Of(statement, missing) : null }
                : null;
    }

    /// <summary>Whether a statement is worth asking about and can be understood by itself.</summary>
    public bool CanBeAsked(Statement statement) => statement.Worth >= LeastWorth && !isOfCourse[statement.Sentence] && !statement.IsIllFormed && IsUnderstood(statement);

    /// <summary>What asking for it is worth: what the speaker tells of himself, less.</summary>
    public static double Worth(Statement statement) => statement.Worth * (Tokens.Of(statement.Part.Text).Any(OfTheSpeaker.Contains) ? OwnShare : 1);

    private static bool IsUnderstood(Statement statement)
    {
        var words = Tokens.Of(statement.Part.Text);
        return words.Count is >= Shortest and <= Longest && !QuotableSentence.BreaksOff(words) && !words.Any(PointsAway.Contains) && !statement.Before.SelectMany(b => Tokens.Of(b.Text)).Any(w => PointsAway.Contains(w))
            && (statement.Before.Count > 0 || !PointingOpeners.Contains(words[0]));
    }

    private static (string Left, Quantity Number)? WithoutNumber(Sentence part)
    {
        var quantities = Quantities.Find(part).ToList();
        if (quantities.Count is 0 or > MostQuantities || !quantities.TrueForAll(StatementCards.IsSure))
        {
            return null;
        }

        var asked = quantities[^1];
        if (asked.FirstWord > 0 && Tokens.Of(part.Words[asked.FirstWord - 1].Text).Any(w => w == "and" || NumberWords.IsNumber(w)))
        {
            // "A hundred and twenty" was read as two numbers.
            return null;
        }

        var left = StatementCards.Without(asked);
        return Tokens.ContentStems(left).Distinct().Count() < LeastLeft || Vague.Contains(Tokens.Of(asked.Text)[^1]) ? null : (left, asked);
    }

    /// <summary>Without what the verb leads to, or what it is stated of: whichever of them the rest does not give away.</summary>
    private (string Left, string Missing)? WithoutPhrase(Statement statement)
    {
        if (statement.Grammar is not { IsWhole: true } grammar)
        {
            return null;
        }

        var clause = MainClause.Of(grammar);
        var runs = clause is null ? [] : clause.Complements.Reverse().Prepend(clause.Subject);
        return runs.Concat(MainClause.Things(grammar).Reverse()).Distinct()
            .Select(run => (Run: run, Gap: Without(statement.Part, run)))
            .Where(g => g.Gap is not null)
            .OrderByDescending(g => Asked(g.Gap!.Value.Missing, g.Run == clause?.Subject) - (g.Run.First >= MainPart(statement.Part) ? BesidesLess : 0))
            .Select(g => g.Gap)
            .FirstOrDefault();
    }

    /// <summary>How much it is worth asking for a phrase: a term that the lecture defines, what is said of something before the thing itself, but no word that the lecture is about and that anybody would fill in.</summary>
    private double Asked(string phrase, bool isSubject)
    {
        var use = phrases.GetValueOrDefault(string.Join(' ', Tokens.Of(phrase).SkipWhile(w => w is "a" or "an" or "the")));
        var stems = Tokens.ContentStems(phrase);
        return (use is { IsDefined: true } ? 1.5 : use is { Count: >= Often } ? -0.5 : 0) + (isSubject ? 0 : 1) + (Math.Min(3, stems.Count) * 0.2) + (stems.Any(w => spoken.GetValueOrDefault(w) >= OftenEnough) ? OfTheMatter : 0);
    }

    /// <summary>Where what is said besides begins: the reason, the consequence, the picture.</summary>
    private static int MainPart(Sentence part)
    {
        for (var at = 2; at < part.Words.Count; at++)
        {
            if (part.Words[at - 1].Text[^1] == ',' && Tokens.Of(part.Words[at].Text) is ["so" or "which" or "because" or "since" or "like" or "just" or "otherwise" or "as" or "and" or "the" or "it" or "that"])
            {
                return at;
            }
        }

        return part.Words.Count;
    }

    private static (string Left, string Missing)? Without(Sentence part, WordRun run)
    {
        if (Tokens.Of(part.Words[run.First].Text) is [var owner] && (owner is "your" or "my" or "our"))
        {
            // "You pour your tea": nobody needs to know that it was tea.
            return null;
        }

        if (run.Count > 1 && Tokens.Of(part.Words[run.First].Text) is [var its] && Owners.Contains(its))
        {
            run = run with { First = run.First + 1 };
        }

        if (run.First > 0 && Tokens.Of(part.Words[run.First].Text).Any(NumberWords.IsNumber) && Tokens.Of(part.Words[run.First - 1].Text).Any(w => w == "and" || NumberWords.IsNumber(w)))
        {
            // Half of a number.
            return null;
        }

        var missing = string.Join(' ', part.Words.Skip(run.First).Take(run.Count).Select(w => w.Text)).TrimEnd('.', ',', ';', ':');
        var words = Tokens.Of(missing);
        if (words.Count is 0 or > LongestGap || missing.Contains(',') || !IsPhrase(words) || IsVague(words))
        {
            return null;
        }

        var close = part.Words[run.End - 1].Text;
        var left = string.Join(' ', part.Words.Take(run.First).Select(w => w.Text).Append(CardContent.Gap + (close[^1] is '.' or ',' or ';' or ':' ? close[^1].ToString() : "")).Concat(part.Words.Skip(run.End).Select(w => w.Text)));
        var kept = Tokens.ContentStems(left).ToHashSet();
        return kept.Count < LeastLeft || Tokens.ContentStems(missing).Any(kept.Contains) ? null : (left, run.First == 0 ? WordForms.Small(missing) : missing);
    }

    /// <summary>No clause, no comparison, and nothing that begins in the middle of a longer phrase.</summary>
    private static bool IsPhrase(IReadOnlyList<string> words) =>
        !words.Any(w => w is "that" or "which" or "who" or "as" or "but" or "not" or "no" or "than") && !(words.Count < 3 && words.Contains("and"))
        && (words[0] is "a" or "an" or "the" || !BeforeThings.Contains(words[0])) && !words[^1].EndsWith("'s", StringComparison.Ordinal) && !words[0].StartsWith("here'", StringComparison.Ordinal);

    private static bool IsVague(IReadOnlyList<string> words) => Vague.Contains(words[0]) || Vague.Contains(words[^1]) || words.All(w => Vague.Contains(w) || StopWords.Contains(w));

    private static bool IsThing(string text, string phrase) =>
        !Tokens.Of(phrase).Any(w => Vague.Contains(w) || w is "low" or "high") && Tokens.Of(text[..text.IndexOf(phrase, StringComparison.Ordinal)]).LastOrDefault() is { } before && BeforeThings.Contains(before);

    /// <summary>Where no grammar tells what is a phrase: without a term that the lecture defines or speaks of again and again.</summary>
    private (string Left, string Missing)? WithoutTerm(Sentence part)
    {
        var text = part.Text;
        var lower = text.ToLowerInvariant();
        said ??= new PhraseIndex(phrases.Where(p => p.Value.IsDefined || p.Value.Count >= (p.Key.Contains(' ') ? OftenEnough : Often)));
        var phrase = said.WithFirstWordIn(lower).Where(p => GapCards.IsOnceIn(lower, p.Key) && IsThing(lower, p.Key))
            .OrderByDescending(p => p.Value.IsDefined).ThenByDescending(p => p.Key.Count(char.IsWhiteSpace)).ThenByDescending(p => p.Value.Count).Select(p => p.Key).FirstOrDefault();
        if (phrase is null)
        {
            return null;
        }

        var at = lower.IndexOf(phrase, StringComparison.Ordinal);
        var left = text[..at] + CardContent.Gap + text[(at + phrase.Length)..];
        return Tokens.ContentStems(left).Distinct().Count() < LeastLeft ? null : (left, phrase);
    }
}
