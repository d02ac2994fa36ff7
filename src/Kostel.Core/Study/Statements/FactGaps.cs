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

    /// <summary>The words of the statement that are missing.</summary>
    public required WordRun Run { get; init; }

    /// <summary>How likely it asks for something that can be known from the lecture and is worth it, from 0 to 1.</summary>
    public double Chance { get; init; }
}

/// <summary>
/// What to ask for in statements that are worth knowing: their number, or the phrase that says what is new in them. A statement that leans on the one before it brings that along.
/// </summary>
internal sealed class FactGaps
{
    private const int Shortest = 5, Longest = 34, OftenEnough = 2, Often = 4, MostQuantities = 2, LeastCounted = 3, FarEnough = 6, LeastLeft = 2, LongestGap = 6;

    /// <summary>A statement that is less likely to be worth knowing makes none.</summary>
    private const double LeastWorth = 0.2, OwnShare = 0.5, MostlyVerb = 0.4;

    /// <summary>So many words of English are in everybody's mouth (common practice, no source).</summary>
    private const int Common = 3000;

    /// <summary>A gap that is less likely to be a good one is not asked: below it hardly one in ten was, of those that were judged.</summary>
    private const double LeastChance = 0.2;

    private static readonly HashSet<string> PointsAway =
    [
        "tonight", "today", "yesterday", "tomorrow", "here", "example", "above", "let's", "we'll", "everybody", "please", "welcome", "thank", "thanks", "slide", "lecture",
        "imagine", "picture", "suppose", "someone", "somebody", "somewhere",
    ];

    /// <summary>Whom these stand for is said before, unless it is far enough from the beginning to be said in the sentence itself.</summary>
    private static readonly HashSet<string> Persons = ["he", "she", "his", "her"];

    /// <summary>With these the speaker tells of himself: understood, but rarely what is to be learned.</summary>
    private static readonly HashSet<string> OfTheSpeaker = ["i", "my", "me", "i'm", "i've", "i'll", "i'd", "mine", "myself"];

    private static readonly HashSet<string> PointingOpeners = ["that", "such", "there", "next", "so", "also", "who", "why", "how", "which", "same", "it", "they"];

    /// <summary>Words that say nothing by themselves: a gap that holds no other asks for nothing.</summary>
    private static readonly HashSet<string> Vague =
    [
        "one", "ones", "thing", "things", "lot", "answer", "question", "way", "ways", "time", "times", "it", "they", "them", "you", "we", "us", "that", "this", "something", "anything", "nothing", "everything", "other", "others", "more", "less", "much", "many",
        "some", "all", "both", "cent", "rule", "example", "reason", "case", "problem", "matter", "each", "same", "too", "very", "good", "bad", "bit", "kind", "kinds", "sort", "part", "parts", "words", "questions", "points", "reasons", "people", "place", "yourself", "itself", "themselves", "here", "there", "what", "whatever", "who", "order", "spite", "favour", "front", "opposite", "reverse", "rest", "latter", "former", "exception", "difference", "first", "second", "third", "last", "next", "number", "numbers", "name", "names", "seconds", "minutes", "hours", "days", "weeks", "months", "years", "fact", "moment", "hand", "side", "end", "means", "i", "me", "he", "she", "his", "her", "its", "their", "your",
    ];

    private static readonly HashSet<string> Owners = ["its", "their"];

    /// <summary>Behind these a phrase is a thing and neither a verb nor a quality.</summary>
    private static readonly HashSet<string> BeforeThings = ["a", "an", "the", "of", "in", "with", "on", "from", "by", "for", "each", "every", "into", "without", "between"];

    private readonly WordKnowledge words;
    private readonly bool[] isOfCourse;
    private readonly Dictionary<string, PhraseUse> phrases;
    private readonly Dictionary<string, int> spoken;
    private readonly GapFeatures features;
    private PhraseIndex? said;

