using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Chapters.Titles;

/// <summary>What is counted of a phrase that could name a chapter: its form, where it stands, and how much of the chapter its words tell.</summary>
internal sealed class TitleFeatures
{
    private const int MostWords = 7, Early = 4, Frequent = 1000;
    private const double Mostly = 0.5;

    private static readonly PhraseForm[] FormsOfPhrase = Enum.GetValues<PhraseForm>();

    private static readonly string[][] Pronouns =
    [
        ["they", "they're", "they've", "they'd", "them", "their"], ["it", "it's", "it'll", "it'd", "its"], ["you", "you're", "you've", "you'd", "you'll", "your"],
        ["i", "i'm", "i've", "i'd", "me", "my", "we", "we're", "we've", "we'll", "us", "our"], ["he", "she", "him", "her", "his", "he's", "she's"],
        ["this", "that", "these", "those", "that's", "there", "there's", "here", "one", "ones", "other", "others"],
    ];

    private static readonly HashSet<string> Being = ["is", "are", "was", "were", "isn't", "aren't", "wasn't", "weren't", "be", "been"];
    private static readonly HashSet<string> Helping = ["can", "could", "will", "would", "must", "should", "may", "might", "can't", "won't", "cannot", "has", "have", "had", "got"];
    private static readonly HashSet<string> Openings = ["so", "now", "okay", "ok", "right", "well", "then", "next"];
    private static readonly HashSet<string> Loose = ["of", "in", "on", "at", "to", "for", "with", "from", "by", "up", "out", "over", "about", "off", "now", "again", "too", "then", "though", "either", "here", "there", "really"];
    private static readonly HashSet<string> Stories = ["i", "my", "i'm", "i've", "i'd", "he", "she", "somebody", "someone", "me", "we"];

    private static readonly string[] Groups = ["names", "does", "says", "asks"];
    private static readonly string[] Weighed = ["told", "near", "early", "said", "points", "length"];

    /// <summary>The names of what is counted, in its order.</summary>
    public static readonly string[] Names =
    [
        .. FormsOfPhrase.Select(f => $"form {f}"), .. Enumerable.Range(2, MostWords - 1).Select(n => $"{n} words"),
        "first sentence", "second sentence", "early", "late", "last sentence", "place",
        "told", "told by the best word", "told by the least word", "first words", "begins with a first word", "near the meaning",
        "most said", "least said", "all once", "sentences with it", "said elsewhere", "elsewhere for here",
        "they", "it", "you", "we", "he", "that", "begins with a pronoun", "begins with the", "begins with a", "denies", "a number",
        "past", "past around", "a story", "is", "can", "verb", "bids", "nouns", "ends loosely", "ends with a verb", "rare", "least rare", "frequent words",
        "announced", "defined", "the whole sentence", "length of the sentence", "opens", "at its beginning", "behind a question", "a name", "called",
        "no content", "one content word", "two content words", "four content words",
        .. Groups.SelectMany(g => Weighed.Select(w => $"{w} of what {g}")),
    ];

    private readonly IReadOnlyList<IReadOnlyList<Sentence>> chapters;
    private readonly WordKnowledge known;
    private readonly ChapterWords weights;
    private readonly IReadOnlyList<string>[][] tokens;
    private readonly HashSet<string>[][] stems;
    private readonly double[] mostTold;

    public TitleFeatures(IReadOnlyList<IReadOnlyList<Sentence>> chapters, ChapterWords weights, WordKnowledge known)
    {
        (this.chapters, this.weights, this.known) = (chapters, weights, known);
        tokens = [.. chapters.Select(c => c.Select(s => Tokens.Of(s.Text)).ToArray())];
        stems = Array.ConvertAll(tokens, c => Array.ConvertAll(c, s => s.Select(Tokens.Stem).ToHashSet()));
        mostTold = [.. chapters.Select((_, c) => weights.MostOf(c))];
    }

