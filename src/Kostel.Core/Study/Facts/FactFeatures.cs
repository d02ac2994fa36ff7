using System.Text.RegularExpressions;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Facts;

/// <summary>What tells, of each sentence of a lecture, whether it states something to be known. Lists of words are common practice, no source.</summary>
public static partial class FactFeatures
{
    /// <summary>What each number of <see cref="Of"/> is.</summary>
    public static readonly IReadOnlyList<string> Names =
    [
        "one", "length", "very short", "question", "definition", "quantity", "number", "reason", "condition", "rule", "comparison", "leans", "says I", "says we or you", "of the course", "phatic", "past", "example",
        "topical", "rare for the text", "first of a chapter", "last of a chapter", "the next one leans", "fillers", "denies", "names somebody", "announces", "general subject", "doubtful", "long",
        "rank by its words", "shared with its chapter", "place", "one of the first", "one of the last", "plurals", "says you", "says he or she", "contracted", "begins with so", "begins with and", "a colon",
    ];

    private const int Short = 6, Long = 28, OfCourse = 14, AtEnds = 2, Fewest = 12;

    /// <summary>Whether a sentence with these features speaks of the course: of next week, the exam, homework.</summary>
    public static bool IsOfCourse(double[] features) => features[OfCourse] > 0;

    /// <summary>Whether a sentence greets, and says nothing to be known whatever it names.</summary>
    public static bool Greets(string text) => Greeting().IsMatch(text);

    /// <summary>For each sentence, by <see cref="Names"/>; most of them from 0 to 1.</summary>
    /// <param name="sentences">All of the lecture, in order.</param>
    /// <param name="chapters">The lecture's chapters; none is allowed.</param>
    public static double[][] Of(IReadOnlyList<Sentence> sentences, IReadOnlyList<Chapter> chapters)
    {
        var stems = sentences.Select(s => Tokens.ContentStems(s.Text).Distinct().ToArray()).ToArray();
        var spoken = stems.SelectMany(s => s).GroupBy(s => s).ToDictionary(g => g.Key, g => g.Count());
        var firsts = Firsts(sentences, chapters);
        var importance = new Importance(sentences);
        var ranks = Enumerable.Range(0, sentences.Count).OrderBy(i => importance.Of(sentences[i])).Select((i, rank) => (i, rank)).ToDictionary(p => p.i, p => (p.rank + 0.5) / sentences.Count);
        // A few sentences are no lecture with a welcome and a farewell.
        var isWhole = sentences.Count >= Fewest;
        var chapter = sentences.Select(s => chapters.Count(c => c.StartMs <= s.StartMs)).ToArray();
        var shared = Enumerable.Range(0, sentences.Count).SelectMany(i => stems[i].Select(w => (Chapter: chapter[i], Word: w))).GroupBy(w => w).ToDictionary(g => g.Key, g => g.Count());
        return sentences.Select((s, i) => (double[])
        [
            .. Of(s, i, stems[i], spoken, firsts, i + 1 < sentences.Count ? sentences[i + 1] : null),
            ranks[i],
            stems[i].Length == 0 ? 0 : stems[i].Count(w => shared[(chapter[i], w)] > 1) / (double)stems[i].Length,
            i / (double)sentences.Count,
            isWhole && i < AtEnds ? 1 : 0,
            isWhole && i >= sentences.Count - AtEnds ? 1 : 0,
            .. OfForm(s),
        ]).ToArray();
    }

    /// <summary>How it speaks, whatever of.</summary>
    private static double[] OfForm(Sentence s)
    {
        var words = Tokens.Of(s.Text);
        double Is(bool holds) => holds ? 1 : 0;
        return
        [
            words.Count(w => w.EndsWith('s') && !w.EndsWith("ss", StringComparison.Ordinal) && !StopWords.Contains(w)) / 5.0,
            Is(words.Any(w => w is "you" or "your")),
            Is(words.Any(w => w is "he" or "she" or "his" or "her")),
            Is(words.Any(w => w is "there's" or "it's" or "that's" or "don't")),
            Is(words is ["so", ..]),
            Is(words is ["and", ..]),
            Is(s.Text.Contains(':')),
        ];
    }

