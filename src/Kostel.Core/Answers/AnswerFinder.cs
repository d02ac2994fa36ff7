using Kostel.Core.Answers.Forms;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Answers;

/// <summary>Something that can be asked: a lecture's sentences.</summary>
/// <param name="LectureId">Which lecture; null where it goes without saying.</param>
/// <param name="Title">What the lecture is called, where several are asked; empty for nothing.</param>
public sealed record AskedSource(string? LectureId, IReadOnlyList<Sentence> Sentences, string Title = "");

/// <summary>Answers questions from lectures in their own sentences, or says that they have none.</summary>
public sealed class AnswerFinder
{
    private const int MostLines = 3, MostOfPart = 2;

    /// <summary>A further line must come this near to the first one (a difference of scores).</summary>
    private const double AlsoWorthHearing = 2;

    private readonly AnswerGround ground;
    private readonly AnswerModel model;
    private readonly MeantWords meant;
    private readonly WordKnowledge known;
    private readonly IReadOnlyList<AskedSource> sources;

    /// <param name="sources">What is asked.</param>
    /// <param name="known">What is known of words; <see cref="WordKnowledge.None"/> to go by the lecture's words alone.</param>
    public AnswerFinder(IReadOnlyList<AskedSource> sources, WordKnowledge known)
    {
        (this.sources, this.known) = (sources, known);
        model = known.Vectors.Count > 0 ? AnswerModel.Learned : AnswerModel.ByWords;
        ground = new AnswerGround(sources.Select(s => s.Sentences).ToList(), known, sources.Select(s => s.Title).ToList());
        meant = new MeantWords(sources.SelectMany(s => s.Sentences).ToList(), w => ground.SentencesWith(w.Stem) > 0, known);
    }

    /// <summary>Asks one lecture.</summary>
    public AnswerFinder(Transcript transcript, WordKnowledge known)
        : this([new AskedSource(null, Sentences.Of(transcript.Passages))], known)
    {
    }

    /// <summary>The answer to a question.</summary>
    public Answer Ask(string asked)
    {
        if (RequestedMaterial.Of(asked) is { } material)
        {
            return new Answer(AnswerState.NotSaid, [], []) { Material = material };
        }

        var (text, taken) = meant.Read(BareQuestion.Of(asked));
        var parts = QuestionParts.Of(text, known);
        if (parts.Count < 2)
        {
            return One(text) with { Meant = taken };
        }

        var each = parts.Select(p => One(p.Full)).ToList();
        return (each.TrueForAll(a => a.State == AnswerState.NotSaid) ? One(text) with { State = AnswerState.NotSaid } : Several(parts, each)) with { Meant = taken };
    }

    private Answer One(string text)
    {
        var question = Question.Read(text);
        if (question.Words.Count == 0 || ground.Count == 0)
        {
            return new Answer(AnswerState.NotSaid, [], []);
        }

        var ranked = RankedAnswer.Of(ground, question, model.Ranking);
        var state = model.StateOf(ranked);
        var unheard = question.Words.Where(w => ground.SentencesWith(w.Stem) == 0).Select(w => w.Word).ToList();
        var lines = AnswerLines.Choose(ground, ranked, MostLines);
        state = state == AnswerState.Perhaps && OutrightDefinition.Is(question, ground[lines[0].At].Text) ? AnswerState.Said : state;
        var best = ranked.Scores[lines[0].At];
        var shown = lines.Where(l => state != AnswerState.Said || ranked.Scores[l.At] >= best - AlsoWorthHearing).ToList();
        return new ShapedAnswer(ground, ranked, text, l => Quoted(l.From, l.To)).Of(state, shown, unheard, l => Part(l, ranked));
    }

    /// <summary>The answers to several questions, one beneath the other.</summary>
    private static Answer Several(IReadOnlyList<QuestionPart> questions, List<Answer> each)
    {
        var answered = each.FindAll(a => a.State != AnswerState.NotSaid);
        return new Answer(answered.Max(a => a.State), answered.ConvertAll(a => a.Lines[0]), each.SelectMany(a => a.UnheardWords).Distinct().ToList())
        {
            Form = AnswerForm.Questions,
            Parts = answered.ConvertAll(a => a.Parts[0]),
            Sides = questions.Zip(each, (q, a) => new ComparedSide(char.ToUpperInvariant(q.Asked[0]) + q.Asked[1..], a.State == AnswerState.NotSaid ? [] : a.Lines.Take(MostOfPart).ToList(), a.State)).ToList(),
        };
    }

    /// <summary>The places nearest to a question, the best first, each with the sentences beside it; for somebody who is to write of them.</summary>
    /// <param name="most">So many places.</param>
    public IReadOnlyList<Evidence> Nearest(string text, int most)
    {
        var question = Question.Read(meant.Read(BareQuestion.Of(text)).Question);
        if (question.Words.Count == 0 || ground.Count == 0)
        {
            return [];
        }

        var spans = new List<(int From, int To)>();
        foreach (var line in AnswerLines.Choose(ground, RankedAnswer.Of(ground, question, model.Ranking), most))
        {
            var (from, to) = (Beside(line.From, -1), Beside(line.To, 1));
            var overlaps = spans.FindIndex(s => from <= s.To && to >= s.From && ground.SourceOf(s.From) == ground.SourceOf(from));
            if (overlaps < 0)
            {
                spans.Add((from, to));
            }
            else
            {
                spans[overlaps] = (Math.Min(from, spans[overlaps].From), Math.Max(to, spans[overlaps].To));
            }
        }

        return spans.ConvertAll(s => Quoted(s.From, s.To));

        int Beside(int at, int way) => at + way >= 0 && at + way < ground.Count && ground.SourceOf(at + way) == ground.SourceOf(at) ? at + way : at;
    }

    private Evidence Quoted(int from, int to) =>
        Evidence.Of(Enumerable.Range(from, to - from + 1).Select(i => ground[i]).ToList()).In(sources[ground.SourceOf(from)].LectureId);

    /// <summary>What answers, within the sentence of the line that does.</summary>
    private QuotePart Part(AnswerLine line, RankedAnswer ranked)
    {
        var at = Answering(line, ranked);
        var before = Enumerable.Range(line.From, at - line.From).Sum(i => ground[i].Text.Length + 1);
        var (from, to) = AnsweringPart.Of(ground[at], ranked.Question);
        return new QuotePart(before + from, before + to);
    }

    /// <summary>The sentence that has the number or the reason that was asked for, where the likeliest one has none; the one after it, where that only leads up to the answer.</summary>
    private int Answering(AnswerLine line, RankedAnswer ranked)
    {
        var (question, form) = (ranked.Question, ground.Forms(line.At));
        if (question.Wants is Wanted.Quantity or Wanted.Reason && form.Fit(question) < 1)
        {
            var fitting = Enumerable.Range(line.From, line.To - line.From + 1).Where(i => !ground.Forms(i).IsQuestion && ground.Forms(i).Fit(question) == 1)
                .OrderByDescending(i => ground.Forms(i).FitsUnit(question)).ThenByDescending(i => ranked.Scores[i]).ToList();
            if (fitting.Count > 0)
            {
                return fitting[0];
            }
        }

        return line.At < line.To && form.LeadsUp(question) ? line.At + 1 : line.At;
    }
}