    /// <summary>Counts of a phrase of a chapter, by <see cref="Names"/>.</summary>
    public double[] Of(int c, NamingPhrase phrase)
    {
        var words = Tokens.Of(phrase.Text);
        var content = phrase.Content.Distinct().ToList();
        var around = tokens[c][phrase.Sentence];
        var sentences = tokens[c].Length;
        var most = mostTold[c];
        var told = content.ConvertAll(s => Math.Min(1, weights.Of(c, s) / most));
        var counts = content.ConvertAll(s => weights.CountOf(c, s));
        var elsewhere = content.ConvertAll(s => weights.CountElsewhere(c, s));
        var contentWords = words.Where(w => !EnglishPhrases.SaysNothing(w)).ToList();
        var points = Pronouns.Select(p => words.Any(p.Contains)).ToArray();
        var length = Math.Min(words.Count, MostWords);
        var (first, last) = (words.Count > 0 ? words[0] : "", words.Count > 0 ? words[^1] : "");
        var near = weights.Centrality(c, phrase.Text);
        var isEarly = phrase.Sentence < Math.Min(Early, 1 + (sentences / 3));
        var told1 = told.Count == 0 ? 0 : told.Sum() / Math.Sqrt(told.Count);
        var with = stems[c].Count(s => content.Exists(s.Contains)) / (double)sentences;
        var group = Group(phrase.Form);
        double[] weighed = [told1, near, Is(isEarly), with, Is(points[0] || points[1] || points[2]), length / (double)MostWords];
        return
        [
            .. FormsOfPhrase.Select(f => Is(phrase.Form == f)), .. Enumerable.Range(2, MostWords - 1).Select(n => Is(length == n)),
            Is(phrase.Sentence == 0), Is(phrase.Sentence == 1), Is(isEarly), Is(phrase.Sentence > sentences * 2 / 3), Is(phrase.Sentence == sentences - 1), phrase.Sentence / (double)sentences,
            told1, told.DefaultIfEmpty(0).Max(), told.DefaultIfEmpty(0).Min(), Share(content, s => weights.IsAmongFirst(c, s)), Is(content.Count > 0 && weights.IsAmongFirst(c, phrase.Content[0])), near,
            Math.Log2(1 + counts.DefaultIfEmpty(0).Max()) / 3, Math.Log2(1 + counts.DefaultIfEmpty(0).Min()) / 3, Is(counts.TrueForAll(n => n <= 1)), with,
            Share(elsewhere, n => n > 0), content.Count == 0 ? 0 : elsewhere.Sum() / (double)Math.Max(1, elsewhere.Sum() + counts.Sum()),
            .. points.Select(Is), Is(Pronouns.Any(p => p.Contains(first))), Is(first is "the"), Is(first is "a" or "an"),
            Is(words.Any(w => w is "not" or "no" or "never" or "nothing" or "nobody" || w.EndsWith("n't", StringComparison.Ordinal))), Is(words.Any(NumberWords.IsNumber)),
            Is(words.Any(IsPast)), Share(around, IsPast), Is(around.Any(Stories.Contains)), Is(words.Any(w => Being.Contains(w) || w.EndsWith("'s", StringComparison.Ordinal) || w.EndsWith("'re", StringComparison.Ordinal))), Is(words.Any(Helping.Contains)),
            Is(words.Skip(1).Any(w => known.Lexicon.KindsOf(w).VerbShare > Mostly)), Is(known.Lexicon.KindsOf(first) is { VerbShare: > Mostly } && !first.EndsWith("ing", StringComparison.Ordinal)),
            contentWords.Count == 0 ? 0 : contentWords.Average(w => known.Lexicon.KindsOf(w) is { Total: > 0 } k ? k.NounShare : 1), Is(Loose.Contains(last)), Is(known.Lexicon.KindsOf(last) is { VerbShare: > Mostly }),
            contentWords.Count == 0 ? 0 : contentWords.Average(known.Vectors.WeightOf), contentWords.Select(known.Vectors.WeightOf).DefaultIfEmpty(0).Min(), Share(contentWords, w => known.Vectors.PlaceOf(w) is >= 0 and < Frequent),
            Is(phrase.IsAnnounced), Is(phrase.IsDefined), Is(around.Count <= words.Count + 2), Math.Min(1, around.Count / 30.0), Is(around.Count > 0 && Openings.Contains(around[0])), Is(around.Take(4).Contains(first)),
            Is(phrase.Sentence > 0 && chapters[c][phrase.Sentence - 1].Text.EndsWith('?')), Is(phrase.Text.Split(' ').Skip(1).Any(w => char.IsUpper(w[0]) && w.Length > 1)), Is(around.Any(w => w is "called" or "call")),
            Is(content.Count == 0), Is(content.Count == 1), Is(content.Count == 2), Is(content.Count >= 4),
            .. Enumerable.Range(0, Groups.Length).SelectMany(g => weighed.Select(w => g == group ? w : 0)),
        ];
    }

    private static int Group(PhraseForm form) => form switch
    {
        PhraseForm.Thing or PhraseForm.ThingOf or PhraseForm.Pair or PhraseForm.Joined or PhraseForm.Named => 0,
        PhraseForm.Doing => 1,
        PhraseForm.Statement or PhraseForm.Said or PhraseForm.Predicate => 2,
        _ => 3,
    };

    private bool IsPast(string word) => word is "was" or "were" or "had" or "did" || IrregularForms.IsPast(word) || known.Lexicon.IsVerbForm(word, "ed");

    private static double Is(bool it) => it ? 1 : 0;

    private static double Share<T>(IReadOnlyCollection<T> of, Func<T, bool> which) => of.Count == 0 ? 0 : of.Count(which) / (double)of.Count;
}