    /// <summary>The gaps of a lecture.</summary>
    /// <param name="sentences">All of it, in order.</param>
    /// <param name="chapters">Its chapters; none is allowed.</param>
    /// <param name="words">What is known of English words.</param>
    public FactGaps(IReadOnlyList<Sentence> sentences, IReadOnlyList<Chapter> chapters, WordKnowledge words)
    {
        var counted = FactFeatures.Of(sentences, chapters);
        this.words = words;
        isOfCourse = [.. counted.Select((f, i) => FactFeatures.IsOfCourse(f) || FactFeatures.Greets(sentences[i].Text))];
        phrases = KeyPhrases.Count(sentences);
        spoken = sentences.SelectMany(s => Tokens.ContentStems(s.Text).Distinct()).GroupBy(w => w).ToDictionary(g => g.Key, g => g.Count());
        features = new GapFeatures(counted, phrases, spoken, words);
    }

    /// <summary>What tells whether a gap is a good one.</summary>
    public double[] FeaturesOf(FactGap gap) => features.Of(gap);

    /// <summary>Whether a sentence speaks of the course and not of its matter.</summary>
    public bool IsOfCourse(int sentence) => isOfCourse[sentence];

    /// <summary>The best gap of a statement; null where none is good enough, or it cannot be understood by itself.</summary>
    public FactGap? Of(Statement statement) => Good(All(statement)).FirstOrDefault();

    /// <summary>Those of several that are good enough, the best first.</summary>
    public static IEnumerable<FactGap> Good(IEnumerable<FactGap> gaps) => gaps.Where(g => g.Chance >= LeastChance).OrderByDescending(g => g.Chance);

    /// <summary>Every gap that a statement could have.</summary>
    public IReadOnlyList<FactGap> All(Statement statement)
    {
        if (!CanBeAsked(statement))
        {
            return [];
        }

        var phrase = WithoutPhrase(statement, Tokens.ContentStems(statement.Context).ToHashSet()).ToList();
        IEnumerable<FactGap> all = phrase.Select(p => new FactGap(statement, Asides.Without(statement.Context + p.Left), p.Missing, null) { Run = p.Run, Question = Question(p) });
        if (WithoutNumber(statement.Part) is var (rest, number) && !IsSaid(statement.Context, number.Text))
        {
            all = all.Prepend(new FactGap(statement, Asides.Without(statement.Context + rest), number.Text, number) { Run = new WordRun(number.FirstWord, number.FirstWord + number.WordCount) });
        }

        if (phrase.Count == 0 && WithoutTerm(statement.Part) is var (left, missing))
        {
            var first = Tokens.Of(statement.Part.Text[..statement.Part.Text.IndexOf(missing, StringComparison.OrdinalIgnoreCase)]).Count;
            all = all.Append(new FactGap(statement, Asides.Without(statement.Context + left), missing, null) { Run = new WordRun(first, first + Tokens.Of(missing).Count) });
        }

        return all.Select(g => g with { Chance = features.Chance(g) }).ToList();

        string? Question(LeftOut phrase) => statement.Before.Count > 0 ? null : SubjectQuestion.Of(statement, phrase.Missing) ?? ObjectQuestion.Of(statement, phrase.Run);
    }

    /// <summary>Whether a statement is worth asking about and can be understood by itself.</summary>
    public bool CanBeAsked(Statement statement) => statement.Worth >= LeastWorth && !isOfCourse[statement.Sentence] && !statement.IsIllFormed && IsUnderstood(statement);

    /// <summary>What asking with a gap is worth.</summary>
    public static double Worth(FactGap gap) => gap.Chance * Math.Sqrt(Worth(gap.Statement));

    /// <summary>What asking for a statement is worth: what the speaker tells of himself, less.</summary>
    public static double Worth(Statement statement) => statement.Worth * (Tokens.Of(statement.Part.Text).Any(OfTheSpeaker.Contains) ? OwnShare : 1);

