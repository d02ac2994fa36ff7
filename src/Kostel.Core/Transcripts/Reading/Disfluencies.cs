using Kostel.Core.Text;

namespace Kostel.Core.Transcripts.Reading;

/// <summary>Words that a reader can do without: fillers, words said twice by mistake, and words broken off. They can be hidden; they are never deleted.</summary>
public static class Disfluencies
{
    private static readonly HashSet<string> Sounds = ["um", "umm", "uh", "uhm", "er", "erm", "ah", "eh", "hm", "hmm", "mm", "mhm"];
    private static readonly string[][] Phrases = [["you", "know"], ["i", "mean"], ["sort", "of", "like"], ["kind", "of", "like"]];
    private static readonly HashSet<string> SaidTwiceOnPurpose = ["very", "really", "much", "more", "many", "no", "yes", "long", "far", "bye", "had", "that", "so", "again", "on"];

    /// <summary>Indices of such words in a passage, in order.</summary>
    public static IReadOnlyList<int> Of(IReadOnlyList<Word> words)
    {
        var found = new SortedSet<int>();
        var keys = words.Select(w => WordDiff.Key(w.Text)).ToList();
        for (var i = 0; i < words.Count; i++)
        {
            if (Sounds.Contains(keys[i]) || IsBrokenOff(words, i) || IsRepeated(words, keys, i))
            {
                found.Add(i);
            }

            // "You know" is a filler where it stands by itself between commas or sentences, and a statement elsewhere.
            foreach (var phrase in Phrases.Where(p => i + p.Length <= words.Count && p.SequenceEqual(keys.Skip(i).Take(p.Length))))
            {
                if (ClosesClause(words, i - 1) && words[i + phrase.Length - 1].Text.EndsWith(','))
                {
                    found.UnionWith(Enumerable.Range(i, phrase.Length));
                }
            }
        }

        return found.ToList();
    }

    /// <summary>A transcript as it reads when they are hidden. The words that stay keep their times.</summary>
    public static Transcript Without(Transcript transcript) => transcript with
    {
        Passages = transcript.Passages.Select(p =>
        {
            var hidden = Of(p.Words).ToHashSet();
            return p with { Words = p.Words.Where((_, i) => !hidden.Contains(i)).ToList() };
        }).Where(p => p.Words.Count > 0).ToList(),
    };

    private static bool ClosesClause(IReadOnlyList<Word> words, int i) => i < 0 || words[i].Text[^1] is ',' or '.' or '?' or '!' or ';';

    private static bool IsBrokenOff(IReadOnlyList<Word> words, int i) =>
        words[i].Text.TrimEnd(',', '.', '…') is { Length: > 1 } bare && (bare[^1] is '-' or '–' or '—') && bare.Any(char.IsLetter) && i + 1 < words.Count;

    /// <summary>The first of two words said one after the other: "the the tide".</summary>
    private static bool IsRepeated(IReadOnlyList<Word> words, List<string> keys, int i) =>
        i + 1 < words.Count && keys[i] == keys[i + 1] && keys[i].Length > 0 && char.IsLetter(keys[i][0])
        && !SaidTwiceOnPurpose.Contains(keys[i]) && !Sentences.ClosesSentence(words[i].Text);
}
