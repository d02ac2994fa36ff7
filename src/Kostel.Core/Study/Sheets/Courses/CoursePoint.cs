using System.Globalization;
using Kostel.Core.Study.Facts;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Sheets.Courses;

/// <summary>Something that a lecture states, made ready to be held beside what another one states.</summary>
/// <param name="Source">Where it is said.</param>
/// <param name="Stems">What it speaks of, without its numbers.</param>
/// <param name="Amounts">The numbers that it names with their units.</param>
/// <param name="IsDenied">Whether it says that something is not so.</param>
/// <param name="Defines">Whether it says what something is.</param>
public sealed record CoursePoint(Evidence Source, IReadOnlySet<string> Stems, IReadOnlyList<(double Value, string Unit)> Amounts, bool IsDenied, bool Defines)
{
    private const int LeastShared = 3;
    private const double ShareOfFewer = 0.8, ShareOfMore = 0.5, Alike = 1e-9;

    private static readonly HashSet<string> Denying = ["not", "no", "never", "none", "neither", "nor", "cannot", "without", "hardly"];

    /// <summary>Made of a place and the sentences that hold it.</summary>
    public static CoursePoint Of(Evidence source, IReadOnlyList<Sentence> sentences)
    {
        var inside = sentences.Where(s => s.EndMs > source.StartMs && s.StartMs < source.EndMs).ToList();
        var amounts = inside.SelectMany(Quantities.Find).Where(q => Quantities.IsMeasured(q) && source.Quote.Contains(q.Text, StringComparison.OrdinalIgnoreCase)).Select(q => (q.Value, q.Unit)).Distinct().ToList();
        var words = Tokens.Of(source.Quote);
        return new CoursePoint(
            source,
            Tokens.ContentStems(source.Quote).Where(s => !NumberWords.IsNumber(s) && !double.TryParse(s, NumberStyles.Float, CultureInfo.InvariantCulture, out _)).ToHashSet(),
            amounts,
            words.Any(w => Denying.Contains(w) || w.EndsWith("n't", StringComparison.Ordinal)),
            inside.Exists(s => Definitions.Find(s) is not null));
    }

    /// <summary>Whether both say the same: of the same things, with the same numbers, and neither denies what the other says.</summary>
    public bool SaysTheSameAs(CoursePoint other)
    {
        var (shared, fewer, more) = Shared(other);
        return shared >= LeastShared && shared >= ShareOfFewer * fewer && shared >= ShareOfMore * more && IsDenied == other.IsDenied
            && Amounts.Count == other.Amounts.Count && Amounts.All(a => other.Amounts.Any(b => IsSame(a, b)));
    }

    /// <summary>Whether both speak of the very same with another number: the shorter one has no word of its own that could tell them apart.</summary>
    public bool NamesAnotherNumberThan(CoursePoint other)
    {
        var (shared, fewer, more) = Shared(other);
        return shared >= LeastShared && shared == fewer && shared >= ShareOfMore * more && IsDenied == other.IsDenied
            && Amounts.Any(a => other.Amounts.Any(b => a.Unit == b.Unit)) && Amounts.All(a => other.Amounts.All(b => a.Unit != b.Unit || !IsSame(a, b)));
    }

    private static bool IsSame((double Value, string Unit) a, (double Value, string Unit) b) => a.Unit == b.Unit && Math.Abs(a.Value - b.Value) <= Alike;

    private (int Shared, int Fewer, int More) Shared(CoursePoint other) =>
        (Stems.Count(other.Stems.Contains), Math.Min(Stems.Count, other.Stems.Count), Math.Max(Stems.Count, other.Stems.Count));
}
