using Kostel.Core.Problems;

namespace Kostel.Core.Services;

/// <summary>A service did not do what was asked; the message says so in plain words and never holds the key.</summary>
/// <param name="mayPass">Whether trying again could help without anything being changed.</param>
public sealed class ServiceProblemException(string message, bool mayPass = false, Exception? reason = null) : KnownProblemException(ProblemCodes.Service, message, reason)
{
    /// <summary>Whether trying again could help.</summary>
    public bool MayPass => mayPass;
}
