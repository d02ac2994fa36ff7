using Kostel.Core.Answers.Forms;
using Kostel.Core.Answers.Scopes;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Answers;

/// <summary>What may be said of an answer.</summary>
public enum AnswerState
{
    /// <summary>Nothing in the lecture answers.</summary>
    NotSaid,

    /// <summary>Nothing says it outright, but something may.</summary>
    Perhaps,

    /// <summary>One of the lines answers.</summary>
    Said,
}

/// <summary>A part of a line's words, from one letter to another (exclusive); all of it where both are 0.</summary>
public sealed record QuotePart(int From, int To);

/// <summary>What a lecture says to a question.</summary>
/// <param name="State">How sure it is; where nothing is said, <paramref name="Lines"/> are the nearest places and no answer.</param>
/// <param name="Lines">One to a handful of sentences each, the best first.</param>
/// <param name="UnheardWords">Words of the question that are never said in the lecture.</param>
public sealed record Answer(AnswerState State, IReadOnlyList<Evidence> Lines, IReadOnlyList<string> UnheardWords)
{
    /// <summary>What answers within each line; empty where that is not known.</summary>
    public IReadOnlyList<QuotePart> Parts { get; init; } = [];

    /// <summary>What answers within a line, in its words; nothing where that is not known.</summary>
    public string WordsThatAnswer(int line) => line < Parts.Count ? Lines[line].Quote[Parts[line].From..Math.Min(Parts[line].To, Lines[line].Quote.Length)] : "";

    /// <summary>This, or an answer from further away where that is surer: what is nearer comes first where both are as sure.</summary>
    public Answer OrSurer(Answer further) => further.State > State ? further : this;

    /// <summary>The form after what was asked.</summary>
    public AnswerForm Form { get; init; }

    /// <summary>The things or steps that the first line tells one after the other, as letters of its words.</summary>
    public IReadOnlyList<QuotePart> Items { get; init; } = [];

    /// <summary>What is said of each of two things that were compared.</summary>
    public IReadOnlyList<ComparedSide> Sides { get; init; } = [];

    /// <summary>Whether the first line says yes or no outright; null where that is left to who reads it.</summary>
    public bool? SaysYes { get; init; }

    /// <summary>Whether two lectures say different numbers.</summary>
    public bool Differs { get; init; }

    /// <summary>Where it was looked for, as the question said.</summary>
    public IReadOnlyList<ScopePart> Scope { get; init; } = [];

    /// <summary>What the question said of where to look, and was not to be understood so.</summary>
    public IReadOnlyList<ScopeKind> Off { get; init; } = [];

    /// <summary>Whether the person chose the place.</summary>
    public bool IsChosen { get; init; }

    /// <summary>What was asked in full, where the question only made sense after another one.</summary>
    public string? Understood { get; init; }

    /// <summary>Words of the question that were taken for others, which the lecture says.</summary>
    public IReadOnlyList<MeantWord> Meant { get; init; } = [];

    /// <summary>What was wished for that is no answer but made of the lecture; null for a question.</summary>
    public StudyMaterial? Material { get; init; }

    /// <summary>Answers that were kept before there were three states have this instead.</summary>
    public bool IsSaid
    {
        get => State == AnswerState.Said;
        init => State = value ? AnswerState.Said : State;
    }

    /// <summary>The same as an answer of a lecture.</summary>
    public Answer In(string? lectureId) => this with
    {
        Lines = Lines.Select(l => l.In(lectureId)).ToList(),
        Sides = Sides.Select(s => s with { Lines = s.Lines.Select(l => l.In(lectureId)).ToList() }).ToList(),
    };

    /// <summary>The same with other words in its lines, in which it is not known what answers.</summary>
    public Answer Quoting(Func<Evidence, string> words) => this with { Lines = Lines.Select(l => l with { Quote = words(l) }).ToList(), Parts = [], Items = [] };

    /// <summary>The same with the place that a person chose as its answer.</summary>
    public Answer Chosen(Evidence place) => this with { State = AnswerState.Said, Lines = [place], Parts = [], Items = [], Sides = [], SaysYes = null, Differs = false, IsChosen = true, Form = AnswerForm.Lines };
}
