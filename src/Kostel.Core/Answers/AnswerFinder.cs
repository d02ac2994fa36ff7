using Kostel.Core.Retrieval;
using Kostel.Core.Study.Facts;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Answers;

/// <summary>Answers questions from one lecture in its own sentences, or says that it has none.</summary>
public sealed class AnswerFinder
{
    /// <summary>Of the weight of a question's words, the share that must be said in one place to count as an answer.</summary>
    private const double NeededCoverage = 0.68;

    /// <summary>What a word counts that is said right beside the sentence, and one that is said two sentences before.</summary>
    private const double Beside = 0.9, TwoBefore = 0.6;

    /// <summary>What the better of two neighbours adds to a sentence's score.</summary>
    private const double NeighbourShare = 0.21;

    /// <summary>A sentence that is a question seldom answers one.</summary>
    private const double QuestionPenalty = 0.4;

    /// <summary>What a number, or a reason, adds to a sentence where one is asked for.</summary>
    private const double FittingForm = 0.5;

    /// <summary>However common a word is in the lecture, it counts this much in a question.</summary>
    private const double LeastWeight = 0.4;

    /// <summary>A further line must score this much of the best one.</summary>
    private const double AlsoWorthHearing = 0.72;

    private const int MostLines = 3;

    private readonly Transcript transcript;
    private readonly IReadOnlyList<Sentence> sentences;
    private readonly List<HashSet<string>> terms;
    private readonly Bm25Index index;
    private readonly double unheardWeight;

    /// <summary>Prepares a lecture for questions.</summary>
    public AnswerFinder(Transcript transcript)
    {
        this.transcript = transcript;
        sentences = Sentences.Of(transcript.Passages);
        var stems = sentences.Select(s => Question.StemsOf(Tokens.Of(s.Text))).ToList();
        terms = stems.Select(s => s.ToHashSet()).ToList();
        index = new Bm25Index(stems);
        unheardWeight = Math.Log((sentences.Count + 1) / 0.5);
    }

    /// <summary>The answer to a question.</summary>
    public Answer Ask(string text)
    {
        var asked = Question.Read(text);
        var question = asked with { Terms = asked.Terms.Select(AsSaid).Distinct().ToList() };
        if (question.Terms.Count == 0 || sentences.Count == 0)
        {
            return new Answer(false, [], []);
        }

        var bm25 = index.Scores(question.Terms);
        var ranked = Enumerable.Range(0, sentences.Count)
            .Select(i => (Index: i, Coverage: Coverage(question, i), Score: Score(question, i, bm25)))
            .OrderByDescending(c => c.Score)
            .ThenBy(c => c.Index)
            .ToList();
        var said = ranked.Where(c => bm25[c.Index] > 0 && c.Coverage >= NeededCoverage && Delivers(question, c.Index)).ToList();
        var unheard = question.Terms.Where(t => index.DocumentsWith(t) == 0).ToHashSet();
        var unheardWords = Tokens.Of(text).Where(w => unheard.Contains(Tokens.Stem(w))).Distinct().ToList();
        if (said.Count == 0)
        {
            return new Answer(false, Lines(question, ranked.Where(c => bm25[c.Index] > 0).Take(MostLines).Select(c => c.Index)), unheardWords);
        }

        var best = said[0].Score;
        return new Answer(true, Lines(question, said.Where(c => c.Score >= best * AlsoWorthHearing).Take(MostLines).Select(c => c.Index)), unheardWords);
    }

    /// <summary>The question's word as the lecture has it: another ending of the same word counts where the word itself is never said.</summary>
    private string AsSaid(string term)
    {
        const int Shortest = 4, Ending = 2;
        return index.DocumentsWith(term) > 0 || term.Length < Shortest
            ? term
            : terms.SelectMany(t => t).Where(t => t.Length >= Shortest && Math.Abs(t.Length - term.Length) <= Ending
                && (t.StartsWith(term, StringComparison.Ordinal) || term.StartsWith(t, StringComparison.Ordinal)))
                .OrderBy(t => Math.Abs(t.Length - term.Length)).ThenBy(t => t, StringComparer.Ordinal).FirstOrDefault(term);
    }

    private double Weight(string term) => index.DocumentsWith(term) == 0 ? unheardWeight : Math.Max(LeastWeight, index.Idf(term));

