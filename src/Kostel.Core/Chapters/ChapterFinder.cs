using Kostel.Core.Chapters.Titles;
using Kostel.Core.Speech.Languages;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Chapters;

/// <summary>Divides a lecture into chapters where its subject changes, rather at a long pause or where the lecturer says so than elsewhere, and names them.</summary>
/// <param name="words">What is known of words, asked anew for each lecture because it may come late; <see cref="WordKnowledge.None"/> to go by the lecture's words alone.</param>
public sealed class ChapterFinder(Func<WordKnowledge> words)
{
    /// <summary>Beyond this a pause says no more.</summary>
    private const int LongestPauseMs = 3_000;

    /// <summary>What a pause of one second says for a boundary, and a new speaker or paragraph, in nats.</summary>
    private const double PerSecondOfPause = 10, NewPassage = 2;

    /// <summary>What another slide says for a boundary, in nats (a judgement): less where slides stand shorter than chapters usually last.</summary>
    private const double NewSlide = 10;

    /// <summary>So near to it begins the sentence that belongs to it.</summary>
    private const int NearSlideMs = 4_000;

    /// <summary>What it costs when a chapter is e times as long or as short as expected, in nats.</summary>
    private const double PerLength = 12, PerLengthAsked = 8;

    /// <summary>What each chapter costs, so that there are few rather than many, in nats.</summary>
    private const double PerChapter = 6;

    /// <summary>A welcome and a farewell are shorter than what lies between: so much of what shortness costs elsewhere.</summary>
    private const double AtAnEdge = 0.4;

    /// <summary>Where the number is asked for, no chapter is longer than this many times the mean.</summary>
    private const int LongestOfMean = 6;

    /// <summary>In a text of fewer units any division is tried.</summary>
    private const int ShortText = 200;

    /// <summary>Goes by the words alone.</summary>
    public static ChapterFinder ByWords { get; } = new(() => WordKnowledge.None);

    /// <summary>Chapters that tile the lecture; none for a lecture without words.</summary>
    /// <param name="language">The code of what is spoken; what is known of words is known of English.</param>
    /// <param name="count">How many; null for as many as there are. No more than there are sentences.</param>
    /// <param name="slidesMs">When other slides come in the picture, in order.</param>
    public IReadOnlyList<Chapter> Find(IReadOnlyList<Sentence> sentences, int durationMs, int? count = null, string language = "en", IReadOnlyList<int>? slidesMs = null)
    {
        var units = TextUnit.Of(sentences);
        if (units.Count == 0)
        {
            return [];
        }

        var usual = UsualPauseMs(units);
        var slides = NewSlides(units, slidesMs ?? [], durationMs);
        var known = Known(language);
        var starts = new TopicSegmentation(units.ConvertAll(u => u.Text), known.Vectors).Divide(
            new SegmentationEvidence(i => Boundary(units, i, usual) - slides[i], count is { } wanted ? Asked(units, wanted) : Usual(units, durationMs), TooLong(units, durationMs, count)), count);
        var ends = starts.Skip(1).Append(units.Count).ToList();
        var titles = ChapterTitles.For(starts.Select((s, i) => (IReadOnlyList<Sentence>)units.GetRange(s, ends[i] - s).ConvertAll(u => u.Sentence)).ToList(), known, language);
        return starts.Select((s, i) => new Chapter(
            titles[i],
            i == 0 ? 0 : units[s].StartMs,
            ends[i] < units.Count ? units[ends[i]].StartMs : Math.Max(durationMs, units[^1].EndMs))).ToList();
    }

    /// <summary>Chapters of which those without a title have one out of what is said in them, which no other has.</summary>
    public IReadOnlyList<Chapter> Named(IReadOnlyList<Chapter> chapters, IReadOnlyList<Sentence> sentences, string language)
    {
        if (chapters.All(c => c.Title.Length > 0))
        {
            return chapters;
        }

        var said = chapters.Select(c => (IReadOnlyList<Sentence>)sentences.Where(s => s.StartMs >= c.StartMs && s.StartMs < c.EndMs).ToList()).ToList();
        return ChapterTitles.For(said, Known(language), language, chapters.Select(c => c.Title).ToList()).Zip(chapters, (title, c) => c with { Title = title }).ToList();
    }

    private WordKnowledge Known(string language) => language == SpokenLanguages.English ? words() : WordKnowledge.None;

