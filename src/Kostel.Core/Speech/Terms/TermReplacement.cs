using Kostel.Core.Speech.Decoding;
using Kostel.Core.Text;

namespace Kostel.Core.Speech.Terms;

/// <summary>A term in the place of some words.</summary>
internal sealed record TermReplacement
{
    private const int TokensAfter = 5;

    /// <summary>
    /// How much smaller the margin is where an everyday word stands. Measured: of 219 rare terms six fewer are found than without,
    /// but "rain" does not become "reign".
    /// </summary>
    private const double EverydayWord = 5.5;

    /// <summary>
    /// The chance that a word put in is the right one. Measured on two lists of ten rare terms: of the words put in about one in
    /// twenty was wrong. In the place of an everyday word it stays doubtful. The model's own probability only says that it did
    /// not know the word.
    /// </summary>
    private const double Right = 0.85, RightForEveryday = 0.5;

    private readonly double written;
    private readonly double opening;

    /// <param name="tokens">The term as it will be written.</param>
    /// <param name="heard">The term as the model is asked for it.</param>
    /// <param name="opens">The log-probability of a token in the place of another, if it is known.</param>
    public TermReplacement(
        FoundText text, IReadOnlyList<TokenWord> words, TermSuspicion suspicion, IReadOnlyList<int> tokens, IReadOnlyList<int> heard, Func<FoundText, int, int, double?> opens)
    {
        (From, To, Tokens) = (words[suspicion.First].FirstToken, words[suspicion.End - 1].EndToken, tokens);
        var end = End(text, To);
        written = text.Probabilities.Skip(From).Take(end - From).Sum(Log);

        var isEveryday = IsEveryday(words, suspicion);
        var least = written - suspicion.Margin + (isEveryday ? EverydayWord : 0);
        Chance = isEveryday ? RightForEveryday : Right;

        // A term at the end must not swallow words: after it the model has to expect the end, as it did after what was written.
        int[] close = end == text.Tokens.Count ? [SearchOptions.EndToken] : [];
        int[] after = [.. text.Tokens.Skip(To).Take(end - To), .. close];
        Proposal = opens(text, From, heard[0]) is { } known
            ? new Proposal(text.Beginnings[From], heard[0], [.. heard.Skip(1), .. after], least - (opening = known))
            : new Proposal(Before(text).Beginning, Before(text).Token, [.. heard, .. after], least);
    }

    public int From { get; }

    public int To { get; }

    public IReadOnlyList<int> Tokens { get; }

    /// <summary>How likely it is to be right once the model has agreed.</summary>
    public double Chance { get; }

    /// <summary>The term and a little of what follows; without the first token where its chance is known.</summary>
    public Proposal Proposal { get; }

    /// <summary>How much more likely the text is with the term.</summary>
    /// <param name="proposed">The log-probability of the proposal.</param>
    public double Gain(double proposed) => opening + proposed - written;

    /// <summary>What comes before it, and the last token of that.</summary>
    public (int Beginning, int Token) Before(FoundText text) =>
        From == 0 ? (-1, SearchOptions.StartToken) : (text.Beginnings[From - 1], text.Tokens[From - 1]);

    /// <summary>
    /// The term as it is to stand in the sentence, with the punctuation of what it replaces. The model may hold a rare word
    /// for a name, so it is asked for it with a capital too.
    /// </summary>
    public static IEnumerable<(string Written, string Heard)> Dressings(TermSuspicion suspicion, IReadOnlyList<TokenWord> words)
    {
        var term = suspicion.Term.Written;
        var last = words[suspicion.End - 1].Text;
        var signs = last[last.TrimEnd('.', ',', '?', '!', ';', ':').Length..];
        var startsSentence = suspicion.First == 0 || words[suspicion.First - 1].Text is [.., '.' or '?' or '!'];
        var capital = WordForms.Capital(term);
        var written = (startsSentence && char.IsUpper(words[suspicion.First].Text[0]) ? capital : term) + signs;
        yield return (written, written);
        if (written != capital + signs)
        {
            yield return (written, capital + signs);
        }
    }

    /// <summary>A single word that has a token of its own is a frequent one.</summary>
    private static bool IsEveryday(IReadOnlyList<TokenWord> words, TermSuspicion suspicion)
    {
        var word = words[suspicion.First];
        var signs = char.IsPunctuation(word.Text[^1]) ? 1 : 0;
        return suspicion.End - suspicion.First == 1 && word.EndToken - word.FirstToken - signs == 1;
    }

    /// <summary>Where what is scored ends, a little after the words.</summary>
    public static int End(FoundText text, int to) => Math.Min(text.Tokens.Count, to + TokensAfter);

    /// <summary>The logarithm of a probability that may be rounded to nothing.</summary>
    public static double Log(double probability) => Math.Log(Math.Max(probability, 1e-9));
}
