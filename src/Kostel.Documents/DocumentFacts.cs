namespace Kostel.Documents;

/// <summary>What stands at the head of a document.</summary>
/// <param name="Title">The lecture's title.</param>
/// <param name="Line">Course, day and length in one line; null for none.</param>
/// <param name="Link">The address of the lecture, for times that lead there; null for none.</param>
public sealed record DocumentFacts(string Title, string? Line = null, string? Link = null);

/// <summary>What stands beside the words.</summary>
public sealed record DocumentOptions(bool Speakers = true, bool Times = true);
