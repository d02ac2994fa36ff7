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
}

/// <summary>What is said of one of the things that were compared.</summary>
/// <param name="Name">As it was asked.</param>
public sealed record ComparedSide(string Name, IReadOnlyList<Evidence> Lines);
