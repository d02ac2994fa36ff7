using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Facts;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Statements;

/// <summary>
/// What to ask for in statements that are worth knowing: their number, or the phrase that says what is new in them. A statement that leans on the one before it brings that along.
/// </summary>
internal sealed class FactGaps
{
    private const int Shortest = 4, Longest = 34, OftenEnough = 2, MostQuantities = 2, LeastCounted = 3, FarEnough = 8, LeastLeft = 2;

    /// <summary>A statement that is less likely to be worth knowing makes none.</summary>
    private const double LeastWorth = 0.2, OwnShare = 0.5, MostlyVerb = 0.4, RatherVerb = 0.5, MostlyPerson = 0.5;

    /// <summary>So many words of English are in everybody's mouth (common practice, no source).</summary>
    internal const int Common = 3000;

    /// <summary>What so many sentences say, the lecture speaks of all the time.</summary>
    internal const int Often = 4;

    /// <summary>A gap that is less likely to be a good one is not asked; of an ending, whose words the lecture may have chosen as well as others, more is wanted.</summary>
    private const double LeastChance = 0.26, LeastEnding = 0.35;

    private static readonly HashSet<string> PointsAway =
    [
        "tonight", "today", "yesterday", "tomorrow", "example", "let's", "we'll", "please", "welcome", "thank", "thanks", "lecture", "imagine", "suppose",
    ];

    /// <summary>With these at its beginning it speaks to those in the room, or tells of one of them.</summary>
    private static readonly HashSet<string> OpensTalk = ["picture", "slide", "everybody", "someone", "somebody", "here", "here's"];

    private static readonly HashSet<string> Telling = ["asked", "asks", "said", "says", "told", "tells", "wrote", "will", "had", "wants", "wanted", "has"];

    /// <summary>"Somebody asked", "about a metre a year here": what those in the room know.</summary>
    private static bool PointsAtRoom(IReadOnlyList<string> words, bool hasContext) =>
        words.Any(PointsAway.Contains) || (OpensTalk.Contains(words[0]) && !(hasContext && words[0] is "here"))
        || Enumerable.Range(1, words.Count - 1).Any(i => (words[i - 1] is "somebody" or "someone" or "everybody" && Telling.Contains(words[i])) || words[i] is "here" || (words[i] is "there" && (Prepositions.Leads(words[i - 1]) || words[i - 1] is "up" or "down" or "along")) || (i == words.Count - 1 && words[i] is "above" or "somewhere" or "slide" or "picture"));

    /// <summary>Whom these stand for is said before, unless it is far enough from the beginning to be said in the sentence itself.</summary>
    private static readonly HashSet<string> Persons = ["he", "she", "his", "her", "him"];

    /// <summary>With these the speaker tells of himself: understood, but rarely what is to be learned.</summary>
    private static readonly HashSet<string> OfTheSpeaker = ["i", "my", "me", "i'm", "i've", "i'll", "i'd", "mine", "myself"];

    private static readonly HashSet<string> PointingOpeners = ["that", "such", "there", "next", "so", "also", "who", "why", "how", "which", "same", "it", "they"];

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
    public FactGap? Of(Statement statement) => Good(All(statement).Concat(Endings(statement))).FirstOrDefault();

    /// <summary>Those of several that are good enough, the best first.</summary>
    public static IEnumerable<FactGap> Good(IEnumerable<FactGap> gaps) => gaps.Where(g => g.Chance >= (g.IsEnding ? LeastEnding : LeastChance)).OrderByDescending(g => g.Chance);

    /// <summary>Every gap that a statement could have.</summary>
    public IReadOnlyList<FactGap> All(Statement statement)
    {
        if (!CanBeAsked(statement))
        {
            return [];
        }

        var counted = Quantities.Find(statement.Part);
        var phrase = WithoutPhrase(statement, Tokens.ContentStems(statement.Context).ToHashSet()).Where(p => !counted.Any(q => p.Run.First <= q.FirstWord && p.Run.End >= q.FirstWord + q.WordCount)).ToList();
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

        string? Question(LeftOut phrase) => statement.Before.Count > 0 || !EndingFeatures.IsThing(phrase.Missing) ? null : SubjectQuestion.Of(statement, phrase.Missing) ?? ObjectQuestion.Of(statement, phrase.Run);
    }