    private static bool IsUnderstood(Statement statement)
    {
        var words = Tokens.Of(Asides.Without(statement.Part.Text));
        var standsAlone = statement.Before.Count > 0 || !PointingOpeners.Contains(words[0]) || words is ["there", "is" or "are" or "was" or "were", ..];
        return words.Count is >= Shortest and <= Longest
            && standsAlone
            && !QuotableSentence.BreaksOff(words)
            && !statement.Part.Words[0].Text.EndsWith(':')
            && StandingAlone.HasVerb(statement.Part, statement.Grammar)
            && !StandingAlone.IsFragment(statement.Part, statement.Grammar)
            && !StandingAlone.IsTalk(statement.Context + statement.Part.Text)
            && !IsOwnTale(words)
            && !words.Any(PointsAway.Contains)
            && !words.Take(FarEnough).Any(Persons.Contains)
            && words is not ["let", "me" or "us", ..]
            && statement.Before.Select(b => Tokens.Of(b.Text)).All(b => b is not (["because", ..] or [_, "thing", ..]) && !b.Any(PointsAway.Contains) && !b.Take(FarEnough).Any(Persons.Contains) && !IsOwnTale(b));
    }

    /// <summary>What the speaker did once; "if I go to a quarter of the scale" is a rule.</summary>
    private static bool IsOwnTale(IReadOnlyList<string> words) => words.Any(OfTheSpeaker.Contains) && words is not ["if" or "when" or "suppose" or "whenever", "i", ..];

    private static (string Left, Quantity Number)? WithoutNumber(Sentence part)
    {
        // Of many numbers those are what is measured.
        var all = Quantities.Find(part).ToList();
        var quantities = all.Count > MostQuantities || all.Exists(q => !Quantities.IsMeasured(q)) && all.Exists(Quantities.IsMeasured) ? all.FindAll(Quantities.IsMeasured) : all;
        if (quantities.Count is 0 or > MostQuantities || !quantities.TrueForAll(StatementCards.IsSure))
        {
            return null;
        }

        var asked = quantities[^1];
        if (asked.FirstWord > 0 && Tokens.Of(part.Words[asked.FirstWord - 1].Text).Any(w => w == "and" || NumberWords.IsNumber(w)))
        {
            // "Between five and ten": half of what is said.
            return null;
        }

        var isOfKnown = asked.FirstWord > 0 && Tokens.Of(part.Words[asked.FirstWord - 1].Text) is ["the" or "these" or "those" or "our" or "your"];
        if (!Quantities.IsMeasured(asked) && (isOfKnown || (asked.Value < LeastCounted && !asked.Text.Contains(" or ", StringComparison.Ordinal))))
        {
            // "Two keys", "the three intervals": rather which ones than how many there are.
            return null;
        }

        var left = StatementCards.Without(asked);
        return Tokens.ContentStems(left).Distinct().Count() < LeastLeft || IsSaid(left, asked.Text) || (!Quantities.IsMeasured(asked) && Vague.Contains(Tokens.Of(asked.Text)[^1])) ? null : (left, asked);
    }

    /// <summary>Whether a text gives the words away that are asked for.</summary>
    private static bool IsSaid(string text, string words) => $" {string.Join(' ', Tokens.Of(text))} ".Contains($" {string.Join(' ', Tokens.Of(words))} ", StringComparison.Ordinal);

    /// <summary>Without what the verb leads to, what it is stated of, or another thing that is named, where the rest does not give it away.</summary>
    private IEnumerable<LeftOut> WithoutPhrase(Statement statement, HashSet<string> told)
    {
        if (statement.Grammar is not { IsWhole: true } grammar)
        {
            return [];
        }

        var clause = MainClause.Of(grammar);
        var runs = clause is null ? [] : clause.Complements.Reverse().Prepend(clause.Subject);
        return runs.Concat(MainClause.Things(grammar).Reverse()).Distinct()
            .Select(run => (Run: run, Gap: Without(statement.Part, run == clause?.Subject ? run : WholePhrase.Of(grammar, statement.Part, run))))
            .Where(g => g.Gap is { } gap && !IsWellKnown(gap.Missing) && !IsVerb(gap.Missing) && !(g.Run == clause?.Subject && IsPointedAt(gap.Missing)) && !(told.Count > 0 && Tokens.ContentStems(gap.Missing).All(told.Contains)))
            .Where(g => !IsPicture(statement.Part, g.Run) && !IsOfReason(statement.Part, g.Run))
            .Select(g => g.Gap!)
            .DistinctBy(g => g.Missing);
    }

