using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Quizzes;

/// <summary>Words that a lecture does not use, in place of those that it does: what means the same is right too, and what is of the same kind is wrong.</summary>
/// <param name="words">What is known of English words.</param>
/// <param name="sentences">The lecture. Two words that it uses itself it may tell apart.</param>
internal sealed class OtherWords(WordKnowledge words, IReadOnlyList<Sentence> sentences)
{
    private const int MostAlso = 12;
    private const double Near = 0.35f;

    private readonly HashSet<string> used = [.. sentences.SelectMany(s => Tokens.ContentStems(s.Text))];

    /// <summary>The same answers in other words, a single word exchanged in each.</summary>
    public IReadOnlyList<string> Saying(string answer)
    {
        var said = answer.Split(' ');
        return [.. said.SelectMany((w, i) => Unused(words.Relations.SameAs(Bare(w))).Select(o => string.Join(' ', said.Select((x, k) => k == i ? o : x)))).Distinct(StringComparer.OrdinalIgnoreCase).Take(MostAlso)];
    }

    /// <summary>Names of other things of the kind of a thing that one word names, those nearest to it first.</summary>
    public IEnumerable<string> OfOneKindWith(string name) => name.Contains(' ') || char.IsUpper(name[0])
        ? []
        : Unused(words.Relations.OfOneKindWith(name)).Select(w => (Word: w, Likeness: words.Vectors.Similarity(name, w))).Where(w => w.Likeness >= Near).OrderByDescending(w => w.Likeness).Select(w => w.Word);

    private static string Bare(string word) => Tokens.Of(word).FirstOrDefault() ?? "";

    private IEnumerable<string> Unused(IReadOnlyList<string> others) => others.Where(o => !used.Contains(Tokens.Stem(o)));
}
