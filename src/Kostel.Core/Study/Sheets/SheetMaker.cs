using System.Text.RegularExpressions;
using Kostel.Core.Grammar;
using Kostel.Core.Problems;
using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Facts;
using Kostel.Core.Study.Quizzes;
using Kostel.Core.Study.Spanish;
using Kostel.Core.Study.Statements;
using Kostel.Core.Study.Summaries;
using Kostel.Core.Study.Tasks;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Sheets;

/// <summary>Makes sheets of a lecture in its own words.</summary>
public static partial class SheetMaker
{
    private const int MostCues = 14, MostTerms = 40, MostNumbers = 40, LinesOfOutline = 2, ShortLine = 16;
    private const double PointsShare = 0.2;

    /// <summary>The sheet of a form; without parts where the lecture has nothing for it.</summary>
    /// <param name="transcript">The lecture.</param>
    /// <param name="form">What it is to show.</param>
    /// <param name="grammar">Tells where clauses begin, and which sentences are none.</param>
    /// <param name="isWanted">Of which places; null for the whole lecture.</param>
    /// <param name="compared">The two things of a comparison.</param>
    /// <param name="heldOn">The day of the lecture, by which "next Friday" is a date; null if it is not known.</param>
    public static Sheet Make(Transcript transcript, SheetForm form, IGrammar grammar, Func<Evidence, bool>? isWanted = null, DateOnly? heldOn = null, IReadOnlyList<string>? compared = null) =>
        Make(new StudyGround(transcript, grammar), form, isWanted, heldOn, compared);

    /// <summary>One for the person to fill.</summary>
    public static Sheet Empty { get; } = new(["Note"], []);

    /// <summary>The same of what was worked out already.</summary>
    public static Sheet Make(StudyGround ground, SheetForm form, Func<Evidence, bool>? isWanted = null, DateOnly? heldOn = null, IReadOnlyList<string>? compared = null)
    {
        var isSpanish = StudyLanguages.IsSpanish(ground.Transcript.Language);
        var made = form switch
        {
            SheetForm.Outline or SheetForm.Numbers or SheetForm.Steps or SheetForm.Tasks or SheetForm.Comparison when isSpanish => Empty,
            SheetForm.Points => Points(ground, isWanted),
            SheetForm.Outline => Outline(ground),
            SheetForm.Cues => Cues(ground, isWanted),
            SheetForm.Terms => Terms(ground),
            SheetForm.Numbers => Numbers(ground),
            SheetForm.Steps => Steps(ground),
            SheetForm.Tasks => Tasks(ground, heldOn),
            SheetForm.Comparison => compared is [var one, var other] ? Comparisons.Of(ground, one, other) : throw new NotValidException("A comparison is of two things."),
            _ => Empty,
        };
        return isWanted is null ? made : made with { Parts = [.. made.Parts.Select(p => p with { Lines = [.. p.Lines.Where(l => isWanted(l.Source!))] }).Where(p => p.Lines.Count > 0)] };
    }

    private static Sheet Points(StudyGround ground, Func<Evidence, bool>? isWanted)
    {
        var words = ground.Sentences.Where(s => isWanted?.Invoke(Evidence.Of(s)) != false).Sum(s => s.Words.Count);
        var room = Math.Max(SummaryLengths.Words(SummaryLength.Short), (int)(PointsShare * words));
        return new Sheet(["Point"], [.. Summarizer.Summarize(ground, room, isWanted).Select(p => new SheetPart(p.Chapter, [.. p.Lines.Select(l => new SheetLine([WordForms.Capital(Begun().Replace(l.Quote, m => m.Value.ToUpperInvariant()))], l))]))]);
    }

    private static Sheet Outline(StudyGround ground)
    {
        var statements = Statements(ground).Where(s => s.Before.Count == 0 && s.Part.Words.Count <= ShortLine).ToList();
        return new Sheet(["Outline"], [.. ground.Transcript.Chapters.Select(c => new SheetPart(c.Title, [.. statements
            .Where(s => s.Part.StartMs >= c.StartMs && s.Part.StartMs < c.EndMs).OrderByDescending(s => s.Worth).Take(LinesOfOutline).OrderBy(s => s.Part.StartMs).Select(s => new SheetLine([s.Part.Text], s.Source))]))]);
    }

