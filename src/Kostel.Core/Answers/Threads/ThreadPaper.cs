namespace Kostel.Core.Answers.Threads;

/// <summary>A thread as it is taken away.</summary>
/// <param name="Place">The lecture or course that was asked.</param>
public sealed record ThreadPaper(string Title, string Place, IReadOnlyList<PaperQuestion> Questions);

/// <summary>A question with its answer.</summary>
public sealed record PaperQuestion(string Text, AnswerState State, DateTime AskedAt, IReadOnlyList<PaperPart> Parts)
{
    /// <summary>Who wrote sentences of their own, and what of them is borne out; null for nobody.</summary>
    public PaperPart? Written { get; init; }

    /// <summary>All of it, in the order in which it is written.</summary>
    public IEnumerable<PaperPart> AllParts => Written is null ? Parts : Parts.Append(Written);

    /// <summary>What is said of the state in words; empty where it was said.</summary>
    public string StateWords => State switch
    {
        AnswerState.Said => "",
        AnswerState.Perhaps => "Perhaps. Nothing says it outright.",
        _ => "Not said. Nearest to it:",
    };
}

/// <summary>Lines of an answer, of one of the things that were compared where it has a name.</summary>
public sealed record PaperPart(string? Name, IReadOnlyList<PaperLine> Lines);

/// <summary>What was said.</summary>
/// <param name="Link">The address that opens the second; null where the lecture is gone.</param>
/// <param name="Lecture">The lecture's title, where several were asked.</param>
public sealed record PaperLine(int StartMs, string Quote, string? Link, string? Lecture);
