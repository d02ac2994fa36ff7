using System.Text;
using Kostel.Core.Retrieval;
using Kostel.Core.Study.Facts;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Answers;

/// <summary>A word of a question that is said nowhere, and the one that it was taken for.</summary>
public sealed record MeantWord(string Asked, string Meant);

/// <summary>
/// Takes slips for what is meant: a word of a question that no list of English knows for one of the lecture that is spelled or sounds like
/// it ("infiltraton"), else for a known one ("temperture"); and a word that the lecture never says for one there that was misheard ("erosion" for "derosion").
/// </summary>
/// <param name="sentences">What is asked.</param>
/// <param name="isSaid">Whether it has a word, in any form.</param>
/// <param name="known">What is known of words; without a lexicon nothing is a slip.</param>
internal sealed class MeantWords(IReadOnlyList<Sentence> sentences, Func<AskedWord, bool> isSaid, WordKnowledge known)
{
    /// <summary>Shorter words have too many others one slip away; a short one must at least begin as it is meant.</summary>
    private const int Shortest = 4, Short = 6, ShortestMisheard = 5;

    /// <summary>Nobody mistypes more; a question with more of it is in another language or no question.</summary>
    private const int MostSlips = 4, OneSlipFor = 3;

    private readonly Lazy<SearchVocabulary> said = new(() => Vocabulary(sentences.Select(s => s.Text)));

    private readonly Lazy<SearchVocabulary> misheard = new(() => Vocabulary(ConfirmedWords.Invented(sentences, known).Select(w => w.Text)));

    /// <summary>The question with what was meant, and what was taken so. What stands between quotation marks stays as it is.</summary>
    public (string Question, IReadOnlyList<MeantWord> Meant) Read(string question)
    {
        var words = FoldedWord.Of(question).Where(w => !IsQuoted(question, w.Start) && !IsContracted(question, w)).ToList();
        var unknown = words.Where(w => IsWord(w.Text) && !known.Knows(w.Text) && !Question.IsShortened(w.Text)).Select(w => w.Text).ToHashSet();
        if (known.Lexicon.Count == 0 || unknown.Count > MostSlips || (unknown.Count > 1 && unknown.Count * OneSlipFor > words.Count + 1))
        {
            return (question, []);
        }

        var meant = new List<MeantWord>();
        var text = new StringBuilder();
        var at = 0;
        foreach (var word in words.Where(w => w.Text.Length >= Shortest && IsWord(w.Text) && !StopWords.Contains(w.Text) && !Question.IsShortened(w.Text) && !IsSaid(w.Text)))
        {
            if (Meant(word.Text, unknown.Contains(word.Text)) is { } right)
            {
                meant.Add(new MeantWord(question.Substring(word.Start, word.Length), right));
                text.Append(question, at, word.Start - at).Append(right);
                at = word.Start + word.Length;
            }
        }

        return (text.Append(question, at, question.Length - at).ToString(), meant.DistinctBy(m => m.Asked).ToList());
    }

    private string? Meant(string asked, bool isUnknown) => isUnknown
        ? Alike(said.Value, asked) ?? TypingSlips.Meant(asked, known)
        : asked.Length >= ShortestMisheard ? Alike(misheard.Value, asked) : null;

    private static SearchVocabulary Vocabulary(IEnumerable<string> texts) =>
        new(texts.SelectMany(FoldedWord.Of).Select(w => w.Text).Where(w => w.Length >= Shortest).CountBy(w => w));

    private static string? Alike(SearchVocabulary words, string asked) =>
        words.SpelledLike(asked).FirstOrDefault(w => asked.Length >= Short || w[0] == asked[0]) ?? words.SoundingLike(asked).FirstOrDefault();

    private bool IsSaid(string word) => AskedWords.Of([word]).All(isSaid);

    private static bool IsWord(string word) => word.All(char.IsLetter);

    /// <summary>"doesn't", "we've": neither part is a word.</summary>
    private static bool IsContracted(string text, FoldedWord word) =>
        word.Start + word.Length + 1 < text.Length && text[word.Start + word.Length] is '\'' or '’' && char.IsLetter(text[word.Start + word.Length + 1]);

    /// <summary>Whether an odd number of quotation marks stands before a place.</summary>
    private static bool IsQuoted(string text, int at) => text.AsSpan(0, at).Count('"') % 2 == 1 || text.AsSpan(0, at).LastIndexOf('“') > text.AsSpan(0, at).LastIndexOf('”');
}