    private static double[] Of(Sentence s, int i, string[] stems, Dictionary<string, int> spoken, HashSet<int> firsts, Sentence? next)
    {
        var (text, words) = (s.Text, Tokens.Of(s.Text));
        double Is(bool holds) => holds ? 1 : 0;
        double Any(Regex form) => Is(form.IsMatch(text));
        return
        [
            1,
            Math.Min(1, words.Count / 20.0),
            Is(words.Count < Short),
            Is(text.EndsWith('?')),
            Is(Definitions.Find(s) is not null || Called().IsMatch(text)),
            Math.Min(2, Quantities.Find(s).Count) / 2.0,
            Is(NumberWords.ToDigits(words).Any(w => char.IsDigit(w[0]))),
            Any(Reason()),
            Any(Condition()),
            Any(Rule()),
            Any(Comparison()),
            Is(Leans(words)),
            Is(words.Any(w => w is "i" or "my" or "me" or "i'm" or "i've" or "i'd" or "i'll" or "mine")),
            Is(words.Any(w => w is "we" or "our" or "us" or "you" or "your" or "we're" or "you're" or "you've")),
            Any(Course()),
            Any(Phatic()),
            words.Count == 0 ? 0 : words.Count(w => IrregularForms.IsPast(w) || (w.Length > 4 && w.EndsWith("ed", StringComparison.Ordinal))) / Math.Sqrt(words.Count),
            Any(Example()),
            stems.Length == 0 ? 0 : stems.Sum(w => Math.Log2(spoken[w])) / Math.Sqrt(stems.Length + 4) / 3,
            stems.Length == 0 ? 0 : stems.Count(w => spoken[w] == 1) / (double)stems.Length,
            Is(firsts.Contains(i)),
            Is(firsts.Contains(i + 1)),
            Is(next is not null && Leans(Tokens.Of(next.Text))),
            Math.Min(1, words.Count(w => w is "um" or "er" or "uh" or "hmm" or "sort" or "like" or "okay" or "well" or "right" or "yeah") / 3.0),
            Any(Denial()),
            Is(s.Words.Skip(1).Any(w => w.Text.Length > 1 && char.IsUpper(w.Text[0]) && !w.Text.StartsWith("I'", StringComparison.Ordinal) && !w.Text.StartsWith("I’", StringComparison.Ordinal))),
            Any(Announces()),
            Any(General()),
            Is(!QuotableSentence.IsHeardWell(s)),
            Is(words.Count > Long),
        ];
    }

    private static bool Leans(IReadOnlyList<string> words) =>
        words.Take(2).Any(w => w is "it" or "this" or "these" or "they" or "that" or "such" or "he" or "she" or "those" or "it's" or "that's" or "there's" or "its" or "their" or "them");

    /// <summary>The first sentence of each chapter, and the place after the last one.</summary>
    private static HashSet<int> Firsts(IReadOnlyList<Sentence> sentences, IReadOnlyList<Chapter> chapters) =>
        [.. chapters.Select(c => sentences.TakeWhile(s => s.StartMs < c.StartMs).Count()), sentences.Count];

    private const string Modal = "must|never|always|only|should|have to|has to|may not|need to|needs to|mustn't|cannot|can't|don't|do not";

    [GeneratedRegex(@"\b(?:is|are|was) called\b|\bwe call\b|\bis the name\b|\bmeans that\b", RegexOptions.IgnoreCase)]
    private static partial Regex Called();

    [GeneratedRegex(@"\b(?:because|so that|therefore|since|for that reason|which is why|that is why|that's why|so)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Reason();

    [GeneratedRegex(@"\b(?:if|when|whenever|unless|as long as|until)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Condition();

    [GeneratedRegex($@"\b(?:{Modal})\b", RegexOptions.IgnoreCase)]
    private static partial Regex Rule();

    [GeneratedRegex(@"\b(?:than|twice|half|times as|most|least|best|worst|\p{L}{3,}est)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Comparison();

    private const string Sessions = "next (?:week|time|lecture|thursday|tuesday|monday|friday)|last (?:week|time|lecture)|homework|exercises?|(?:asked|going|like|want) to (?:talk|speak)|we have an hour|in this hour|(?:first|then|today|now) (?:i|we)(?:'ll| will)? (?:talk|speak|begin|start)";

    private const string Meetings = "exam(?:ination)?|chapter|questions?|tonight|today|this evening|two weeks|read|hand it in|for the seminar|bring (?:it|them) (?:on|by)";

    [GeneratedRegex($@"\b(?:{Sessions}|{Meetings})\b", RegexOptions.IgnoreCase)]
    private static partial Regex Course();

    private const string Greetings = "welcome|good (?:morning|evening|afternoon|night)|thank you|hello|hi";

    [GeneratedRegex($@"^(?:and |so |well |now )?(?:{Greetings})\b", RegexOptions.IgnoreCase)]
    private static partial Regex Greeting();

    [GeneratedRegex($@"\b(?:{Greetings}|right|okay|yeah|please|sorry|shout)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Phatic();

    private const string Telling = "once|say|let's|like a|there was|somebody|someone|story";

    [GeneratedRegex($@"\b(?:for example|for instance|suppose|imagine|picture|{Telling})\b", RegexOptions.IgnoreCase)]
    private static partial Regex Example();

    [GeneratedRegex(@"\b(?:not|no|never|nothing|nobody|without|neither|nor|hardly)\b|n't\b", RegexOptions.IgnoreCase)]
    private static partial Regex Denial();

    private const string Turning = "look at|turn to|come to|speak (?:of|about)|talk about|i'll";

    [GeneratedRegex($@"\b(?:{Turning}|we (?:will|shall|begin|start)|i (?:begin|start|shall|will))\b|:$", RegexOptions.IgnoreCase)]
    private static partial Regex Announces();

    /// <summary>"A blue filter …", "Salt tightens …": what is so in general, and not what happened once.</summary>
    private const string Things = @"An? \p{L}|The \p{L}|\p{Lu}\p{L}+ (?:is|are|has|have|\p{L}+s)\b|Each |Every |Most |All ";

    [GeneratedRegex($"^(?:(?:So|And|But|Now|Then),? )?(?:{Things})")]
    private static partial Regex General();
}
