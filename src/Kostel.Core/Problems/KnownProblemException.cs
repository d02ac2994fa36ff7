namespace Kostel.Core.Problems;

/// <summary>Something that can go wrong and is foreseen: it says why in plain words, for a person, and by a code, for a program.</summary>
/// <param name="code">One of <see cref="ProblemCodes"/>: stays the same when the words are changed.</param>
/// <param name="message">What happened, what was kept, and what to do.</param>
public abstract class KnownProblemException(string code, string message, Exception? reason = null) : Exception(message, reason)
{
    /// <summary>What programs go by; never the words.</summary>
    public string Code => code;
}