    /// <summary>Everything that a statement could end with and that could be asked for; a thing of its own can be among <see cref="All"/> too.</summary>
    public IReadOnlyList<FactGap> Endings(Statement statement)
    {
        if (!CanBeAsked(statement))
        {
            return [];
        }

        var told = Tokens.ContentStems(statement.Context).ToHashSet();
        return Statements.Endings.Of(statement)
            .Select(run => LeftOut.Ending(statement.Part, run))
            .OfType<LeftOut>()
            .Where(e => told.Count == 0 || !Tokens.ContentStems(e.Missing).All(told.Contains))
            .Select(e => new FactGap(statement, Asides.Without(statement.Context + e.Left), e.Missing, null) { IsEnding = true, Run = e.Run, Question = statement.Before.Count > 0 || !EndingFeatures.IsThing(e.Missing) ? null : ObjectQuestion.Of(statement, e.Run) })
            .Select(g => g with { Chance = FactWorth.Probability(EndingFeaturesOf(g), EndingWeights.Learned) })
            .ToList();
    }

    /// <summary>What tells whether an ending is worth asking for.</summary>
    public double[] EndingFeaturesOf(FactGap gap) => EndingFeatures.Of(gap, features.Of(gap));

    /// <summary>Whether a statement is worth asking about and can be understood by itself.</summary>
    public bool CanBeAsked(Statement statement) => statement.Worth >= LeastWorth && !isOfCourse[statement.Sentence] && !statement.IsIllFormed && IsUnderstood(statement);

    /// <summary>What asking with a gap is worth.</summary>
    public static double Worth(FactGap gap) => gap.Chance * Math.Sqrt(Worth(gap.Statement));

    /// <summary>What asking for a statement is worth: what the speaker tells of himself, less.</summary>
    public static double Worth(Statement statement) => statement.Worth * (Tokens.Of(statement.Part.Text).Any(OfTheSpeaker.Contains) ? OwnShare : 1);

    private bool IsUnderstood(Statement statement)
    {
        var words = Tokens.Of(Asides.Without(statement.Part.Text));
        var standsAlone = statement.Before.Count > 0 || !PointingOpeners.Contains(words[0]) || words is ["there", "is" or "are" or "was" or "were" or "has" or "have" or "must" or "can" or "may" or "should", ..];
        return words.Count is >= Shortest and <= Longest
            && standsAlone
            && (statement.Grammar is { IsWhole: true } || !QuotableSentence.BreaksOff(words))
            && !statement.Part.Words[0].Text.EndsWith(':')
            && StandingAlone.HasVerb(statement.Part, statement.Grammar)
            && !StandingAlone.IsFragment(statement.Part, statement.Grammar)
            && !StandingAlone.IsTalk(Asides.Without(statement.Context + statement.Part.Text))
            && !IsOwnTale(words)
            && !PointsAtRoom(words, statement.Before.Count > 0)
            && !IsAboutSomebody(words)
            && words is not ["let", "me" or "us", ..]
            && !IsOnlyBelieved(words)
            && statement.Before.Select(b => Tokens.Of(b.Text)).All(b => b is not (["because", ..] or [_, "thing", ..]) && !PointsAtRoom(b, false) && !b.Take(FarEnough).Any(Persons.Contains) && !IsOwnTale(b));
    }

    /// <summary>"People think you throw it in a corner": what comes next is as a rule that it is not so.</summary>
    private static bool IsOnlyBelieved(IReadOnlyList<string> words) => words.Take(6).Zip(words.Skip(1)).Any(p => p is ("people" or "everybody" or "everyone" or "many" or "they", "think" or "thinks" or "believe" or "believes" or "imagine" or "thought" or "believed") or ("you'd" or "might" or "would", "think"));

