using System.Text.RegularExpressions;
using Kostel.Core.Retrieval;
using Kostel.Core.Text;

namespace Kostel.Core.Answers;

/// <summary>Questions that only make sense after another one: "Why?", "And at neaps?", "How deep is it?".</summary>
public static partial class FollowUp
{
    /// <summary>A question of more words of its own stands by itself.</summary>
    private const int MostOwn = 3, MostBesidePointing = 2, MostOfOrdinal = 5;

    /// <summary>A word this like one of the question before takes its place (a judgement): neaps for springs.</summary>
    private const double TakesPlace = 0.3;

    /// <summary>The question with what it needs of the one before, as words to be asked; null where it stands by itself.</summary>
    /// <param name="before">The question before, or how that one was understood.</param>
    public static string? Understood(string text, string? before, WordKnowledge known)
    {
        text = BareQuestion.Of(text);
        var (words, own) = (Tokens.Of(text), Own(text));
        own = own.Count == 0 && words.Count <= MostOfOrdinal ? Ordinals(text) : own;
        if (before is null || words.Count == 0 || Own(before) is not { Count: > 0 } earlier)
        {
            return null;
        }

        if (own.Count == 0 && Asking().Match(text) is { Success: true } asking)
        {
            return Joined(asking.Value.ToLowerInvariant(), earlier.Select(w => w.Word));
        }

        if (own.Count is > 0 and <= MostOwn && (Loosely().IsMatch(text) || own.TrueForAll(w => w.IsPlain)))
        {
            var wants = Question.Read(Loosely().Replace(text, "")).Wants;
            return Joined(wants == Wanted.Statement ? Lead(before) : Asking().Match(Loosely().Replace(text, "")).Value, Merged(own, earlier, known));
        }

        return own.Count <= MostBesidePointing && words.Any(w => w is "it" or "its" or "they" or "them" or "their" or "that" or "this" or "those" or "these" or "he" or "she" or "one" or "ones")
            ? Joined(text.TrimEnd('?', ' '), earlier.Where(w => own.TrueForAll(o => o.Stem != w.Stem)).Select(w => w.Word))
            : null;
    }

    /// <summary>The words that were taken from the question before.</summary>
    public static IReadOnlyList<string> Taken(string text, string understood)
    {
        var own = AskedWords.Of(text).Select(w => w.Stem).ToHashSet();
        return Own(understood).Where(w => !own.Contains(w.Stem)).Select(w => w.Word).ToList();
    }

    private static List<AskedWord> Own(string text) => Question.Read(text).Words.Where(w => !w.IsPlain).ToList();

    /// <summary>"The second one?" asks for the second of what was asked before.</summary>
    private static List<AskedWord> Ordinals(string text) => AskedWords.Of(text).Where(w => w.Word is "first" or "second" or "third" or "last" or "other" or "next").ToList();

    private static string Joined(string lead, IEnumerable<string> words) => $"{lead} {string.Join(' ', words)}".Trim();

    /// <summary>The new words, and of the earlier ones those whose place none of them takes.</summary>
    private static IEnumerable<string> Merged(List<AskedWord> own, List<AskedWord> earlier, WordKnowledge known)
    {
        var likeness = new WordLikeness(known);
        var left = earlier.Where(e => own.TrueForAll(o => o.Stem != e.Stem)).ToList();
        foreach (var word in own)
        {
            var like = likeness.To(word.Word);
            if (left.Count > 0 && left.MaxBy(e => like(e.Word, e.Stem)) is { } nearest && like(nearest.Word, nearest.Stem) >= TakesPlace)
            {
                left.Remove(nearest);
            }
        }

        return own.Concat(left).Select(w => w.Word);
    }

    /// <summary>The words with which a question says what it wants: "how much does".</summary>
    private static string Lead(string question)
    {
        var first = Own(question)[0].Stem;
        return string.Join(' ', Tokens.Of(question).TakeWhile(w => Tokens.Stem(IrregularForms.BaseOf(w)) != first));
    }

    [GeneratedRegex(@"^\W*(?:and|but|or|then|so|what about|how about|and what about)\b\W*", RegexOptions.IgnoreCase)]
    private static partial Regex Loosely();

    private const string Measures = "much|many|long|far|often|deep|high|fast|big|large|thick|wide|heavy|old";

    [GeneratedRegex($@"\b(?:how (?:{Measures})|why|how|when|where|who|which|what)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Asking();
}
