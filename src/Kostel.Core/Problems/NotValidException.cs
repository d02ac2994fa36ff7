namespace Kostel.Core.Problems;

/// <summary>A value is missing, too long or out of its range; the message says what it may be.</summary>
public sealed class NotValidException(string message) : KnownProblemException(ProblemCodes.NotValid, message);