    /// <summary>What the slides say for a boundary before each unit: each slide for the one that begins nearest to it.</summary>
    private static double[] NewSlides(List<TextUnit> units, IReadOnlyList<int> slidesMs, int durationMs)
    {
        var says = new double[units.Count];
        var each = NewSlide * Math.Min(1, durationMs / Lengths(durationMs).ExpectedMs / Math.Max(1, slidesMs.Count));
        var next = 0;
        foreach (var at in slidesMs)
        {
            while (next < units.Count - 1 && Math.Abs(units[next + 1].StartMs - at) <= Math.Abs(units[next].StartMs - at))
            {
                next++;
            }

            says[next] = Math.Abs(units[next].StartMs - at) <= NearSlideMs ? each : says[next];
        }

        return says;
    }

    /// <summary>How long the lecturer usually rests between two sentences.</summary>
    private static int UsualPauseMs(List<TextUnit> units)
    {
        var pauses = units.Zip(units.Skip(1), PauseMs).Order().ToList();
        return pauses.Count == 0 ? 0 : pauses[pauses.Count / 2];
    }

    private static int PauseMs(TextUnit before, TextUnit after) => Math.Clamp(after.StartMs - before.EndMs, 0, LongestPauseMs);

    /// <summary>What a boundary before a unit costs; a pause counts for what it is longer than usual.</summary>
    private static double Boundary(List<TextUnit> units, int i, int usualPauseMs)
    {
        var (before, after) = (units[i - 1], units[i]);
        var pause = (PauseMs(before, after) - usualPauseMs) / 1000.0;
        var isNew = before.Sentence.PassageId != after.Sentence.PassageId;
        return -(PerSecondOfPause * pause) - (isNew ? NewPassage : 0) - (after.IsWhole ? TurningPhrases.Between(before.Text, after.Text) : 0);
    }

    /// <summary>What a chapter costs where their number is found: few, of usual length.</summary>
    private static Func<int, int, double> Usual(List<TextUnit> units, int durationMs)
    {
        var (shortest, expected, _) = Lengths(durationMs);
        return (from, to) =>
        {
            var length = LengthMs(units, from, to);
            var isWhole = from == 0 && to == units.Count;
            var isEdge = from == 0 || to == units.Count;
            var off = Math.Log(Math.Max(1.0, length) / expected);
            return !isWhole && length < (isEdge ? shortest * AtAnEdge : shortest)
                ? double.PositiveInfinity
                : PerChapter + (PerLength * (isEdge && off < 0 ? AtAnEdge : 1) * Math.Abs(off));
        };
    }

    /// <summary>What a chapter costs where their number is given: alike in length rather than not.</summary>
    private static Func<int, int, double> Asked(List<TextUnit> units, int count)
    {
        var expected = units.Count / (double)count;
        return (from, to) => PerLengthAsked * ((from == 0 || to == units.Count) && to - from < expected ? AtAnEdge : 1) * Math.Abs(Math.Log((to - from) / expected));
    }

    private static Func<int, int, bool> TooLong(List<TextUnit> units, int durationMs, int? count)
    {
        if (count is { } wanted)
        {
            var most = units.Count < ShortText ? units.Count : Math.Max(1, units.Count / wanted * LongestOfMean);
            return (from, to) => to - from > most;
        }

        var (_, _, longest) = Lengths(durationMs);
        return (from, to) => to - from > 1 && LengthMs(units, from, to) > longest;
    }

    private static int LengthMs(List<TextUnit> units, int from, int to) =>
        (to == units.Count ? units[^1].EndMs : units[to].StartMs) - (from == 0 ? 0 : units[from].StartMs);

    /// <summary>Three to ten minutes in an hour (common practice, no source), less in a short lecture.</summary>
    private static (int ShortestMs, double ExpectedMs, int LongestMs) Lengths(int durationMs)
    {
        const int LeastMs = 30_000, ShortestInAnHourMs = 180_000, LongestMs = 600_000, Hour = 3_600_000;
        const double InAnHour = 13, Growth = 0.3, ShortestOfExpected = 0.4;
        var hours = Math.Max(durationMs, 1) / (double)Hour;
        var expected = durationMs / Math.Max(1, InAnHour * Math.Pow(hours, Growth));
        expected = Math.Clamp(expected, LeastMs, LongestMs * 0.7);
        return ((int)Math.Clamp(expected * ShortestOfExpected, LeastMs, ShortestInAnHourMs), expected, (int)Math.Clamp(expected * 4, LeastMs * 5, LongestMs));
    }
}
