using Kostel.Core.Grammar;
using Kostel.Core.Study.Facts;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Statements;

/// <summary>What study material of a lecture is made of: its sentences, what they state and how much each is worth. Worked out once, when it is first needed, for whatever is made.</summary>
public sealed class StudyGround
{
    private readonly Lazy<Importance> importance;
    private readonly Lazy<FactGaps> facts;
    private readonly Lazy<LectureStatements> statements, whole;
    private readonly Lazy<IReadOnlyList<Statement>> asked;

    /// <summary>The ground of a lecture.</summary>
    /// <param name="transcript">The lecture.</param>
    /// <param name="grammar">Tells where clauses begin, and which sentences are none; null for none.</param>
    /// <param name="weights">By which sentences are worth knowing; null for those that were learned.</param>
    /// <param name="words">What is known of English words; null for nothing.</param>
    public StudyGround(Transcript transcript, IGrammar? grammar = null, double[]? weights = null, WordKnowledge? words = null)
    {
        // The grammar is of English: it would call every other sentence ill formed.
        grammar = StudyLanguages.IsSpanish(transcript.Language) ? null : grammar;
        (Transcript, HasGrammar, Words) = (transcript, grammar is not null, words ?? WordKnowledge.None);
        Sentences = ConfirmedWords.Settle(Core.Transcripts.Sentences.Of(transcript.Passages), StudyLanguages.IsSpanish(transcript.Language) ? WordKnowledge.None : Words);
        importance = new(() => new Importance(Sentences));
        facts = new(() => new FactGaps(Sentences, transcript.Chapters, Words));
        statements = new(() => StatementFinder.Of(Sentences, transcript.Chapters, grammar ?? NoGrammar.Instance, weights));
        asked = new(() => grammar is null ? Statements.All : Referents.PutIn(Statements.All, grammar));
        whole = new(() => StatementFinder.Of(Sentences, transcript.Chapters, grammar ?? NoGrammar.Instance, weights, divides: false));
    }

    /// <summary>The lecture.</summary>
    public Transcript Transcript { get; }

    /// <summary>What is known of English words beside it.</summary>
    internal WordKnowledge Words { get; }

    /// <summary>Its sentences in order; a doubtful word that is confirmed elsewhere counts as sure enough.</summary>
    public IReadOnlyList<Sentence> Sentences { get; }

    /// <summary>How much each sentence says of what the lecture is about.</summary>
    public Importance Importance => importance.Value;

    /// <summary>What the lecture states, a statement for each clause that stands side by side with others.</summary>
    public LectureStatements Statements => statements.Value;

    /// <summary>The same as it is asked about: with what "it" and "they" stand for, where that is certain. Its words are not all where the lecture has them; its source is.</summary>
    internal IReadOnlyList<Statement> Asked => asked.Value;

    /// <summary>What the lecture states, a statement for each sentence.</summary>
    public LectureStatements Whole => whole.Value;

    /// <summary>Whether its grammar is read at all.</summary>
    internal bool HasGrammar { get; }

    /// <summary>What to ask for in its statements.</summary>
    internal FactGaps Facts => facts.Value;

    /// <summary>The heading of the chapter in which something begins; empty for none.</summary>
    public string ChapterOf(Evidence source) => Transcript.Chapters.LastOrDefault(c => c.StartMs <= source.StartMs)?.Title ?? "";

    /// <summary>The place of the chapter in which a time lies.</summary>
    public int ChapterAt(int startMs) => Transcript.Chapters.TakeWhile(c => c.EndMs <= startMs).Count();
}
