namespace Kostel.Core.Retrieval;

/// <summary>A piece of a text around what was found in it.</summary>
/// <param name="Spans">What was found: first character and the one after the last, in <paramref name="Text"/>.</param>
/// <param name="FirstSpan">Where in the whole text the first thing found begins; 0 where nothing is.</param>
public sealed record Excerpt(string Text, IReadOnlyList<IReadOnlyList<int>> Spans, int FirstSpan)
{
    private const string Cut = "…";

    /// <summary>The piece of a text that has most of what is looked for.</summary>
    /// <param name="alternatives">Words and phrases, folded.</param>
    /// <param name="most">Characters, about.</param>
    public static Excerpt Of(string text, IReadOnlyCollection<IReadOnlyList<string>> alternatives, int most)
    {
        var spans = Find(text, alternatives);
        if (text.Length <= most)
        {
            return new Excerpt(text, spans.ConvertAll(s => (IReadOnlyList<int>)[s.From, s.To]), spans.Count > 0 ? spans[0].From : 0);
        }

        var best = spans.Count == 0 ? 0 : spans.Select(s => s.From).MaxBy(from => spans.Count(s => s.From >= from && s.To <= from + (most * 2 / 3)));
        var start = WordBefore(text, Math.Max(0, Math.Min(best - (most / 4), text.Length - most)));
        var end = start + most >= text.Length ? text.Length : WordBefore(text, start + most);
        var (head, tail) = (start > 0 ? Cut : "", end < text.Length ? Cut : "");
        return new Excerpt(
            head + text[start..end].TrimEnd() + tail,
            spans.Where(s => s.From >= start && s.To <= end).Select(s => (IReadOnlyList<int>)[s.From - start + head.Length, s.To - start + head.Length]).ToList(),
            spans.Find(s => s.From >= start).From);
    }

    private static List<(int From, int To)> Find(string text, IReadOnlyCollection<IReadOnlyList<string>> alternatives)
    {
        var byFirst = alternatives.Where(a => a.Count > 0).ToLookup(a => a[0]);
        var words = FoldedWord.Of(text);
        var found = new List<(int, int)>();
        for (var i = 0; i < words.Count; i++)
        {
            var length = byFirst[words[i].Text].Where(a => a.Count <= words.Count - i && a.Index().All(w => words[i + w.Index].Text == w.Item)).Select(a => a.Count).DefaultIfEmpty(0).Max();
            if (length > 0)
            {
                found.Add((words[i].Start, words[i + length - 1].Start + words[i + length - 1].Length));
                i += length - 1;
            }
        }

        return found;
    }

    private static int WordBefore(string text, int at)
    {
        while (at > 0 && at < text.Length && !char.IsWhiteSpace(text[at - 1]))
        {
            at--;
        }

        return at;
    }
}