    /// <summary>Words without those that are asked for.</summary>
    private sealed record LeftOut(string Left, string Missing, WordRun Run);

    /// <summary>A single word that everybody knows, and that the lecture does not define.</summary>
    private bool IsCommon(string phrase) => WithoutArticle(phrase) is var word && !word.Contains(' ') && !(phrases.GetValueOrDefault(word) is { IsDefined: true }) && (words.Vectors.Count == 0 || words.Vectors.PlaceOf(word) is >= 0 and < Common);

    /// <summary>What the lecture speaks of all the time, by one common word: anybody fills that in.</summary>
    private bool IsWellKnown(string phrase) => IsCommon(phrase) && Tokens.ContentStems(phrase).Any(w => spoken.GetValueOrDefault(w) >= Often);

    /// <summary>"Ten decibels sound …": a word alone that is a verb more often than a thing.</summary>
    private bool IsVerb(string phrase) => !phrase.Contains(' ') && words.Lexicon.KindsOf(phrase.ToLowerInvariant()).VerbShare > MostlyVerb;

    /// <summary>"The door", "the list": a thing that was spoken of, by a word that everybody uses; who was not there cannot know which.</summary>
    private bool IsPointedAt(string phrase) => phrase.StartsWith("the ", StringComparison.OrdinalIgnoreCase) && words.Vectors.Count > 0 && IsCommon(phrase);

    /// <summary>Behind ", which", ", like": said besides, and of little use without the rest.</summary>
    private static bool IsPicture(Sentence part, WordRun run) => MainPart(part) is var main && run.First >= main && main < part.Words.Count && Tokens.Of(part.Words[main].Text) is ["which" or "like" or "just" or "as" or "it" or "that"];

    /// <summary>What a reason is told with: rather the reason is asked for, or nothing.</summary>
    private static bool IsOfReason(Sentence part, WordRun run) => MainPart(part) is var main && run.First >= main && main < part.Words.Count && Tokens.Of(part.Words[main].Text) is ["because" or "since"];

    private static string WithoutArticle(string phrase) => string.Join(' ', Tokens.Of(phrase).SkipWhile(w => w is "a" or "an" or "the"));

    /// <summary>Where what is said besides begins: the reason, the consequence, the picture.</summary>
    internal static int MainPart(Sentence part)
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

    private static LeftOut? Without(Sentence part, WordRun run)
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

        if (Tokens.Of(part.Words[run.First].Text).Any(NumberWords.IsNumber) || IsAside(part, run))
        {
            // "Two limbs": how many is given away by what is asked for, or is half of a number.
            return null;
        }

        var missing = string.Join(' ', part.Words.Skip(run.First).Take(run.Count).Select(w => w.Text)).TrimEnd('.', ',', ';', ':');
        var words = Tokens.Of(missing);
        if (words.Count is 0 or > LongestGap || words.Contains("sake") || words[0] is "let" || run.End < part.Words.Count && Tokens.Of(part.Words[run.End].Text) is ["per"] || part.Words[run.End - 1].Text.EndsWith(':') || missing.Contains(',') || !IsPhrase(words) || IsVague(words))
        {
            return null;
        }

        if (run.First > 0 && Tokens.Of(part.Words[run.First - 1].Text) is ["they" or "we" or "he" or "she" or "i" or "who"])
        {
            // "They reach places": the grammar took the verb for a thing.
            return null;
        }

