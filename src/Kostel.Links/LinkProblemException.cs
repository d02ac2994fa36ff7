using Kostel.Core.Problems;

namespace Kostel.Links;

/// <summary>What an address leads to cannot be fetched. The message says why in plain words, and names of the address only its host.</summary>
/// <param name="mayPass">Whether trying again could help without anything being changed.</param>
public sealed class LinkProblemException(string message, bool mayPass = false, Exception? reason = null) : KnownProblemException(ProblemCodes.Link, message, reason)
{
    /// <summary>Whether trying again could help.</summary>
    public bool MayPass => mayPass;

    /// <summary>The title of a page that can be read and says of no recording where it is; null for every other problem.</summary>
    public string? SilentPage { get; init; }
}