    /// <summary>"He" near the beginning, where nobody was named for whom it stands.</summary>
    private bool IsAboutSomebody(IReadOnlyList<string> said) =>
        Enumerable.Range(0, Math.Min(FarEnough, said.Count)).Any(i => Persons.Contains(said[i]) && !said.Take(i).Any(w => this.words.Relations.ShareOf(w, "person") > MostlyPerson));

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
        return Tokens.ContentStems(left).Distinct().Count() < LeastLeft || IsSaid(left, asked.Text) || (!Quantities.IsMeasured(asked) && LeftOut.Vague.Contains(Tokens.Of(asked.Text)[^1])) ? null : (left, asked);
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
            .Select(run => (Run: run, Gap: LeftOut.Of(statement.Part, run == clause?.Subject ? run : WholePhrase.Of(grammar, statement.Part, run))))
            .Where(g => g.Gap is { } gap && !IsWellKnown(gap.Missing) && !IsVerb(gap.Missing) && !EndingFeatures.IsLeading(Tokens.Of(gap.Missing).LastOrDefault("")) && !(g.Run == clause?.Subject && IsPointedAt(gap.Missing)) && !(told.Count > 0 && Tokens.ContentStems(gap.Missing).All(told.Contains)))
            .Where(g => !SaidBesides.IsPicture(statement.Part, g.Run) && !SaidBesides.IsOfReason(statement.Part, g.Run))
            .Select(g => g.Gap!)
            .DistinctBy(g => g.Missing);
    }

    /// <summary>A single word that everybody knows, and that the lecture does not define.</summary>
    private bool IsCommon(string phrase) => WithoutArticle(phrase) is var word && !word.Contains(' ') && !(phrases.GetValueOrDefault(word) is { IsDefined: true }) && (words.Vectors.Count == 0 || words.Vectors.PlaceOf(word) is >= 0 and < Common);

    /// <summary>What the lecture speaks of all the time, by one common word: anybody fills that in.</summary>
    private bool IsWellKnown(string phrase) => IsCommon(phrase) && Tokens.ContentStems(phrase).Any(w => spoken.GetValueOrDefault(w) >= Often);

    /// <summary>"Ten decibels sound …", "the relay drops, and …": a word alone, or behind a thing, that is a verb more often than a thing.</summary>
    private bool IsVerb(string phrase)
    {
        var last = phrase[(phrase.LastIndexOf(' ') + 1)..].ToLowerInvariant();
        var isBehindThing = phrase.Split(' ') is [.., var before, _] && before.ToLowerInvariant() is var thing && thing is not ("a" or "an" or "the") && words.Lexicon.KindsOf(thing).NounShare > MostlyVerb && last.EndsWith('s') && !thing.EndsWith('s');
        return (isBehindThing || !phrase.Contains(' ')) && words.Lexicon.KindsOf(last).VerbShare > (isBehindThing ? RatherVerb : MostlyVerb);
    }

    /// <summary>"The door", "the list": a thing that was spoken of, by a word that everybody uses; who was not there cannot know which.</summary>
    private bool IsPointedAt(string phrase) => phrase.StartsWith("the ", StringComparison.OrdinalIgnoreCase) && words.Vectors.Count > 0 && IsCommon(phrase);

    /// <summary>A phrase in small letters, as <see cref="KeyPhrases"/> has it.</summary>
    internal static string WithoutArticle(string phrase) => string.Join(' ', Tokens.Of(phrase).SkipWhile(w => w is "a" or "an" or "the"));

    private static bool IsThing(string text, string phrase) =>
        !Tokens.Of(phrase).Any(w => LeftOut.Vague.Contains(w) || w is "low" or "high") && Tokens.Of(text[..text.IndexOf(phrase, StringComparison.Ordinal)]).LastOrDefault() is { } before && LeftOut.BeforeThings.Contains(before);

    /// <summary>Where no grammar tells what is a phrase: without a term that the lecture defines or speaks of again and again.</summary>
    private (string Left, string Missing)? WithoutTerm(Sentence part)
    {
        var text = part.Text;
        var lower = text.ToLowerInvariant();
        said ??= new PhraseIndex(phrases.Where(p => p.Value.IsDefined || p.Value.Count >= (p.Key.Contains(' ') ? OftenEnough : Often)));
        var phrase = said.WithFirstWordIn(lower).Where(p => (p.Key.Contains(' ') || p.Value.IsDefined) && !IsVerb(p.Key) && GapCards.IsOnceIn(lower, p.Key) && IsThing(lower, p.Key) && !IsWellKnown(p.Key) && !Tokens.Of(p.Key).Any(NumberWords.IsNumber) && !lower[(lower.IndexOf(p.Key, StringComparison.Ordinal) + p.Key.Length)..].StartsWith(" of ", StringComparison.Ordinal))
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
