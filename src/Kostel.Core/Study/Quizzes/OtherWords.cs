using Kostel.Core.Study.Statements;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Quizzes;

/// <summary>Words that a lecture does not use, in place of those that it does: what means the same is right too, and what is of the same kind is wrong.</summary>
/// <param name="words">What is known of English words.</param>
/// <param name="sentences">The lecture. Two words that it uses itself it may tell apart.</param>
internal sealed class OtherWords(WordKnowledge words, IReadOnlyList<Sentence> sentences)
{
    private const int MostAlso = 12, LongestExchanged = 2;
    private const double Near = 0.45, NearlyTheSame = 0.5, MostlyVerb = 0.4;

    private readonly HashSet<string> used = [.. sentences.SelectMany(s => Tokens.ContentStems(s.Text))];

    /// <summary>
    /// The same answers in other words, a single word exchanged in each; none for a sentence. Of the words that a dictionary has for one of its meanings those count that are also used as it is:
    /// "grit" means the same as "sand" to some, of courage.
    /// </summary>
    public IReadOnlyList<string> Saying(string answer)
    {
        var said = answer.Split(' ');
        return Tokens.Of(answer).Count(w => !StopWords.Contains(w)) > LongestExchanged ? [] : [.. said.SelectMany((w, i) => Unused(SameAs(Bare(w))).Select(o => string.Join(' ', said.Select((x, k) => k == i ? o : x)))).Distinct(StringComparer.OrdinalIgnoreCase).Take(MostAlso)];
    }

    /// <summary>Names of other things of the kind of a thing that one word names, those nearest to it first.</summary>
    public IEnumerable<string> OfOneKindWith(string name) => name.Contains(' ') || char.IsUpper(name[0])
        ? []
        : Unused(words.Relations.OfOneKindWith(name)).Where(w => words.Lexicon.KindsOf(w).VerbShare <= MostlyVerb).Select(w => (Word: w, Likeness: words.Vectors.Similarity(name, w))).Where(w => w.Likeness >= Near).OrderByDescending(w => w.Likeness).Select(w => w.Word);

    /// <summary>How alike the words for two things are used, from -1 to 1; 0 where that is not known.</summary>
    public double Likeness(NamedThing a, NamedThing b) => words.Vectors.Similarity(a.Head, b.Head);

    private IReadOnlyList<string> SameAs(string word) =>
        StopWords.Contains(word) || NumberWords.IsNumber(word) ? [] : [.. words.Relations.SameAs(word).Where(o => words.Vectors.Count == 0 || words.Vectors.Similarity(word, o) >= NearlyTheSame)];

    private static string Bare(string word) => Tokens.Of(word).FirstOrDefault() ?? "";

    private IEnumerable<string> Unused(IReadOnlyList<string> others) => others.Where(o => !used.Contains(Tokens.Stem(o)));
}
