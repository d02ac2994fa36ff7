using Kostel.Core.Study.Facts;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Statements;

/// <summary>What speakers put before and behind a statement without adding to it: "So, as I said, …", "…, if you like." Common practice, no source.</summary>
internal static class LeadIns
{
    private const int Shortest = 4, LongestAnnouncement = 14;

    private static readonly string[][] Before = Phrases("""
        so|and|but|now|well|okay|ok|right|anyway|also|again|yes|yeah|no|oh|um|er|uh|hmm|er er|finally|therefore|then|remember|remember that|notice|notice that|note that|look|see|you see|you know|i mean|of course|in fact|
        actually|basically|as i said|as i say|as we said|as you know|as we saw|as we have seen|as you see|as you can see|let's say|in other words|by the way|mind you|the point is that|the point is|the thing is|the trick is that|
        for most purposes|in practice|in short|to sum up|to be honest|what i want to say is that|i think|i think that|i'd say|i would say|we say that|we can say that|it turns out that|you will notice that|you'll notice that|you will see that|you'll see that|you see that|don't forget that|do not forget that|the fact is that|it is important that|it's important that|it is clear that|keep in mind that|
        first of all|to begin with|and then|and so|but then|so then|which means|that means|that means that|this means|this means that|so what happens is|what happens is that|what happens is|here's the thing|let me say this|
        the thing is that|the other thing is that|another thing is that|the first thing is that|the last thing is that|one thing is that|the funny thing is that|the strange thing is that|the nice thing is that|the interesting thing is that|the important thing is that|the surprise is that|my point is that
        """);

    private static readonly string[][] After = Phrases("""
        right|okay|ok|you know|you see|of course|if you like|so to speak|as it were|as i said|as you know|as we saw|as you can see|i think|i'd say|i suppose|isn't it|aren't they|doesn't it|don't they|simple as that|
        by the way|mind you|see|really|and so on|and so forth|then|though|anyway|at all events|believe me|please|remember|yes|no|well
        """);

    /// <summary>Some words of a sentence without what only leads in or out.</summary>
    public static Sentence Without(Sentence sentence, int from, int to)
    {
        var (first, end) = Around(sentence.Words.Skip(from).Take(to - from).ToList());
        return Clauses.Part(sentence, from + first, from + end);
    }

    /// <summary>The words that state something: from the first one, to the place after the last one.</summary>
    public static (int From, int To) Around(IReadOnlyList<Word> words)
    {
        var plain = words.Select(w => string.Join(' ', Tokens.Of(w.Text))).ToList();
        var (from, to) = (0, words.Count);
        while (Longest(Before, p => Stands(plain, from, p) && to - from - p.Length >= Shortest) is > 0 and var lead && EndsLead(words, from, lead))
        {
            from += lead;
        }

        from = Announced(words, plain, from, to);
        while (Longest(After, p => to - p.Length > from && Stands(plain, to - p.Length, p) && words[to - p.Length - 1].Text.EndsWith(',') && to - from - p.Length >= Shortest) is > 0 and var tag)
        {
            to -= tag;
        }

        return (from, to);
    }

    /// <summary>"First thing, and people get this wrong: …", "Now comes the part that nobody believes: …": past the colon of what only announces.</summary>
    private static int Announced(IReadOnlyList<Word> words, List<string> plain, int from, int to)
    {
        var colon = Enumerable.Range(from, to - from).FirstOrDefault(i => words[i].Text.EndsWith(':'), -1);
        return colon >= from && colon - from < LongestAnnouncement && to - colon - 1 >= Shortest && plain.GetRange(from, colon + 1 - from) is var said && said.Exists(Announcing.Contains) && !said.Exists(w => NumberWords.IsNumber(w) && w is not "one") ? colon + 1 : from;
    }

    private static readonly HashSet<string> Announcing = ["thing", "part", "trick", "catch", "mistake", "wrong", "surprise", "secret", "remember", "believes", "believe", "forget", "forgets"];

    /// <summary>"Right angles are …" begins with no lead-in: a word that could be more needs its comma.</summary>
    private static bool EndsLead(IReadOnlyList<Word> words, int from, int count) =>
        count > 1 || words[from].Text.EndsWith(',') || Tokens.Of(words[from].Text) is ["so" or "and" or "but" or "therefore" or "um" or "er" or "uh" or "hmm" or "well" or "okay" or "ok" or "oh"] or ["now"] && Tokens.Of(words[from + 1].Text) is not ["and" or "that"];

    private static int Longest(string[][] phrases, Func<string[], bool> stands) => phrases.Where(stands).Select(p => p.Length).DefaultIfEmpty(0).Max();

    private static bool Stands(List<string> words, int at, string[] phrase)
    {
        for (var i = 0; i < phrase.Length; i++)
        {
            if (at + i >= words.Count || words[at + i] != phrase[i])
            {
                return false;
            }
        }

        return true;
    }

    private static string[][] Phrases(string list) =>
        [.. list.ReplaceLineEndings("").Split('|', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Select(p => p.Split(' ', StringSplitOptions.RemoveEmptyEntries))];
}
