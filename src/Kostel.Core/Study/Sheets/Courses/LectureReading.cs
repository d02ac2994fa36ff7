using System.Globalization;
using Kostel.Core.Study.Facts;
using Kostel.Core.Study.Statements;
using Kostel.Core.Study.Summaries;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Sheets.Courses;

/// <summary>What a lecture brings to the sheet of its course: small enough to hold a term's lectures at once.</summary>
/// <param name="LectureId">Whose words these are; null where that goes without saying.</param>
/// <param name="Title">What the lecture is called.</param>
/// <param name="Points">What is to be known of it, the weightiest first.</param>
/// <param name="Said">Everything that it states, beside which other lectures' points are held.</param>
/// <param name="Named">The phrases by which it names things more than in passing.</param>
public sealed record LectureReading(string? LectureId, string Title, IReadOnlyList<CoursePoint> Points, IReadOnlyList<CoursePoint> Said, IReadOnlyList<string> Named)
{
    /// <summary>A lecture's points are looked for in this many words of it, whatever the number of lectures.</summary>
    private const int WordsOfPoints = 400;

    private const int LeastMentions = 2;
    private const double MostlyNoun = 0.6;

    /// <summary>Reads a lecture.</summary>
    public static LectureReading Of(string? lectureId, string title, StudyGround ground)
    {
        var chosen = Summarizer.Summarize(ground, WordsOfPoints).SelectMany(p => p.Lines).OrderByDescending(Weight).ToList();
        if (StudyLanguages.IsSpanish(ground.Transcript.Language))
        {
            var points = chosen.ConvertAll(Point);
            return new LectureReading(lectureId, title, points, points, []);
        }

        // What may be misheard, and what is about the course, is neither told nor held beside another lecture.
        var sound = ground.Whole.All.Where(s => !s.IsIllFormed && !ground.Facts.IsOfCourse(s.Sentence)).ToList();
        var places = sound.Select(s => s.Source).ToHashSet();
        var said = sound.ConvertAll(s => Point(Evidence.Of(s.Part)) with { Source = s.Source.In(lectureId) });
        var named = KeyPhrases.Count(ground.Sentences).Where(p => (p.Value.IsDefined || p.Value.Count >= LeastMentions) && NamesAThing(p.Key)).Select(p => p.Key).ToList();
        return new LectureReading(lectureId, title, chosen.Where(places.Contains).Select(Point).ToList(), said, named);

        // "Later", "warm" and "I'd" head nothing.
        bool NamesAThing(string phrase) => phrase.Split(' ')[^1] is var head && !head.Contains('\'') && ground.Words.Lexicon.KindsOf(head) is var kinds && (kinds.Total == 0 || kinds.NounShare >= MostlyNoun);

        double Weight(Evidence source) => ground.Sentences.Where(s => s.StartMs >= source.StartMs && s.EndMs <= source.EndMs).Select(ground.Importance.Of).DefaultIfEmpty().Average();

        CoursePoint Point(Evidence source) => CoursePoint.Of(source.In(lectureId), ground.Sentences);
    }
}

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
