using Kostel.Core.Text;

namespace Kostel.Core.Answers.Written;

/// <summary>A word that says something.</summary>
/// <param name="IsDenied">It is the first after a word that denies: "not the wick", "no salt".</param>
internal sealed record ClauseWord(string Word, string Stem, bool IsPlain, bool IsDenied);

/// <summary>A part of a sentence between commas and connecting words.</summary>
/// <param name="Denials">For each word that denies, the stem of what it denies; null where that is all of it.</param>
/// <param name="Compares">Whether it says that something is more or less than something else.</param>
internal sealed record Clause(IReadOnlyList<ClauseWord> Words, IReadOnlyList<string?> Denials, bool Compares);

/// <summary>Divides texts into clauses. Lists of words are common practice, no source.</summary>
internal static class WrittenClauses
{
    private static readonly HashSet<string> Denying = Set("""
        not no never none nobody nothing neither nor without cannot isn't aren't wasn't weren't don't doesn't didn't can't won't shouldn't mustn't couldn't wouldn't hasn't haven't hadn't needn't nowhere
        avoid avoids avoided refuse refuses fail fails lack lacks lacked stop stops stopped prevents prevent unable instead
        """);

    /// <summary>After "is" they deny all that was said.</summary>
    private static readonly HashSet<string> DenyingAll = Set("forbidden prohibited wrong myth false impossible untrue mistake missing");

    private static readonly HashSet<string> Being = Set("is are was were be been a it's that's an stay stays remain");

    private static readonly HashSet<string> Connecting = Set("but because so since although though while whereas when if unless until which that who where then therefore however and against before after");

    /// <summary>What puts things side by side; other connecting words bind them.</summary>
    private static readonly HashSet<string> Side = Set("and but while whereas");

    /// <summary>What is denied stands behind these: "not permitted to take".</summary>
    private static readonly HashSet<string> PassOn = Set("permitted allowed possible able necessary need needs needed want wanted have make makes made let allow used use begin");

    private static readonly HashSet<string> Nearly = Set("almost nearly hardly");

    /// <summary>The clauses of a text.</summary>
    public static List<Clause> Of(string text) => Of(text, Connecting);

    /// <summary>Its parts that stand side by side: "the letter for the shelf", "the number for the place".</summary>
    public static List<Clause> SideBySide(string text) => Of(text, Side);

    private static HashSet<string> Set(string words) => [.. words.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries)];

    private static List<Clause> Of(string text, HashSet<string> connecting)
    {
        var clauses = new List<Clause>();
        var (words, tokens, denials, denies) = (new List<ClauseWord>(), new List<string>(), new List<string?>(), false);
        foreach (var part in text.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries))
        {
            foreach (var token in Tokens.Of(part))
            {
                var before = tokens.Count > 0 ? tokens[^1] : "";
                tokens.Add(token);
                if (connecting.Contains(token))
                {
                    Close();
                }
                else if (Denying.Contains(token))
                {
                    denies = !Nearly.Contains(before);
                }
                else if (denies && before == "not" && token is "all" or "every" or "always" or "everybody" or "everything")
                {
                    denials.Add(null);
                    denies = false;
                }
                else if (token is "more" or "less" or "only" && denies && before is "no" or "not")
                {
                    denies = false;
                }
                else if (DenyingAll.Contains(token) && Being.Contains(before))
                {
                    denials.Add(null);
                }
                else if (token is "less" or "fewer")
                {
                    words.Add(new ClauseWord("less", Opposites.Stem("less"), IsPlain: true, denies));
                }
                else if (AskedWords.All([token]).FirstOrDefault() is { } word && !Strengths.Names(token) && !NumberWords.IsNumber(token))
                {
                    var passesOn = denies && PassOn.Contains(token);
                    words.Add(new ClauseWord(word.Word, word.Stem, word.IsPlain, denies && !passesOn));
                    if (denies && !passesOn)
                    {
                        denials.Add(word.Stem);
                    }

                    denies = passesOn;
                }
            }

            if (part[^1] is ',' or '.' or ';' or ':' or '!' or '?' or ')')
            {
                Close();
            }
        }

        Close();
        return clauses;

        void Close()
        {
            if (denies)
            {
                denials.Add(null);
            }

            if (words.Count > 0)
            {
                clauses.Add(new Clause([.. words], [.. denials], tokens.Contains("than")));
            }

            words.Clear();
            tokens.Clear();
            denials.Clear();
            denies = false;
        }
    }
}
