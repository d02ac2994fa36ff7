using Kostel.Core.Grammar;
using Kostel.Core.Study.Facts;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Statements;

/// <summary>
/// What "it" or "they" at the beginning of a statement stands for, put in its place, where that is certain: what the sentence before is about, if nothing else there can be meant.
/// ("Cortisol is a hormone. It keeps blood sugar high" makes "Cortisol keeps blood sugar high".) Centering holds that a subject that is a pronoun goes on with what was spoken of
/// (Grosz, Joshi and Weinstein 1995; from memory).
/// </summary>
internal static class Referents
{
    private const int LongestSubject = 6, MostBefore = 2;

    /// <summary>"It … It … It …": so many times over what the first stands for is handed on.</summary>
    private const int LongestChain = 3;

    private static readonly HashSet<string> Pointing =
    [
        "it", "its", "it's", "this", "that", "these", "those", "they", "they're", "them", "their", "he", "she", "his", "her", "him", "here", "there", "such", "same", "another", "other", "others", "both", "either", "neither", "one", "ones", "each", "some", "most", "many", "all", "any",
        "i", "i'm", "my", "me", "you", "your", "we", "our", "us", "who", "what", "which", "somebody", "someone", "everybody", "nobody", "anybody", "something", "nothing", "everything", "thing", "things", "people", "two", "three", "four", "half",
        "reason", "result", "problem", "question", "answer", "point", "example", "idea", "way", "rule", "rest", "price", "trick", "trouble", "difference", "word", "name", "first", "second", "third", "last", "next",
    ];

    private static readonly HashSet<string> Several = ["people", "men", "women", "children", "mice", "teeth", "feet", "bacteria", "data"];

    /// <summary>With these "it" stands for nothing.</summary>
    private static readonly HashSet<string> Empty = ["seems", "seemed", "rains", "rained", "snows", "turns", "turned", "happens", "happened", "follows", "depends", "says", "said", "matters", "helps", "pays", "costs"];

    /// <summary>The statements of a lecture; those that lean on the one before by such a word alone stand by themselves.</summary>
    public static IReadOnlyList<Statement> PutIn(IReadOnlyList<Statement> statements, IGrammar grammar)
    {
        var all = statements.ToList();
        var tried = new HashSet<int>();
        for (var chain = 0; chain < LongestChain; chain++)
        {
            var found = Enumerable.Range(1, Math.Max(0, all.Count - 1)).Where(i => !tried.Contains(i)).Select(i => (At: i, Part: Resolved(all, i))).Where(f => f.Part is not null).ToList();
            if (found.Count == 0)
            {
                break;
            }

            var read = grammar.Read(found.ConvertAll(f => f.Part!.Text));
            for (var k = 0; k < found.Count; k++)
            {
                tried.Add(found[k].At);

                // Where the words no longer make a sentence it stays as it was.
                if (read[k] is { IsWhole: true })
                {
                    all[found[k].At] = all[found[k].At] with { Part = found[k].Part!, Before = [], Grammar = read[k] };
                }
            }
        }

        return all;
    }

    /// <summary>The words of a statement with what its first one stands for; null where that is not certain.</summary>
    private static Sentence? Resolved(List<Statement> statements, int at)
    {
        var statement = statements[at];
        var words = statement.Part.Words.Select(w => Tokens.Of(w.Text) is [var only] ? only : "").ToList();
        if (statement.Before.Count is 0 or > MostBefore || words[0] is not ("it" or "they") || Empty.Contains(words[1]) || !statement.Part.Words[0].Text.All(char.IsLetter) || PointsFurther(words) || IsAboutAClause(words))
        {
            return null;
        }

        var before = statements[at - 1];
        if (before is not { Before.Count: 0, Grammar: { } tree } || before.Sentence < statement.Sentence - 1 || before.Part.EndMs != statement.Before[^1].EndMs || before.Part.StartMs != statement.Before[^1].StartMs
            || MainClause.Of(tree) is not { Subject: { First: 0, Count: > 0 and <= LongestSubject } subject } clause)
        {
            return null;
        }

        subject = Called(before.Part, clause) ?? subject;
        var named = before.Part.Words.Skip(subject.First).Take(subject.Count).Select(w => w with { Text = w.Text.TrimEnd('.') }).ToList();
        var plain = named.ConvertAll(w => Tokens.Of(w.Text) is [var only] ? only : "");
        var isSeveral = words[0] == "they";
        if (plain.Exists(w => w.Length == 0 || Pointing.Contains(w)) || named.Exists(w => !char.IsLetterOrDigit(w.Text[^1])) || IsSeveral(plain) != isSeveral || (words[1] != "also" && CanBeElse(before.Part, tree, clause.Subject, isSeveral)))
        {
            return null;
        }

        var pronoun = statement.Part.Words[0];
        var sure = Math.Min(pronoun.Confidence, named.Min(w => w.Confidence));
        return statement.Part with { Words = [.. named.Select((w, i) => new Word(i == 0 ? WordForms.Capital(w.Text) : w.Text, pronoun.StartMs, pronoun.EndMs, sure)), .. statement.Part.Words.Skip(1)] };
    }

