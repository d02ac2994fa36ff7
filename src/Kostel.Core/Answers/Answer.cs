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
/// <param name="Lines">One to three sentences each, the best first.</param>
/// <param name="UnheardWords">Words of the question that are never said in the lecture.</param>
public sealed record Answer(AnswerState State, IReadOnlyList<Evidence> Lines, IReadOnlyList<string> UnheardWords)
{
    /// <summary>What answers within each line; empty where that is not known.</summary>
    public IReadOnlyList<QuotePart> Parts { get; init; } = [];

    /// <summary>What was asked in full, where the question only made sense after another one.</summary>
    public string? Understood { get; init; }

    /// <summary>Answers that were kept before there were three states have this instead.</summary>
    public bool IsSaid
    {
        get => State == AnswerState.Said;
        init => State = value ? AnswerState.Said : State;
    }

    /// <summary>The same as an answer of a lecture.</summary>
    public Answer In(string? lectureId) => this with { Lines = Lines.Select(l => l.In(lectureId)).ToList() };

    /// <summary>The same with other words in its lines, in which it is not known what answers.</summary>
    public Answer Quoting(Func<Evidence, string> words) => this with { Lines = Lines.Select(l => l with { Quote = words(l) }).ToList(), Parts = [] };
}
