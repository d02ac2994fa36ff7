using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Quizzes;

/// <summary>A question that could be made of one place of a lecture, or of several.</summary>
/// <param name="Content">What it asks.</param>
/// <param name="Source">Where its answer is said; of several places the first.</param>
public sealed record QuestionDraft(QuestionContent Content, Evidence Source)
{
    /// <summary>How much it is worth asking, from 0 to about 1.5.</summary>
    internal double Worth { get; init; }

    /// <summary>All places that it asks about.</summary>
    internal IEnumerable<Evidence> Places => Content.Places.Count > 0 ? Content.Places : [Source];

    /// <summary>What it asks about, where its source also holds what that leans on.</summary>
    internal Evidence? Asks { get; init; }

    /// <summary>Whether it asks about what another one does, or one of them brings along what the other asks.</summary>
    internal bool Overlaps(QuestionDraft other) => Meet(Asked, other.Places) || Meet(Places, other.Asked);

    private static bool Meet(IEnumerable<Evidence> some, IEnumerable<Evidence> others) => some.Any(p => others.Any(o => p.StartMs < o.EndMs && o.StartMs < p.EndMs));

    private IEnumerable<Evidence> Asked => Asks is { } asks ? [asks] : Places;
}
