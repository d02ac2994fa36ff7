using Kostel.Core.Transcripts;

namespace Kostel.Core.Answers.Forms;

/// <summary>The form that an answer takes, after what was asked.</summary>
public enum AnswerForm
{
    /// <summary>Places that speak of it.</summary>
    Lines,

    /// <summary>What something is.</summary>
    Definition,

    /// <summary>A number with its unit.</summary>
    Number,

    /// <summary>A cause or a purpose.</summary>
    Reason,

    /// <summary>Several things.</summary>
    List,

    /// <summary>What is done, one after the other.</summary>
    Steps,

    /// <summary>Two things beside each other.</summary>
    Comparison,

    /// <summary>Whether it is so.</summary>
    YesNo,

    /// <summary>Somebody.</summary>
    Person,

    /// <summary>When.</summary>
    Time,

    /// <summary>Several questions, each with its answer.</summary>
    Questions,
}

/// <summary>What is said of one of the things that were compared, or to one of several questions.</summary>
/// <param name="Name">As it was asked.</param>
/// <param name="State">How sure the answer to this question is; null for a thing that was compared.</param>
public sealed record ComparedSide(string Name, IReadOnlyList<Evidence> Lines, AnswerState? State = null);
