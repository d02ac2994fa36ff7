using DiffPlex;
using DiffPlex.Chunkers;

namespace Kostel.Core.Text;

/// <summary>A place where two sequences of words differ: <paramref name="OldCount"/> words from <paramref name="OldStart"/>
/// stand where the other has <paramref name="NewCount"/> words from <paramref name="NewStart"/>. Either count may be 0.</summary>
public sealed record WordChange(int OldStart, int OldCount, int NewStart, int NewCount);

/// <summary>Compares sequences of words (Myers 1986, "An O(ND) difference algorithm and its variations", by DiffPlex).</summary>
public static class WordDiff
{
    /// <summary>The changes from one sequence to the other, in order. Words are compared by letters and digits alone.</summary>
    public static IReadOnlyList<WordChange> Between(IEnumerable<string> before, IEnumerable<string> after)
    {
        var result = Differ.Instance.CreateDiffs(Lines(before), Lines(after), ignoreWhiteSpace: false, ignoreCase: false, LineChunker.Instance);
        return result.DiffBlocks.Select(b => new WordChange(b.DeleteStartA, b.DeleteCountA, b.InsertStartB, b.InsertCountB)).ToList();
    }

    /// <summary>A word without case and without punctuation around and in it; a sign that stands alone stays as it is.</summary>
    public static string Key(string word)
    {
        var letters = string.Concat(word.Where(char.IsLetterOrDigit)).ToLowerInvariant();
        return letters.Length > 0 ? letters : word;
    }

    private static string Lines(IEnumerable<string> words) => string.Join('\n', words.Select(Key));
}
