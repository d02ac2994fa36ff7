using Kostel.Core.Problems;

namespace Kostel.Media;

/// <summary>A recording that cannot be used, with the reason in plain words.</summary>
public sealed class MediaProblemException(string message) : KnownProblemException(ProblemCodes.Media, message);
