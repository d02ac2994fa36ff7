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
    private const double PerSecondOfPause = 1.5, NewPassage = 0.3;

    /// <summary>What another slide says for a boundary, in nats (a judgement): less where slides stand shorter than chapters usually last.</summary>
    private const double NewSlide = 3;

    /// <summary>So near to it begins the sentence that belongs to it.</summary>
    private const int NearSlideMs = 4_000;

    /// <summary>So many sentences had a chapter of the lectures that were learned from; where they have more, each is less likely the first of one.</summary>
    private const double UnitsOfLearned = 9.4;

    /// <summary>A welcome and a farewell are shorter than what lies between: so much of the shortest that others may be.</summary>
    private const double AtAnEdge = 0.4;

    /// <summary>Where the number is asked for, no chapter is longer than this many times the mean.</summary>
    private const int LongestOfMean = 6;

    /// <summary>In a text of fewer units any division is tried.</summary>
    private const int ShortText = 200;

    private const int MostOthers = 5;

    private static ChapterModel Model => ChapterWeights.Learned;

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
        var texts = units.ConvertAll(u => u.Text);
        var topics = new TopicSegmentation(texts, known.Vectors);
        var isJoined = JoinedTexts.Are(topics);
        var features = new BoundaryFeatures(texts, known.Vectors);
        double Said(int i) => Model.OfBoundary(features.Of(i, units[i].IsWhole && language == SpokenLanguages.English));
        double HeardOrSeen(int i) => Heard(units, i, usual) + slides[i];
        var starts = topics.Divide(
            new SegmentationEvidence(
                i => isJoined ? -JoinedTexts.Heard * HeardOrSeen(i) : -Said(i) - HeardOrSeen(i),
                count is { } wanted ? Asked(units.Count, wanted, isJoined) : Usual(units, durationMs, isJoined),
                TooLong(units, durationMs, count))
            { Gains = isJoined ? GainWeights.Whole : Model.Gains },
            count);
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

        return ChapterTitles.For(Said(chapters, sentences), Known(language), language, chapters.Select(c => c.Title).ToList()).Zip(chapters, (title, c) => c with { Title = title }).ToList();
    }

    /// <summary>What else a chapter could be called, the likeliest first; none if there is nothing to say.</summary>
    /// <param name="startMs">Where it begins.</param>
    public IReadOnlyList<string> OtherTitles(IReadOnlyList<Chapter> chapters, int startMs, IReadOnlyList<Sentence> sentences, string language)
    {
        var at = chapters.Select(c => c.StartMs).ToList().IndexOf(startMs);
        return at < 0 ? [] : ChapterTitles.Others(Said(chapters, sentences), at, Known(language), language, [.. chapters.Select(c => c.Title)], MostOthers);
    }

    private static List<IReadOnlyList<Sentence>> Said(IReadOnlyList<Chapter> chapters, IReadOnlyList<Sentence> sentences) =>
        [.. chapters.Select(c => (IReadOnlyList<Sentence>)[.. sentences.Where(s => s.StartMs >= c.StartMs && s.StartMs < c.EndMs)])];

    private WordKnowledge Known(string language) => language == SpokenLanguages.English ? words() : WordKnowledge.None;

    /// <summary>What the slides say for a boundary before each unit: each slide for the one that begins nearest to it.</summary>
    private static double[] NewSlides(List<TextUnit> units, IReadOnlyList<int> slidesMs, int durationMs)
    {
        var says = new double[units.Count];
        var each = NewSlide * Math.Min(1, durationMs / ChapterLengths.Of(durationMs).ExpectedMs / Math.Max(1, slidesMs.Count));
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

    /// <summary>What is heard before a unit says for a boundary; a pause counts for what it is longer than usual.</summary>
    private static double Heard(List<TextUnit> units, int i, int usualPauseMs)
    {
        var (before, after) = (units[i - 1], units[i]);
        var isNew = before.Sentence.PassageId != after.Sentence.PassageId;
        return (PerSecondOfPause * (PauseMs(before, after) - usualPauseMs) / 1000.0) + (isNew ? NewPassage : 0);
    }

    /// <summary>What a chapter costs where their number is found: few, of usual length.</summary>
    private static Func<int, int, double> Usual(List<TextUnit> units, int durationMs, bool isJoined)
    {
        var (shortest, expected, _) = ChapterLengths.Of(durationMs);
        var each = Math.Log(Math.Max(1, units.Count * expected / Math.Max(1, durationMs) / UnitsOfLearned));
        return (from, to) =>
        {
            var length = LengthMs(units, from, to);
            var isEdge = from == 0 || to == units.Count;
            return !(from == 0 && to == units.Count) && length < (isEdge ? shortest * AtAnEdge : shortest)
                ? double.PositiveInfinity
                : isJoined ? JoinedTexts.Length(length, expected, isEdge, isAsked: false) : each - Model.OfLength(length, expected, isEdge);
        };
    }

    /// <summary>What a chapter costs where their number is given: alike in length rather than not.</summary>
    private static Func<int, int, double> Asked(int units, int count, bool isJoined)
    {
        var expected = units / (double)count;
        return (from, to) => (from == 0 || to == units) is var isEdge && isJoined ? JoinedTexts.Length(to - from, expected, isEdge, isAsked: true) : -Model.OfLength(to - from, expected, isEdge);
    }

    private static Func<int, int, bool> TooLong(List<TextUnit> units, int durationMs, int? count)
    {
        if (count is { } wanted)
        {
            var most = units.Count < ShortText ? units.Count : Math.Max(1, units.Count / wanted * LongestOfMean);
            return (from, to) => to - from > most;
        }

        var (_, _, longest) = ChapterLengths.Of(durationMs);
        return (from, to) => to - from > 1 && LengthMs(units, from, to) > longest;
    }

    private static int LengthMs(List<TextUnit> units, int from, int to) =>
        (to == units.Count ? units[^1].EndMs : units[to].StartMs) - (from == 0 ? 0 : units[from].StartMs);
}