    private static Sheet Cues(StudyGround ground, Func<Evidence, bool>? isWanted)
    {
        var rows = CardMaker.Make(ground, MostCues, isWanted is null ? null : d => isWanted(d.Source)).Select(c => new SheetLine([c.Content.Front, c.Content.Back], c.Source));
        return new Sheet(["Cue", "Note"], ByChapter(ground, rows), Summarizer.Summarize(ground, SummaryLengths.Words(SummaryLength.Line), isWanted).SelectMany(p => p.Lines).FirstOrDefault());
    }

    /// <summary>A term's number and example are sentences that name it; a term has one row, where it is first defined.</summary>
    private static Sheet Terms(StudyGround ground)
    {
        if (StudyLanguages.IsSpanish(ground.Transcript.Language))
        {
            return new Sheet(["Term", "What it is"], ByChapter(ground, SpanishFacts.Of(ground.Sentences).Where(f => f.Form == SpanishForm.Meaning).DistinctBy(f => f.Term).Select(f => new SheetLine([WordForms.Capital(f.Term!), f.Answer], Evidence.Of(f.Sentence)))));
        }

        var sentences = ground.Sentences.Where((s, i) => QuotableSentence.IsHeardWell(s) && !ground.Facts.IsOfCourse(i)).ToList();
        var stemsOf = sentences.ConvertAll(s => Tokens.ContentStems(s.Text).ToHashSet());
        var rows = sentences.SelectMany(s => Clauses.Of(s).Prepend(s)).Select(Definitions.Find).OfType<Definition>().DistinctBy(d => d.Term.ToLowerInvariant()).Take(MostTerms).Select(d =>
        {
            var stems = Tokens.ContentStems(d.Term).ToList();
            var named = sentences.Where((s, i) => s.StartMs >= d.Sentence.EndMs && stems.TrueForAll(stemsOf[i].Contains)).ToList();
            return new SheetLine(
                [WordForms.Capital(d.Term), WordForms.Capital(d.Meaning), named.FirstOrDefault(s => Quantities.Find(s).Any(Quantities.IsMeasured))?.Text ?? "", named.FirstOrDefault(s => Example().IsMatch(s.Text))?.Text ?? ""],
                Evidence.Of(d.Sentence));
        });
        return new Sheet(["Term", "What it is", "Number", "Example"], ByChapter(ground, rows));
    }

    private static Sheet Numbers(StudyGround ground)
    {
        var rows = Statements(ground)
            .Select(s => (Statement: s, Number: Quantities.Find(s.Part).FirstOrDefault(Quantities.IsMeasured)))
            .Where(n => n.Number is not null && Quantities.Find(n.Statement.Part).All(StatementCards.IsSure))
            .OrderByDescending(n => n.Statement.Worth).DistinctBy(n => n.Statement.Part.StartMs).Take(MostNumbers).OrderBy(n => n.Statement.Part.StartMs)
            .Select(n => new SheetLine([WordForms.Capital(n.Number!.Text), n.Statement.Source.Quote], n.Statement.Source));
        return new Sheet(["Number", "Of what"], ByChapter(ground, rows));
    }

    private static Sheet Steps(StudyGround ground)
    {
        var orders = OrderQuestions.Of(ground.Sentences, ground.Transcript.Chapters, _ => false, new Random(1)).Select(d => (Order: (OrderQuestion)d.Content, d.Source));
        return new Sheet(["Step"], [.. orders.Select(o => new SheetPart(ground.ChapterOf(o.Source), [.. o.Order.Order.Select(i => new SheetLine([o.Order.Items[i]], o.Source))]))]);
    }

    private static Sheet Tasks(StudyGround ground, DateOnly? heldOn) =>
        new(["What to do", "By when"], ByChapter(ground, TaskFinder.Find(ground.Transcript, heldOn).Select(t => new SheetLine([t.What, t.WhenText], t.Source))));

    private static IEnumerable<Statement> Statements(StudyGround ground) => ground.Statements.All.Where(ground.Facts.CanBeAsked);

    private static IReadOnlyList<SheetPart> ByChapter(StudyGround ground, IEnumerable<SheetLine> rows) =>
        [.. rows.GroupBy(r => ground.ChapterOf(r.Source!)).Select(g => new SheetPart(g.Key, [.. g]))];

    /// <summary>What led in to a sentence was left out: it begins anew.</summary>
    [GeneratedRegex(@"(?<=[\p{L}\d][.!?] )\p{Ll}(?=\p{Ll}*\b(?!\.))")]
    private static partial Regex Begun();

    [GeneratedRegex(@"\b(?:for example|for instance|such as|e\.g\.)", RegexOptions.IgnoreCase)]
    private static partial Regex Example();
}