    /// <summary>The share of the question's words, by weight, that are said in a sentence or right beside it.</summary>
    private double Coverage(Question question, int i)
    {
        double total = 0, covered = 0;
        foreach (var term in question.Terms)
        {
            var weight = Weight(term);
            total += weight;
            covered += weight * (Has(i, term) ? 1 : Has(i - 1, term) || Has(i + 1, term) ? Beside : Has(i - 2, term) ? TwoBefore : 0);
        }

        return covered / total;
    }

    private double Score(Question question, int i, double[] bm25)
    {
        var own = bm25[i];
        var around = Math.Max(i > 0 ? bm25[i - 1] : 0, i + 1 < bm25.Length ? bm25[i + 1] : 0);
        var score = own + (NeighbourShare * around);
        return own == 0 && around == 0 ? 0 : score * (1 + Fit(question, i)) * (sentences[i].Text.EndsWith('?') ? QuestionPenalty : 1);
    }

    /// <summary>How well the form of a sentence meets what the question wants (0 to 1).</summary>
    private double Fit(Question question, int i)
    {
        switch (question.Wants)
        {
            case Wanted.Definition:
                return Definitions.Find(sentences[i]) is { } d
                    ? Overlap(question.Terms, Question.StemsOf(Tokens.Of(d.Term)))
                    : 0;
            case Wanted.Quantity:
                return Quantities.Find(sentences[i]).Any(q => !question.Terms.Contains(Number(q))) ? FittingForm : 0;
            case Wanted.Reason:
                return IsReason(sentences[i]) ? FittingForm : 0;
            default:
                return 0;
        }
    }

    /// <summary>Whether a place can answer at all: a question for a number needs a number that was not in the question.</summary>
    private bool Delivers(Question question, int i) => question.Wants switch
    {
        Wanted.Quantity => Around(i).Any(s => HasNumber(s, question)),
        Wanted.Person => Around(i).Any(s => s.Words.Skip(1).Any(w => w.Text.Length > 1 && char.IsUpper(w.Text[0]) && w.Text is not "I" and not "I'm")),
        _ => true,
    };

    /// <summary>A number that was not in the question already.</summary>
    private static bool HasNumber(Sentence sentence, Question question) =>
        NumberWords.ToDigits(Tokens.Of(sentence.Text)).Any(w => char.IsDigit(w[0]) && !question.Terms.Contains(w))
        || Tokens.Of(sentence.Text).Any(w => w is "half" or "twice" or "quarter" or "double");

    private IEnumerable<Sentence> Around(int i) => sentences.Skip(i).Take(2);

    private bool Has(int i, string term) => i >= 0 && i < terms.Count && terms[i].Contains(term);

    private static string Number(Quantity quantity) => quantity.Value.ToString("0.######");

    private static bool IsReason(Sentence sentence)
    {
        var words = Tokens.Of(sentence.Text);
        return words.Any(w => w is "because" or "cause" or "causes" or "caused" or "reason" or "why" or "therefore") || (words.Count > 0 && words[0] == "so");
    }

    private static double Overlap(IReadOnlyList<string> a, IReadOnlyList<string> b) =>
        b.Count == 0 ? 0 : 2.0 * a.Intersect(b).Count() / (a.Count + b.Count);

    private List<Evidence> Lines(Question question, IEnumerable<int> chosen)
    {
        var lines = new List<Evidence>();
        var used = new HashSet<int>();
        foreach (var i in chosen)
        {
            var (from, to) = Whole(question, i);
            if (Enumerable.Range(from, to - from + 1).Any(used.Contains))
            {
                continue;
            }

            used.UnionWith(Enumerable.Range(from, to - from + 1));
            var span = sentences.Skip(from).Take(to - from + 1).ToList();
            lines.Add(new Evidence(span[0].PassageId, span[0].StartMs, span[^1].EndMs, string.Join(' ', span.Select(s => s.Text))));
        }

        return lines;
    }

    /// <summary>A sentence that points to the one before it is quoted with that one; a question, or one that leaves the number
    /// that was asked for to the next, with what follows it.</summary>
    private (int From, int To) Whole(Question question, int i)
    {
        var from = i;
        var to = i;
        var words = Tokens.Of(sentences[i].Text);
        if (i > 0 && words.Take(3).Any(w => w is "it" or "this" or "these" or "they" or "that" or "such" or "their" or "its"))
        {
            from--;
        }

        var leavesTheNumber = question.Wants == Wanted.Quantity && !HasNumber(sentences[i], question) && i + 1 < sentences.Count && HasNumber(sentences[i + 1], question);
        if (leavesTheNumber || (sentences[i].Text.EndsWith('?') && i + 1 < sentences.Count))
        {
            to++;
        }

        return (from, to);
    }
}
