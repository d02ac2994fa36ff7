using Kostel.Core.Text;

namespace Kostel.Core.Answers.Written;

/// <summary>A word that says something, and whether it is denied where it stands.</summary>
/// <param name="Clause">Counts parts between commas and connecting words.</param>
internal sealed record SignedWord(string Word, string Stem, bool IsDenied, int At, int Clause);

/// <summary>Reads which words of a text are denied: "not heavy", "never closes", "without salt", "it is wrong that it sinks". Lists are common practice, no source.</summary>
internal static class SignedWords
{
    /// <summary>A denial reaches over so many words that say something.</summary>
    private const int Reach = 3;

    private static readonly HashSet<string> Denials =
    [
        "not", "no", "never", "none", "nobody", "nothing", "neither", "nor", "without", "cannot", "isn't", "aren't", "wasn't", "weren't", "don't", "doesn't", "didn't", "can't", "won't", "shouldn't", "mustn't",
        "couldn't", "wouldn't", "hasn't", "haven't", "hadn't", "needn't", "hardly", "avoid", "avoids", "avoiding", "stop", "stops", "prevent", "prevents", "refuse", "refuses", "fail", "fails", "lack", "lacks",
        "lacking", "instead", "except", "unlike", "nowhere",
    ];

    private static readonly HashSet<string> DeniesBefore = ["forbidden", "prohibited", "wrong", "myth", "false", "impossible", "untrue", "useless", "absent", "missing"];

    private static readonly HashSet<string> Ends = ["but", "because", "so", "since", "although", "though", "while", "whereas", "when", "if", "unless", "until", "which", "that", "who", "where", "then", "therefore", "however"];

    /// <summary>The words of a text that say something, in order.</summary>
    public static List<SignedWord> Of(string text)
    {
        var found = new List<SignedWord>();
        var (clause, left) = (0, 0);
        var words = Split(text);
        for (var i = 0; i < words.Count; i++)
        {
            var (word, endsClause) = words[i];
            if (word == "no" && i + 1 < words.Count && words[i + 1].Word is "more" or "less" or "fewer" && i + 2 < words.Count && words[i + 2].Word == "than")
            {
                i += 2;
                continue;
            }

            if (word == "not" && i + 1 < words.Count && words[i + 1].Word is "only" or "more" or "less")
            {
                i++;
                continue;
            }

            if (word == "rather" && i + 1 < words.Count && words[i + 1].Word == "than")
            {
                left = Reach;
                i++;
                continue;
            }

            if (Ends.Contains(word))
            {
                (clause, left) = (clause + 1, 0);
            }
            else if (Denials.Contains(word))
            {
                left = Reach;
            }
            else if (DeniesBefore.Contains(word))
            {
                for (var k = Math.Max(0, found.Count - Reach); k < found.Count; k++)
                {
                    found[k] = found[k].Clause == clause ? found[k] with { IsDenied = !found[k].IsDenied } : found[k];
                }
            }
            else if (AskedWords.All([word]).FirstOrDefault() is { } said)
            {
                found.Add(new SignedWord(said.Word, said.Stem, left > 0, found.Count, clause));
                left = Math.Max(0, left - 1);
            }

            if (endsClause)
            {
                (clause, left) = (clause + 1, 0);
            }
        }

        return found;
    }

    private static List<(string Word, bool EndsClause)> Split(string text)
    {
        var words = new List<(string, bool)>();
        foreach (var part in text.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries))
        {
            var tokens = Tokens.Of(part);
            for (var i = 0; i < tokens.Count; i++)
            {
                words.Add((tokens[i], i == tokens.Count - 1 && part[^1] is ',' or '.' or ';' or ':' or '!' or '?' or ')'));
            }
        }

        return words;
    }
}
