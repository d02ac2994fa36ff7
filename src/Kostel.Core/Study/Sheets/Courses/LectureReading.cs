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