        var close = part.Words[run.End - 1].Text;
        var left = string.Join(' ', part.Words.Take(run.First).Select(w => w.Text).Append(CardContent.Gap + (close[^1] is '.' or ',' or ';' or ':' ? close[^1].ToString() : "")).Concat(part.Words.Skip(run.End).Select(w => w.Text)));
        var kept = Tokens.ContentStems(left).ToHashSet();
        return kept.Count < LeastLeft || Tokens.ContentStems(missing).Any(kept.Contains) ? null : new LeftOut(left, run.First == 0 ? WordForms.Small(missing) : missing, run);
    }

    /// <summary>Put in between commas, by itself or in a clause of its own: not what the sentence states.</summary>
    private static bool IsAside(Sentence part, WordRun run)
    {
        var words = part.Words;
        if (run.First > 0 && words[run.First - 1].Text.EndsWith(',') && words[run.End - 1].Text.EndsWith(','))
        {
            return true;
        }

        var opens = Enumerable.Range(1, run.First).LastOrDefault(i => i < run.First && words[i - 1].Text.EndsWith(',') && Tokens.Of(words[i].Text) is ["who" or "which" or "whose" or "where"], -1);
        return opens > 0 && !words.Skip(opens).Take(run.First - opens).Any(w => w.Text.EndsWith(',')) && words.Skip(run.End - 1).SkipLast(1).Any(w => w.Text.EndsWith(','));
    }

    /// <summary>With these the verb of the next words begins: the grammar took one for a thing.</summary>
    private static readonly HashSet<string> Helpers = ["can", "will", "may", "must", "might", "should", "would", "could", "is", "are", "was", "were", "has", "have", "had", "does", "do"];

    /// <summary>No clause, no comparison, and nothing that begins in the middle of a longer phrase.</summary>
    private static bool IsPhrase(IReadOnlyList<string> words) =>
        !Helpers.Contains(words[^1]) && !words.Any(w => w is "that" or "which" or "who" or "where" or "when" or "how" or "why" or "what" or "if" or "as" or "but" or "not" or "no" or "than" or "like" or "at" or "during") && !(words.Count < 3 && words.Contains("and"))
        && words[0] is not ("this" or "these" or "those" or "such") && !words.Any(w => w.EndsWith("'ve", StringComparison.Ordinal) || w.EndsWith("'re", StringComparison.Ordinal) || w.EndsWith("'ll", StringComparison.Ordinal)) && (words[0] is "a" or "an" or "the" || !BeforeThings.Contains(words[0])) && !words[^1].EndsWith("'s", StringComparison.Ordinal) && !words.Any(w => w.EndsWith("'s", StringComparison.Ordinal) && w[..^2] is "here" or "that" or "there" or "it" or "what" or "this" or "who" or "he" or "she");

    private static bool IsVague(IReadOnlyList<string> words) => Vague.Contains(words[0]) || Vague.Contains(words[^1]) || words.All(w => Vague.Contains(w) || StopWords.Contains(w));

    private static bool IsThing(string text, string phrase) =>
        !Tokens.Of(phrase).Any(w => Vague.Contains(w) || w is "low" or "high") && Tokens.Of(text[..text.IndexOf(phrase, StringComparison.Ordinal)]).LastOrDefault() is { } before && BeforeThings.Contains(before);

    /// <summary>Where no grammar tells what is a phrase: without a term that the lecture defines or speaks of again and again.</summary>
    private (string Left, string Missing)? WithoutTerm(Sentence part)
    {
        var text = part.Text;
        var lower = text.ToLowerInvariant();
        said ??= new PhraseIndex(phrases.Where(p => p.Value.IsDefined || p.Value.Count >= (p.Key.Contains(' ') ? OftenEnough : Often)));
        var phrase = said.WithFirstWordIn(lower).Where(p => (p.Key.Contains(' ') || p.Value.IsDefined) && GapCards.IsOnceIn(lower, p.Key) && IsThing(lower, p.Key) && !IsWellKnown(p.Key) && !Tokens.Of(p.Key).Any(NumberWords.IsNumber) && !lower[(lower.IndexOf(p.Key, StringComparison.Ordinal) + p.Key.Length)..].StartsWith(" of ", StringComparison.Ordinal))
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