    /// <summary>"The deviation of the means is called the standard error": it goes on with what it is called.</summary>
    private static WordRun? Called(Sentence part, MainClause clause) =>
        clause.Subject.End + 1 < part.Words.Count && Tokens.Of(part.Words[clause.Subject.End].Text) is [var being] && WordForms.IsBeing(being) && Tokens.Of(part.Words[clause.Subject.End + 1].Text) is ["called"]
        && clause.Complements.FirstOrDefault(c => c.First == clause.Subject.End + 2) is { Count: > 0 and <= LongestSubject } named ? named : null;

    /// <summary>Whether anything else in a statement points to what was said before; "it … its" is the same thing again.</summary>
    private static bool PointsFurther(List<string> words) =>
        words.Skip(1).Any(w => w is "this" or "these" or "those" or "he" or "she" or "his" or "her" or "him" or "such" or "same" or "another" or "others" or "both" or "here") || Unsaid.IsIn(words)
        || (words[0] == "it" ? words.Skip(1).Any(w => w is "they" or "them" or "their") : words.Skip(1).Any(w => w is "it" or "its"));

    /// <summary>"It is clear that …", "it is called leaching": it stands for what comes, or for all that was said.</summary>
    private static bool IsAboutAClause(List<string> words) =>
        (words is ["it", "takes" or "took", ..] && words.Skip(2).Any(w => w is "to" or "until" or "for" or "before" || NumberWords.IsNumber(w)))
        || (words[0] == "it" && WordForms.IsBeing(words[1]) && words.Skip(2).Take(4).Any(w => w is "that" or "to" or "why" or "how" or "because" or "not" or "called" or "known" or "like" or "as"));

    /// <summary>Whether the sentence before names something else that could be meant: anything of the same number behind its verb, unless that is only what the subject is said to be or where it stands.</summary>
    private static bool CanBeElse(Sentence part, SentenceGrammar tree, WordRun subject, bool isSeveral)
    {
        var verb = Tokens.Of(part.Words[subject.End].Text) is [var only] ? only : "";
        var saysWhatItIs = WordForms.IsBeing(verb);
        var things = MainClause.Things(tree).Where(r => r.First >= subject.End).ToList();
        return !saysWhatItIs && (things.Exists(r => Number(part, r) == isSeveral && !IsBehindPreposition(part, r)) || part.Words.Skip(subject.End).Any(w => Tokens.Of(w.Text) is ["it" or "they" or "who" or "which"]));
    }

    private static bool IsBehindPreposition(Sentence part, WordRun run) => Tokens.Of(part.Words[run.First - 1].Text) is [var before] && before is "of" or "in" or "on" or "at" or "from" or "by" or "for" or "with" or "to" or "about" or "than" or "as" or "between" or "after" or "before" or "under" or "above";

    private static bool? Number(Sentence part, WordRun run)
    {
        var words = Enumerable.Range(run.First, run.Count).Select(i => Tokens.Of(part.Words[i].Text) is [var only] ? only : "").ToList();
        return words.TrueForAll(w => Pointing.Contains(w) || NumberWords.IsNumber(w)) ? null : IsSeveral(words);
    }

    /// <summary>Whether a phrase names several: by the last word before "of" or the like.</summary>
    private static bool IsSeveral(IReadOnlyList<string> phrase)
    {
        var head = phrase.TakeWhile((w, i) => i == 0 || !Prepositions.Leads(w)).Last();
        return phrase.Contains("and") || Several.Contains(head) || (head.EndsWith('s') && !head.EndsWith("ss", StringComparison.Ordinal) && !head.EndsWith("us", StringComparison.Ordinal) && !head.EndsWith("is", StringComparison.Ordinal));
    }
}
