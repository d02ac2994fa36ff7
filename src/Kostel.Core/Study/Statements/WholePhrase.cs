using Kostel.Core.Grammar;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Statements;

/// <summary>What a reader takes for one phrase, where the grammar's phrase is only a part of it: "the loop of the river" and not "the loop", "hydrogen ions" and not "ions".</summary>
internal static class WholePhrase
{
    private static readonly HashSet<string> Articles = ["a", "an", "the"];

    /// <summary>The run with the names before it and behind it, its article, and what it is "of".</summary>
    public static WordRun Of(SentenceGrammar grammar, Sentence part, WordRun run)
    {
        var words = part.Words;
        var tags = words.Select((_, i) => grammar.ByPlace.TryGetValue(i, out var leaf) ? leaf.Tag : "").ToList();
        var (first, end) = (run.First, run.End);
        while (first > 0 && IsOpen(words[first - 1]) && (Names(tags[first - 1]) || Describes(first - 1)) && Names(tags[first]) && !IsVerbLike(first - 1))
        {
            first--;
        }

        if (first > 0 && Articles.Contains(Plain(words[first - 1])))
        {
            first--;
        }

        while (end < words.Count && IsOpen(words[end - 1]))
        {
            var leads = Plain(words[end]) == "of" && end + 1 < words.Count ? 1 : 0;
            var at = end + leads;
            if (leads == 1)
            {
                while (at < words.Count - 1 && IsOpen(words[at]) && (Articles.Contains(Plain(words[at])) || Plain(words[at]) is "all" or "each" or "every" or "its" or "their" or "this" || tags[at] is { } tag && tag.StartsWith('a') || Describes(at)))
                {
                    at++;
                }
            }

            if (!Names(tags[at], nounsOnly: true) || IsVerbLike(at))
            {
                break;
            }

            end = at + 1;
        }

        return new WordRun(first, end);

        // "Cooling water": the parser's verb.
        bool Describes(int at) => at > 0 && Plain(words[at]).EndsWith("ing", StringComparison.Ordinal) && Plain(words[at - 1]) is "of" or "the" or "a" or "an" or "with" or "for" or "in" or "from" or "by";

        // A helper before it or an ending after it shows that the parser's noun is a verb here.
        bool IsVerbLike(int at) => Plain(words[at]) is var w && (StopWords.Contains(w) || WordForms.IsVerbOrAdverb(w));
    }

    private static bool Names(string? tag, bool nounsOnly = false) =>
        tag is { Length: > 0 } && (tag[0] is 'n' || (!nounsOnly && tag[0] is 'a' or 's' or 'g') || tag[0] is 's') && tag is not "a-c";

    private static bool IsOpen(Word word) => char.IsLetterOrDigit(word.Text[^1]) || word.Text[^1] is '\'' or '’';

    private static string Plain(Word word) => word.Text.ToLowerInvariant().Trim(',', '.', ';', ':');
}
