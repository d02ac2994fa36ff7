using Kostel.Core.Marks;
using Kostel.Core.Study.Facts;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Listening;

/// <summary>How much a stretch of a lecture carries: what it defines, measures and explains, and what the person marked there.</summary>
public static class ChapterWeight
{
    private const double Plain = 0.25, Defines = 3, Measures = 1, Explains = 1, Marked = 4;

    private static readonly string[] Reasons = ["because", "therefore", "that is why", "so that", "which means", "for this reason"];

    /// <summary>The weight; 0 for no words.</summary>
    public static double Of(IEnumerable<Sentence> sentences, IEnumerable<Mark> marks) =>
        sentences.Sum(Of) + (Marked * marks.Count(m => m.Kind is MarkKind.Key or MarkKind.Exam or MarkKind.Unclear));

    private static double Of(Sentence sentence)
    {
        var text = sentence.Text;
        return Plain + (Definitions.Find(sentence) is null ? 0 : Defines) + (Quantities.Find(sentence).Any(Quantities.IsMeasured) ? Measures : 0)
            + (Reasons.Any(r => text.Contains(r, StringComparison.OrdinalIgnoreCase)) ? Explains : 0);
    }
}
