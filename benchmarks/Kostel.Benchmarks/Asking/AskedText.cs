using System.Globalization;
using Kostel.Core.Answers;
using Kostel.Core.Captions;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Benchmarks.Asking;

/// <summary>A question with the sentences that answer it; none where nothing does.</summary>
internal sealed record WrittenQuestion(string Text, HashSet<int> Right)
{
    public bool IsAnswered => Right.Count > 0;
}

/// <summary>A text with the questions that were written to it.</summary>
/// <param name="IsForStates">From its questions is learned what may be said of an answer, and not which sentence answers.</param>
internal sealed record AskedText(string Name, IReadOnlyList<Sentence> Sentences, AnswerGround Ground, IReadOnlyList<WrittenQuestion> Questions, bool IsForStates)
{
    /// <param name="lists">A question a line: text, question, lines of the text that answer it; "-" where none does. Several are joined by "+"; all but the first are for states.</param>
    /// <param name="folder">Where the texts stand, a sentence a line.</param>
    public static List<AskedText> ReadAll(string lists, string folder, WordKnowledge known) => lists.Split('+').SelectMany((list, i) => Read(list, folder, known, i > 0)).ToList();

    private static IEnumerable<AskedText> Read(string list, string folder, WordKnowledge known, bool isForStates) => File.ReadLines(list).Select(l => l.Split('\t')).GroupBy(l => l[0]).Select(text =>
    {
        var lines = File.ReadLines(Path.Combine(folder, text.Key + ".txt")).Where(l => l.Trim().Length > 0 && !l.StartsWith("==", StringComparison.Ordinal));
        var sentences = LinedText.Read(string.Join('\n', lines))!.Sentences;
        return new AskedText(
            text.Key, sentences, new AnswerGround([sentences], known), text.Select(q => new WrittenQuestion(q[1], q[2] == "-" ? [] : Ranges(q[2]).ToHashSet())).ToList(), isForStates);
    });

    private static IEnumerable<int> Ranges(string ranges) =>
        ranges.Split(',').Select(r => r.Split('-').Select(n => int.Parse(n, CultureInfo.InvariantCulture) - 1).ToArray()).SelectMany(r => Enumerable.Range(r[0], r[^1] - r[0] + 1));
}
